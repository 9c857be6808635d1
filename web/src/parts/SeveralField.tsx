import Autocomplete from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { InputView, Json } from '@/api/client';
import { inLine } from '@/lib/format';
import { itemsOf } from '@/lib/json';
import { isChosen, wordsFor } from './choosing';
import type { FieldProps } from './InputField';

/** What is put in once or several times. */
const textsOf = (value: Json) =>
  itemsOf(value ?? undefined)
    .map(inLine)
    .filter((text) => text !== '');

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
export default function SeveralField({ input, value, onInput }: FieldProps) {
  const [typed, setTyped] = useState('');
  const { kind } = input;
  const chosen = isChosen(kind);
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
