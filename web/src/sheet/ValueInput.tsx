import Box from '@mui/material/Box';
import type { Json } from '@/api/client';
import { inLine } from '@/lib/format';
import { FileChoice } from '@/ui/FileChoice';
import type { FieldRow } from './model';

interface Props {
  row: FieldRow;
  onChange: (value: Json) => void;
  readOnly?: boolean;
}

const TYPES: Record<string, string> = { date: 'date', 'date-time': 'datetime-local', time: 'time' };

/** What cannot be changed here does not look as if it could. */
const settled = { borderColor: 'transparent', bgcolor: 'transparent', outline: 'none' };

const look = {
  font: 'inherit',
  color: 'text.primary',
  width: '100%',
  height: 24,
  px: 0.75,
  border: '1px solid',
  borderColor: 'divider',
  borderRadius: '3px',
  bgcolor: 'background.paper',
  '&:focus': {
    outline: '2px solid',
    outlineColor: 'var(--mui-palette-primary-main)',
    outlineOffset: -1,
  },
} as const;

/** Browsers know local times only; a zone that came with the value would make them show nothing. */
function fitting(text: string, type: string) {
  return type === 'datetime-local' ? text.replace(/(Z|[+-]\d{2}:\d{2})$/, '') : text;
}

/** The value of a parameter, to be typed or chosen. The row says what empty means. */
export function ValueInput({ row, onChange, readOnly }: Props) {
  const text = row.value === undefined ? '' : inLine(row.value);
  const label = `${row.field.name} value`;
  const back = (event: React.KeyboardEvent<HTMLElement>) => {
    const done =
      (event.key === 'Enter' && !event.ctrlKey && !event.metaKey) || event.key === 'Escape';
    if (done) event.currentTarget.closest<HTMLElement>('[role=treegrid]')?.focus();
    // Arrows and letters belong to the input while it has the focus.
    if (done || (!event.ctrlKey && !event.metaKey)) event.stopPropagation();
  };
  const choices = row.field.type === 'yes/no' ? ['yes', 'no'] : row.field.choices;
  if (choices.length > 0) {
    const given = row.field.type === 'yes/no' ? ({ yes: 'true', no: 'false' }[text] ?? text) : text;
    return (
      <Box
        component="select"
        data-edit
        aria-label={label}
        value={given}
        disabled={readOnly}
        onKeyDown={back}
        onChange={(event: React.ChangeEvent<HTMLSelectElement>) => {
          onChange(event.target.value || undefined);
        }}
        sx={{ ...look, color: text ? 'text.primary' : 'text.secondary' }}
      >
        <option value="">{row.field.required ? 'choose…' : `— ${row.empty} —`}</option>
        {choices.map((choice) => (
          <option key={choice} value={{ yes: 'true', no: 'false' }[choice] ?? choice}>
            {choice}
          </option>
        ))}
      </Box>
    );
  }
  if (row.field.type === 'binary' && !readOnly) {
    return (
      <Box onKeyDown={back} sx={{ flex: 1, minWidth: 0 }}>
        <FileChoice label={label} value={row.value} onChange={onChange} />
      </Box>
    );
  }
  const type = TYPES[row.field.type] ?? 'text';
  return (
    <Box
      component="input"
      data-edit
      aria-label={label}
      type={type}
      step={type === 'datetime-local' || type === 'time' ? 1 : undefined}
      inputMode={/number/.test(row.field.type) ? 'decimal' : undefined}
      placeholder={row.empty}
      readOnly={readOnly}
      value={fitting(text, type)}
      onKeyDown={back}
      onChange={(event: React.ChangeEvent<HTMLInputElement>) => {
        onChange(event.target.value === '' ? undefined : event.target.value);
      }}
      sx={readOnly ? { ...look, ...settled } : look}
    />
  );
}
