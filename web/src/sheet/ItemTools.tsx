import Add from '@mui/icons-material/Add';
import Remove from '@mui/icons-material/Remove';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import type { FieldRow } from './model';
import { Stepper } from './Stepper';

interface Props {
  row: FieldRow;
  onStep: (to: number) => void;
  onRemove: () => void;
}

/** Goes through the items of a repeated parameter, adds another one or takes one out. */
export function ItemTools({ row, onStep, onRemove }: Props) {
  const items = row.items ?? 0;
  // The item to come counts as soon as it is looked at.
  const steps = Math.max(items, row.at + 1);
  if (items === 0 && row.field.kind === 'scalar') return null;
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', flex: 'none', ml: 0.5 }}>
      {(steps > 1 || row.field.kind !== 'scalar') && (
        <Stepper row={row} steps={items === 0 ? 0 : steps} onStep={onStep} />
      )}
      {items > 0 && row.at < items && (
        <IconButton
          tabIndex={-1}
          aria-label={`Another ${row.field.name}`}
          title="Another one (Alt +)"
          onClick={() => {
            onStep(items);
          }}
          sx={{ p: 0.25 }}
        >
          <Add fontSize="small" />
        </IconButton>
      )}
      {steps > 1 && (
        <IconButton
          tabIndex={-1}
          aria-label={`Without this ${row.field.name}`}
          title="Without this one (Alt −)"
          onClick={onRemove}
          sx={{ p: 0.25 }}
        >
          <Remove fontSize="small" />
        </IconButton>
      )}
    </Box>
  );
}
