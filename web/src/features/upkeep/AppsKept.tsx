import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import type { AppKeeping } from '@/api/client';
import { appsQuery } from '@/api/queries';

const USUAL = { days: 30, megabytes: 100 };

const NUMBERS = [
  { name: 'days', label: 'days' },
  { name: 'megabytes', label: 'MB' },
] as const;

/** Apps whose exchanges are kept longer or shorter than the others. */
export function AppsKept({
  apps,
  onChange,
}: {
  apps: AppKeeping[];
  onChange: (apps: AppKeeping[]) => void;
}) {
  const known = useQuery(appsQuery);
  const others = known.data?.filter((app) => apps.every((one) => one.app !== app.id)) ?? [];
  const nameOf = (id: string) => known.data?.find((app) => app.id === id)?.name ?? id;
  const set = (at: number, change: Partial<AppKeeping>) => {
    onChange(apps.map((one, index) => (index === at ? { ...one, ...change } : one)));
  };
  return (
    <Box sx={{ mt: 2 }}>
      {apps.map((one, at) => (
        <Box key={one.app} sx={{ display: 'flex', gap: 1, alignItems: 'center', mb: 2 }}>
          <Typography sx={{ width: 220 }}>Exchanges of {nameOf(one.app)}</Typography>
          {NUMBERS.map(({ name, label }) => (
            <TextField
              key={name}
              type="number"
              label={label}
              value={one[name] || ''}
              error={one[name] < 1}
              onChange={(event) => {
                set(at, { [name]: Math.trunc(Number(event.target.value)) });
              }}
              slotProps={{
                htmlInput: { 'aria-label': `${label} for ${nameOf(one.app)}`, min: 1 },
                inputLabel: { shrink: true },
              }}
              sx={{ width: 100 }}
            />
          ))}
          <Button
            onClick={() => {
              onChange(apps.filter((_, index) => index !== at));
            }}
          >
            As the others
          </Button>
        </Box>
      ))}
      {others.length > 0 && (
        <TextField
          select
          label="Otherwise for an app"
          value=""
          onChange={(event) => {
            onChange([...apps, { app: event.target.value, ...USUAL }]);
          }}
          sx={{ width: 220 }}
        >
          {others.map((app) => (
            <MenuItem key={app.id} value={app.id}>
              {app.name}
            </MenuItem>
          ))}
        </TextField>
      )}
    </Box>
  );
}
