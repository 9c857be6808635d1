import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { METHODS, NO_REQUEST, oddHeaders, requestText, sendsBody } from '../request';

interface Props {
  busy: boolean;
  onRead: (text: string) => void;
}

/** A request that works, field by field, for a service that nothing describes. */
export function RequestForm({ busy, onRead }: Props) {
  const [draft, setDraft] = useState(NO_REQUEST);
  const odd = oddHeaders(draft);
  const set = (name: keyof typeof draft) => (event: React.ChangeEvent<HTMLInputElement>) => {
    setDraft({ ...draft, [name]: event.target.value });
  };
  return (
    <Box
      role="group"
      aria-label="A request, field by field"
      sx={{ display: 'grid', gridTemplateColumns: '130px 1fr', gap: 1.5, pt: 1.5, maxWidth: 900 }}
    >
      <TextField select label="Method" value={draft.method} onChange={set('method')}>
        {METHODS.map((method) => (
          <MenuItem key={method} value={method}>
            {method}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        label="Address of the request"
        value={draft.address}
        onChange={set('address')}
        placeholder="https://…"
      />
      <TextField
        multiline
        minRows={2}
        maxRows={6}
        label="Headers, one a line"
        value={draft.headers}
        onChange={set('headers')}
        placeholder="Accept: application/json"
        error={odd.length > 0}
        helperText={
          odd.length > 0
            ? `This is no header: ${odd[0]}. A header is a name, a colon and a value.`
            : undefined
        }
        sx={{ gridColumn: '1 / -1' }}
      />
      {sendsBody(draft.method) && (
        <TextField
          multiline
          minRows={3}
          maxRows={12}
          label="Body"
          value={draft.body}
          onChange={set('body')}
          sx={{ gridColumn: '1 / -1' }}
        />
      )}
      <Box sx={{ gridColumn: '1 / -1' }}>
        <Button
          variant="contained"
          disabled={busy || odd.length > 0 || !/^https?:\/\/./i.test(draft.address.trim())}
          onClick={() => {
            onRead(requestText(draft));
          }}
        >
          Read this request
        </Button>
      </Box>
    </Box>
  );
}
