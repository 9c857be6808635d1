import FormControl from '@mui/material/FormControl';
import FormHelperText from '@mui/material/FormHelperText';
import FormLabel from '@mui/material/FormLabel';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useId } from 'react';
import { inLine } from '@/lib/format';
import { itemsOf } from '@/lib/json';
import type { FieldProps } from './InputField';

/** Everything that may be put in, each on a button; what need not be chosen can be let go again. */
export default function ChoiceButtons({ input, value, onInput }: FieldProps) {
  const id = useId();
  const codes = itemsOf(value ?? undefined)
    .map(inLine)
    .filter((code) => code !== '');
  return (
    <FormControl required={input.required} fullWidth>
      <FormLabel id={id} sx={{ fontSize: 11, lineHeight: 1.2, mt: '-7px', mb: '2px' }}>
        {input.label}
      </FormLabel>
      <ToggleButtonGroup
        size="small"
        color="primary"
        exclusive={!input.several}
        value={input.several ? codes : (codes[0] ?? null)}
        aria-labelledby={id}
        aria-describedby={input.help ? `${id}-help` : undefined}
        onChange={(_, next: string[] | string | null) => {
          if (next !== null) onInput(next);
          else if (!input.required) onInput('');
        }}
        sx={{ flexWrap: 'wrap' }}
      >
        {input.choices.map(({ code, words }) => (
          <ToggleButton key={code} value={code} sx={{ textTransform: 'none', px: 1.5 }}>
            {words}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      {input.help && <FormHelperText id={`${id}-help`}>{input.help}</FormHelperText>}
    </FormControl>
  );
}
