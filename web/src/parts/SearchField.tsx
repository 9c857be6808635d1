import Autocomplete from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import { inLine } from '@/lib/format';
import { wordsFor } from './choosing';
import type { FieldProps } from './InputField';

/** One of many, found by typing some of its words. */
export default function SearchField({ input, value, onInput }: FieldProps) {
  const code = value === undefined || value === null ? '' : inLine(value);
  return (
    <Autocomplete
      size="small"
      options={input.choices.map((choice) => choice.code)}
      getOptionLabel={(one) => wordsFor(input, one)}
      value={code === '' ? null : code}
      disableClearable={input.required && code !== ''}
      onChange={(_, next) => {
        onInput(next ?? '');
      }}
      noOptionsText="Nothing here is called so."
      renderInput={(params) => (
        <TextField
          {...params}
          label={input.label}
          required={input.required}
          helperText={input.help || undefined}
        />
      )}
    />
  );
}
