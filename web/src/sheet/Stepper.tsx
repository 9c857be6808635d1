import ChevronLeft from '@mui/icons-material/ChevronLeft';
import ChevronRight from '@mui/icons-material/ChevronRight';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import { count } from '@/lib/format';
import type { FieldRow } from './model';

interface Props {
  row: FieldRow;
  /** How many can be gone through. */
  steps: number;
  onStep: (to: number) => void;
}

/** Goes through the items of a repeated field. */
export function Stepper({ row, steps, onStep }: Props) {
  const all = Math.max(row.items ?? 0, steps);
  if (steps < 2) {
    return <Box sx={{ color: 'text.secondary' }}>{count(all, 'item')}</Box>;
  }
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 0.25, ml: -0.5, flex: 'none' }}>
      <IconButton
        tabIndex={-1}
        aria-label={`Previous ${row.field.name}`}
        disabled={row.at === 0}
        onClick={() => {
          onStep(row.at - 1);
        }}
        sx={{ p: 0.25 }}
      >
        <ChevronLeft fontSize="small" />
      </IconButton>
      <span>
        {row.at + 1} of {all.toLocaleString('en')}
      </span>
      <IconButton
        tabIndex={-1}
        aria-label={`Next ${row.field.name}`}
        disabled={row.at >= steps - 1}
        onClick={() => {
          onStep(row.at + 1);
        }}
        sx={{ p: 0.25 }}
      >
        <ChevronRight fontSize="small" />
      </IconButton>
    </Box>
  );
}
