import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import FormControl from '@mui/material/FormControl';
import FormControlLabel from '@mui/material/FormControlLabel';
import FormHelperText from '@mui/material/FormHelperText';
import InputLabel from '@mui/material/InputLabel';
import { lazy, Suspense } from 'react';
import type { InputView, Json } from '@/api/client';
import { inLine } from '@/lib/format';
import { FileChoice } from '@/ui/FileChoice';
import { LabelledInput } from '@/ui/LabelledInput';

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

export interface FieldProps {
  input: InputView;
  value: Json;
  onInput: (value: Json) => void;
}

/** These take more script than all other fields together; few pages have one. */
const SeveralField = lazy(() => import('./SeveralField'));
const SearchField = lazy(() => import('./SearchField'));
const ChoiceButtons = lazy(() => import('./ChoiceButtons'));

/** Whether the browser has no field for an input. */
const isSpecial = ({ kind, several }: InputView) =>
  several || kind === 'BUTTONS' || kind === 'SEARCH';

function SpecialField(props: FieldProps) {
  const { kind, several } = props.input;
  if (kind === 'BUTTONS') return <ChoiceButtons {...props} />;
  return several ? <SeveralField {...props} /> : <SearchField {...props} />;
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
  if (isSpecial(input)) {
    return (
      <Suspense
        fallback={<LabelledInput label={input.label} value="" onInput={onInput} disabled />}
      >
        <SpecialField input={input} value={value} onInput={onInput} />
      </Suspense>
    );
  }
  const type = TYPES[input.kind];
  return (
    <LabelledInput
      label={input.label}
      required={input.required}
      help={input.help}
      value={type === 'datetime-local' ? text.replace(/(Z|[+-]\d{2}:\d{2})$/, '') : text}
      onInput={onInput}
      type={type}
      lines={input.kind === 'LONG_TEXT' ? 3 : undefined}
      inputMode={input.kind === 'NUMBER' ? 'decimal' : undefined}
      choices={input.kind === 'CHOICE' ? input.choices : undefined}
    />
  );
}
