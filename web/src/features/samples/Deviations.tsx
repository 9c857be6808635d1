import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { SampleDeviation, SampleVerdict } from '@/api/client';

interface Props {
  verdict: SampleVerdict;
  /** A field need not be as it was. */
  onIgnore: ((field: SampleDeviation['field']) => void) | undefined;
  /** What came now is what is known from now on. */
  onTake: () => void;
}

const WHAT: Record<SampleDeviation['what'], string> = {
  MISSING: 'missing',
  TYPE: 'another type',
  VALUE: 'another value',
  COUNT: 'more or fewer',
  OUTCOME: 'another outcome',
  TIME: 'too late',
};

const CELL = { borderTop: '1px solid', borderColor: 'line', py: 0.5, pr: 1.5, textAlign: 'left' };

/** What is not as it was, side by side. */
export function Deviations({ verdict, onIgnore, onTake }: Props) {
  return (
    <Box sx={{ pl: 2, py: 1, overflowX: 'auto' }}>
      <Box
        component="table"
        aria-label="What differs"
        sx={{ borderCollapse: 'collapse', width: '100%', '& td, & th': CELL }}
      >
        <thead>
          <tr>
            <th scope="col">Field</th>
            <th scope="col">What</th>
            <th scope="col">Known</th>
            <th scope="col">Now</th>
            <th aria-label="What to do" />
          </tr>
        </thead>
        <tbody>
          {verdict.deviations.map((one, index) => (
            <tr key={index}>
              <Box component="td" sx={{ fontFamily: 'monospace', overflowWrap: 'anywhere' }}>
                {one.path || 'the whole answer'}
              </Box>
              <td>{WHAT[one.what]}</td>
              <Box component="td" sx={{ overflowWrap: 'anywhere' }}>
                {one.expected}
              </Box>
              <Box component="td" sx={{ overflowWrap: 'anywhere' }}>
                {one.actual}
              </Box>
              <td>
                {onIgnore && one.path && (
                  <Button
                    aria-label={`Do not compare ${one.path}`}
                    onClick={() => {
                      onIgnore(one.field);
                    }}
                  >
                    Do not compare
                  </Button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </Box>
      <Button variant="outlined" sx={{ mt: 1 }} onClick={onTake}>
        Take what came as new
      </Button>
    </Box>
  );
}
