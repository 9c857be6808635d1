import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import type { SampleDeviation } from '@/api/client';

interface Props {
  deviations: SampleDeviation[];
  /** What can be done about one. */
  action?: ((one: SampleDeviation) => ReactNode) | undefined;
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
export function DeviationTable({ deviations, action }: Props) {
  return (
    <Box
      component="table"
      aria-label="What differs"
      sx={{ borderCollapse: 'collapse', width: '100%', '& td, & th': CELL }}
    >
      <thead>
        <tr>
          <th scope="col">Field</th>
          <Box component="th" scope="col" sx={{ width: 130 }}>
            What
          </Box>
          <th scope="col">Known</th>
          <th scope="col">Now</th>
          {action && <th aria-label="What to do" />}
        </tr>
      </thead>
      <tbody>
        {deviations.map((one, index) => (
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
            {action && <td>{action(one)}</td>}
          </tr>
        ))}
      </tbody>
    </Box>
  );
}
