import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import FormControl from '@mui/material/FormControl';
import FormControlLabel from '@mui/material/FormControlLabel';
import FormHelperText from '@mui/material/FormHelperText';
import InputLabel from '@mui/material/InputLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { InputView, Json } from '@/api/client';
import { inLine } from '@/lib/format';
import { itemsOf } from '@/lib/json';
import { FileChoice } from '@/ui/FileChoice';

const TYPES: Partial<Record<InputView['kind'], string>> = {
  DATE: 'date',
  TIME: 'time',
  DATE_TIME: 'datetime-local',
};

/** As tall as the fields beside it. */
const framed = {
  display: 'flex',
  minHeight: 37,
  px: 1.5,
  border: '1px solid',
  borderColor: 'action.disabled',
  borderRadius: '4px',
} as const;

/** What is put in once or several times. */
const textsOf = (value: Json) =>
  itemsOf(value ?? undefined)
    .map(inLine)
    .filter((text) => text !== '');

/** What people read for a code. */
const wordsFor = (input: InputView, code: string) =>
  input.choices.find((choice) => choice.code === code)?.words ?? code;

interface FieldProps {
  input: InputView;
  value: Json;
  onInput: (value: Json) => void;
}

/** Texts may have commas in them; of anything else several can be typed at once. */
function partsOf(text: string, kind: InputView['kind']) {
  return (kind === 'TEXT' ? [text] : text.split(','))
    .map((part) => part.trim())
    .filter((part) => part !== '');
}

/** How a value is written where there is no picker for several. */
const WRITTEN: Partial<Record<InputView['kind'], string>> = {
  DATE: 'yyyy-mm-dd',
  TIME: 'hh:mm:ss',
  DATE_TIME: 'yyyy-mm-ddThh:mm:ss',
};

/**
 * Any number of values, each a chip; Enter ends one. What is still being typed counts too, but
 * becomes no chip by itself: that would move a button away from under the mouse.
 */
function Several({ input, value, onInput }: FieldProps) {
  const [typed, setTyped] = useState('');
  const { kind } = input;
  const chosen = kind === 'CHOICE';
  const items = textsOf(value);
  const pending = chosen ? [] : partsOf(typed, kind);
  const start = items.length - pending.length;
  // Somebody else may have put in other values since.
  const chips = pending.every((part, index) => items[start + index] === part)
    ? items.slice(0, start)
    : items;
  return (
    <Autocomplete
      multiple
      freeSolo={!chosen}
      clearOnBlur={chosen}
      filterSelectedOptions
      size="small"
      options={input.choices.map(({ code }) => code)}
      getOptionLabel={(code) => wordsFor(input, code)}
      value={chips}
      inputValue={typed}
      onInputChange={(_, text, reason) => {
        setTyped(text);
        if (reason === 'input' && !chosen) onInput([...chips, ...partsOf(text, kind)]);
      }}
      onChange={(_, next) => {
        setTyped('');
        onInput([...new Set(chosen ? next : next.flatMap((one) => partsOf(one, kind)))]);
      }}
      renderInput={(params) => (
        <TextField
          {...params}
          label={input.label}
          required={input.required && items.length === 0}
          helperText={input.help || undefined}
          placeholder={items.length > 0 ? undefined : chosen ? 'any' : WRITTEN[kind]}
        />
      )}
    />
  );
}

/** One field to type or choose in. */
export function InputField({ input, value, onInput }: FieldProps) {
  const text = value === undefined || value === null ? '' : inLine(value);
  if (input.kind === 'CHECKBOX') {
    return (
      <FormControlLabel
        label={input.label}
        control={
          <Checkbox
            size="small"
            checked={value === true || value === 'true'}
            onChange={(_, on) => {
              onInput(on);
            }}
          />
        }
      />
    );
  }
  if (input.kind === 'FILE') {
    return (
      <FormControl fullWidth required={input.required}>
        <InputLabel shrink sx={{ bgcolor: 'background.paper', px: 0.5 }}>
          {input.label}
        </InputLabel>
        <Box sx={framed}>
          <FileChoice label={input.label} value={value} onChange={onInput} />
        </Box>
        {input.help && <FormHelperText>{input.help}</FormHelperText>}
      </FormControl>
    );
  }
  if (input.several) return <Several input={input} value={value} onInput={onInput} />;
  const choices = input.kind === 'CHOICE' ? input.choices : undefined;
  const type = TYPES[input.kind];
  return (
    <TextField
      fullWidth
      label={input.label}
      required={input.required}
      helperText={input.help || undefined}
      value={type === 'datetime-local' ? text.replace(/(Z|[+-]\d{2}:\d{2})$/, '') : text}
      select={choices !== undefined}
      multiline={input.kind === 'LONG_TEXT'}
      minRows={input.kind === 'LONG_TEXT' ? 3 : undefined}
      type={type ?? 'text'}
      onChange={(event) => {
        onInput(event.target.value);
      }}
      slotProps={{
        inputLabel: type || choices ? { shrink: true } : {},
        htmlInput: input.kind === 'NUMBER' ? { inputMode: 'decimal' } : {},
        select: { displayEmpty: true },
      }}
    >
      {choices && !input.required && <MenuItem value="">any</MenuItem>}
      {choices?.map(({ code, words }) => (
        <MenuItem key={code} value={code}>
          {words}
        </MenuItem>
      ))}
    </TextField>
  );
}
