import Checkbox from '@mui/material/Checkbox';
import MenuItem from '@mui/material/MenuItem';
import Select from '@mui/material/Select';
import type { BenchItem } from '@/api/client';

interface Props {
  settings: NonNullable<BenchItem['inside']>;
  /** The names of the fields in their order; none lets the model say it. */
  onChoose: (fields: string[]) => void;
}

/** Stands for no field. */
const BY_MODEL = '';

/** Which fields the rows inside a row show; one that is ticked goes behind the others. */
export function InsideFields({ settings, onChoose }: Props) {
  const { chosen, fields } = settings;
  const shown = fields.filter((one) => one.shown).map(({ name }) => name);
  return (
    <Select<string[]>
      multiple
      variant="standard"
      value={shown}
      onChange={({ target }) => {
        const next = typeof target.value === 'string' ? [target.value] : target.value;
        if (next.includes(BY_MODEL)) onChoose([]);
        else if (next.length > 0) onChoose(next);
      }}
      renderValue={() => `shows ${shown.length} of ${fields.length} fields`}
      inputProps={{ 'aria-label': 'What its rows show' }}
      sx={{ fontSize: 12.5 }}
    >
      {fields.map(({ name, label }) => (
        <MenuItem key={name} value={name} dense>
          <Checkbox size="small" checked={shown.includes(name)} sx={{ p: 0, mr: 1 }} />
          {label}
        </MenuItem>
      ))}
      {chosen && (
        <MenuItem value={BY_MODEL} dense>
          as the model says
        </MenuItem>
      )}
    </Select>
  );
}
