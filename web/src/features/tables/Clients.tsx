import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type Offered, unwrap } from '@/api/client';
import { dayText } from '@/lib/format';
import { Problem } from '@/ui/Problem';
import { offeredQuery } from './queries';

/** Those who have a key; a new one is shown once. */
export function Clients({ offered }: { offered: Offered }) {
  const queries = useQueryClient();
  const [name, setName] = useState('');
  const path = { offer: offered.id };
  const changed = () => queries.invalidateQueries({ queryKey: offeredQuery(offered.id).queryKey });
  const adding = useMutation({
    mutationFn: () =>
      unwrap(api.POST('/api/tables/{offer}/clients', { params: { path }, body: { name } })),
    onSuccess: () => {
      setName('');
      return changed();
    },
  });
  const removing = useMutation({
    mutationFn: (client: string) =>
      unwrap(
        api.DELETE('/api/tables/{offer}/clients/{client}', {
          params: { path: { ...path, client } },
        }),
      ),
    onSuccess: changed,
  });
  return (
    <Box>
      {!offered.keyed && (
        <Typography sx={{ color: 'text.secondary' }}>
          Everybody who reaches this machine; the log can tell them apart only by their keys.
        </Typography>
      )}
      <Box component="ul" aria-label="Who has a key" sx={{ listStyle: 'none', p: 0, my: 1 }}>
        {offered.clients.map((client) => (
          <Box
            component="li"
            key={client.id}
            sx={{ display: 'flex', gap: 2, alignItems: 'center', py: 0.25 }}
          >
            <Box sx={{ minWidth: 180 }}>{client.name}</Box>
            <Box sx={{ color: 'text.secondary' }}>since {dayText(client.madeAt)}</Box>
            <Button
              color="error"
              aria-label={`Take the key of ${client.name} back`}
              onClick={() => {
                removing.mutate(client.id);
              }}
            >
              Take the key back
            </Button>
          </Box>
        ))}
      </Box>
      {adding.data && (
        <Alert severity="info" variant="outlined" sx={{ mb: 1 }}>
          The key of {adding.data.client.name}, shown only now: <code>{adding.data.key}</code>
        </Alert>
      )}
      <Box
        component="form"
        onSubmit={(event) => {
          event.preventDefault();
          adding.mutate();
        }}
        sx={{ display: 'flex', gap: 1, alignItems: 'center' }}
      >
        <TextField
          label="Who"
          value={name}
          onChange={(event) => {
            setName(event.target.value);
          }}
          sx={{ width: 220 }}
        />
        <Button type="submit" loading={adding.isPending} disabled={name.trim() === ''}>
          Give a key
        </Button>
      </Box>
      {(adding.error ?? removing.error) && (
        <Problem error={(adding.error ?? removing.error) as Error} />
      )}
    </Box>
  );
}
