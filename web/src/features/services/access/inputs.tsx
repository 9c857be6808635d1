import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

/** A group of inputs with its title beside it. */
export function Row({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box
      role="group"
      aria-label={title}
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', md: '150px 1fr' },
        gap: 1,
        py: 1,
        borderTop: '1px solid',
        borderColor: 'line',
      }}
    >
      <Typography variant="h3" sx={{ pt: 0.75 }}>
        {title}
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>{children}</Box>
    </Box>
  );
}

interface TextProps {
  label: string;
  value: string | undefined;
  onChange: (value: string) => void;
  width?: number;
}

export function Text({ label, value, onChange, width = 180 }: TextProps) {
  return (
    <TextField
      label={label}
      value={value ?? ''}
      onChange={(event) => {
        onChange(event.target.value);
      }}
      sx={{ width }}
      slotProps={{ htmlInput: { spellCheck: false, autoComplete: 'off' } }}
    />
  );
}

/** A secret comes in and is never shown again; leaving it empty keeps the one that is there. */
export function SecretText({ kept, ...props }: TextProps & { kept: boolean }) {
  return (
    <TextField
      type="password"
      label={props.label}
      value={props.value ?? ''}
      placeholder={kept ? 'kept; type to replace' : ''}
      onChange={(event) => {
        props.onChange(event.target.value);
      }}
      sx={{ width: props.width ?? 180 }}
      slotProps={{
        htmlInput: { autoComplete: 'new-password' },
        inputLabel: kept ? { shrink: true } : {},
      }}
    />
  );
}

export function Tick({
  label,
  checked,
  onChange,
}: {
  label: string;
  checked: boolean;
  onChange: (checked: boolean) => void;
}) {
  return (
    <FormControlLabel
      label={label}
      control={
        <Checkbox
          size="small"
          checked={checked}
          onChange={(event) => {
            onChange(event.target.checked);
          }}
        />
      }
    />
  );
}
