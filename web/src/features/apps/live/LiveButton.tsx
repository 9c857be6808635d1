import Button from '@mui/material/Button';
import type { Part } from '@/api/client';
import type { PartProps } from './LivePage';

/** A button that says while its answer is awaited. */
export function LiveButton({
  part,
  state,
  building,
  onPress,
}: PartProps<Extract<Part, { kind: 'button' }>>) {
  return (
    <Button
      variant="contained"
      size="medium"
      disabled={state.busy}
      tabIndex={building ? -1 : undefined}
      onClick={() => {
        if (!building) onPress(part.id);
      }}
    >
      {state.busy ? 'One moment…' : part.label}
    </Button>
  );
}
