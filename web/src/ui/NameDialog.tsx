import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import TextField from '@mui/material/TextField';
import { useState } from 'react';

interface Props {
  label: string;
  start: string;
  onName: (name: string) => void;
  onClose: () => void;
}

/** Asks for a name. */
export function NameDialog({ label, start, onName, onClose }: Props) {
  const [name, setName] = useState(start);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-label={label}>
      <Box
        component="form"
        onSubmit={(event) => {
          event.preventDefault();
          onClose();
          if (name.trim() !== start) onName(name.trim());
        }}
        sx={{ p: 2.5, display: 'grid', gap: 1.5 }}
      >
        <TextField
          autoFocus
          label={label}
          value={name}
          onChange={(event) => {
            setName(event.target.value);
          }}
        />
        <Box sx={{ display: 'flex', gap: 1 }}>
          <Button type="submit" variant="contained" disabled={name.trim() === ''}>
            Keep it
          </Button>
          <Button onClick={onClose}>Leave it</Button>
        </Box>
      </Box>
    </Dialog>
  );
}
