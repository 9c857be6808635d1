import Button from '@mui/material/Button';
import type { ButtonView } from '@/api/client';
import type { PartProps } from './model';
import { Pickable } from './Pickable';

/** A button that says while its answer is awaited. */
export function ButtonPart({ part, use }: PartProps<ButtonView>) {
  const button = (
    <Button
      variant="contained"
      size="medium"
      disabled={use.busy}
      onClick={() => {
        if (!use.building) use.onPress(part.id);
      }}
    >
      {use.busy ? 'One moment…' : part.heading}
    </Button>
  );
  return use.building ? (
    <Pickable use={use} place={{ part: part.id }}>
      {button}
    </Pickable>
  ) : (
    button
  );
}
