import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { CalledService } from '@/api/client';
import type { Where } from './where';

interface Props {
  called: CalledService[];
  where: Where;
  onChange: (where: Where) => void;
}

/** Which environment a release calls, for each service that has any. */
export function WhereToCall({ called, where, onChange }: Props) {
  return called
    .filter(({ environments }) => environments.length > 0)
    .map(({ service, name, environments }) => (
      <TextField
        key={service}
        select
        label={`Call ${name}`}
        value={where[service] ?? ''}
        onChange={(event) => {
          onChange({ ...where, [service]: event.target.value });
        }}
        slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
        sx={{ minWidth: 200 }}
      >
        <MenuItem value="">where its description says</MenuItem>
        {environments.map((environment) => (
          <MenuItem key={environment} value={environment}>
            in {environment}
          </MenuItem>
        ))}
      </TextField>
    ));
}
