import FormControl from '@mui/material/FormControl';
import FormHelperText from '@mui/material/FormHelperText';
import InputLabel from '@mui/material/InputLabel';
import NativeSelect from '@mui/material/NativeSelect';
import OutlinedInput, { type OutlinedInputProps } from '@mui/material/OutlinedInput';
import { useId } from 'react';

interface Props {
  label: string;
  value: string;
  onInput: (text: string) => void;
  required?: boolean;
  disabled?: boolean;
  help?: string | undefined;
  type?: string | undefined;
  /** How many lines are seen at least, where there may be several. */
  lines?: number | undefined;
  inputMode?: 'decimal' | undefined;
  /** What may be chosen, where nothing else may be put in. */
  choices?: { code: string; words: string }[] | undefined;
}

/**
 * A field with its label and help. It does what a TextField does, and chooses by what the browser
 * has for it: a TextField brings menus and dialogs along, more script than the rest of a finished
 * page has.
 */
export function LabelledInput({
  label,
  value,
  onInput,
  required = false,
  disabled = false,
  help,
  type = 'text',
  lines,
  inputMode,
  choices,
}: Props) {
  const id = useId();
  const helped = help ? `${id}-help` : undefined;
  // Where the browser draws something itself the label has no room inside.
  const above = choices !== undefined || type !== 'text';
  // What stands there may be none of the choices, or nothing yet; the browser would show the first.
  const isOther =
    choices?.every(({ code }) => code !== value) === true && (value !== '' || required);
  const outline: OutlinedInputProps = {
    id,
    value,
    label: required ? `${label} *` : label,
    onChange: (event) => {
      onInput(event.target.value);
    },
    ...(above && { notched: true }),
  };
  const own = { 'aria-describedby': helped };
  return (
    <FormControl fullWidth size="small" required={required} disabled={disabled}>
      <InputLabel htmlFor={id} {...(above && { shrink: true })}>
        {label}
      </InputLabel>
      {choices ? (
        <NativeSelect input={<OutlinedInput {...outline} />} inputProps={own}>
          {!required && <option value="">any</option>}
          {isOther && <option value={value}>{value}</option>}
          {choices.map(({ code, words }) => (
            <option key={code} value={code}>
              {words}
            </option>
          ))}
        </NativeSelect>
      ) : (
        <OutlinedInput
          {...outline}
          inputProps={{ ...own, inputMode }}
          type={type}
          multiline={lines !== undefined}
          {...(lines !== undefined && { minRows: lines })}
        />
      )}
      {help && <FormHelperText id={helped}>{help}</FormHelperText>}
    </FormControl>
  );
}
