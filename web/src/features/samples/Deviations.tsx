import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { SampleDeviation, SampleVerdict } from '@/api/client';
import { DeviationSheet } from '@/sheet/DeviationSheet';

interface Props {
  verdict: SampleVerdict;
  /** A field need not be as it was. */
  onIgnore: ((field: SampleDeviation['field']) => void) | undefined;
  /** What came now is what is known from now on. */
  onTake: () => void;
}

/** What is not as it was, and what can be done about it. */
export function Deviations({ verdict, onIgnore, onTake }: Props) {
  return (
    <Box sx={{ pl: 2, py: 1, overflowX: 'auto' }}>
      <DeviationSheet
        deviations={verdict.deviations}
        action={(one) =>
          onIgnore &&
          one.path && (
            <Button
              aria-label={`Do not compare ${one.path}`}
              onClick={() => {
                onIgnore(one.field);
              }}
            >
              Do not compare
            </Button>
          )
        }
      />
      <Button variant="outlined" sx={{ mt: 1 }} onClick={onTake}>
        Take what came as new
      </Button>
    </Box>
  );
}
