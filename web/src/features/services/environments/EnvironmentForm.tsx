import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Environment, Service } from '@/api/client';
import { Problem } from '@/ui/Problem';

interface Props {
  endpoints: Service['endpoints'];
  /** The one that gets other addresses; none for a new one. */
  environment?: Environment;
  /** Names that are taken. */
  taken: string[];
  saving: boolean;
  error: Error | null;
  onSave: (name: string, addresses: Record<string, string>) => void;
  onClose: () => void;
}

/** The name of an environment, and where each endpoint is in it. */
export function EnvironmentForm(props: Props) {
  const { endpoints, environment } = props;
  const [name, setName] = useState(environment?.name ?? '');
  const [addresses, setAddresses] = useState(environment?.addresses ?? {});
  const taken = !environment && props.taken.includes(name.trim());
  return (
    <Box
      component="form"
      aria-label={environment ? `Addresses in ${environment.name}` : 'New environment'}
      onSubmit={(event) => {
        event.preventDefault();
        props.onSave(name.trim(), addresses);
      }}
      sx={{ display: 'grid', gap: 1.5, py: 1.5, maxWidth: 720 }}
    >
      {!environment && (
        <TextField
          autoFocus
          label="What it is called"
          placeholder="test"
          value={name}
          error={taken}
          helperText={taken ? 'There is one of this name.' : undefined}
          onChange={(event) => {
            setName(event.target.value);
          }}
          sx={{ maxWidth: 260 }}
        />
      )}
      {endpoints.map((endpoint) => (
        <TextField
          key={endpoint.id}
          autoFocus={environment !== undefined && endpoint === endpoints[0]}
          label={`Address of ${endpoint.id}`}
          placeholder={endpoint.address}
          value={addresses[endpoint.id] ?? ''}
          onChange={(event) => {
            setAddresses({ ...addresses, [endpoint.id]: event.target.value });
          }}
          slotProps={{
            htmlInput: { spellCheck: false, inputMode: 'url' },
            inputLabel: { shrink: true },
          }}
        />
      ))}
      {props.error && <Problem error={props.error} />}
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
        <Button
          type="submit"
          variant="contained"
          loading={props.saving}
          disabled={name.trim() === '' || taken}
        >
          {environment ? 'Save addresses' : 'Add it'}
        </Button>
        <Button onClick={props.onClose}>Cancel</Button>
        <Typography variant="body2" sx={{ color: 'text.secondary', flex: 1, minWidth: 260 }}>
          {environment
            ? 'On another host, access has to be given again.'
            : 'An address that is left empty is the one of the description.'}
        </Typography>
      </Box>
    </Box>
  );
}
