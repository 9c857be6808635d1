import Box from '@mui/material/Box';
import type { FormView } from '@/api/client';
import { Heading } from './Heading';
import { InputField } from './InputField';
import type { PartProps } from './model';
import { Pickable } from './Pickable';

/** Fields to type or choose in; Enter presses the button that belongs to them. */
export function FormPart({ part, use, button }: PartProps<FormView>) {
  return (
    <Box
      component="form"
      noValidate
      onSubmit={(event: React.SyntheticEvent) => {
        event.preventDefault();
        if (button !== undefined && !use.building && !use.busy) use.onPress(button);
      }}
    >
      <Heading words={part.heading} />
      <Box
        sx={{
          display: 'grid',
          gap: 2,
          gridTemplateColumns: 'repeat(auto-fill, minmax(min(190px, 100%), 1fr))',
        }}
      >
        {part.inputs.map((input) => (
          <Pickable key={input.id} use={use} place={{ part: part.id, item: input.id }}>
            <Box sx={input.hidden ? { opacity: 0.6 } : {}}>
              <InputField
                input={input}
                value={use.typed[input.id] ?? input.value}
                onInput={(value) => {
                  use.onInput(input.id, value, input.reported);
                }}
              />
              {input.hidden && (
                <Box sx={{ fontSize: 12, color: 'text.secondary' }}>
                  Asked for where it is chosen.
                </Box>
              )}
            </Box>
          </Pickable>
        ))}
      </Box>
      {/* Browsers take Enter for sending only where there is something to send with. */}
      <input type="submit" hidden aria-hidden tabIndex={-1} />
    </Box>
  );
}
