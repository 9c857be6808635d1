import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import {
  api,
  type Environment,
  type Environments as All,
  type Service,
  unwrap,
} from '@/api/client';
import { environmentsQuery } from '@/api/queries';
import { Problem } from '@/ui/Problem';
import { EndpointAccess } from '../access/EndpointAccess';
import { EnvironmentForm } from './EnvironmentForm';

/** What is done to the environments of a service; each comes back with all of them. */
function useEnvironments(service: string, onDone: () => void) {
  const queries = useQueryClient();
  const onSuccess = (all: All) => {
    queries.setQueryData(environmentsQuery(service).queryKey, all);
    void queries.invalidateQueries({ queryKey: ['services', service, 'access'] });
    void queries.invalidateQueries({ queryKey: ['apps'] });
    onDone();
  };
  const saving = useMutation({
    mutationFn: ({ name, addresses }: Pick<Environment, 'name' | 'addresses'>) =>
      unwrap(
        api.PUT('/api/services/{service}/environments/{environment}', {
          params: { path: { service, environment: name } },
          body: { addresses },
        }),
      ),
    onSuccess,
  });
  const removing = useMutation({
    mutationFn: (environment: string) =>
      unwrap(
        api.DELETE('/api/services/{service}/environments/{environment}', {
          params: { path: { service, environment } },
        }),
      ),
    onSuccess,
  });
  const building = useMutation({
    mutationFn: (name: string) =>
      unwrap(
        api.PUT('/api/services/{service}/building-environment', {
          params: { path: { service } },
          body: { name },
        }),
      ),
    onSuccess,
  });
  return { saving, removing, building };
}

function One(props: {
  service: Service;
  environment: Environment;
  onChange: () => void;
  onRemove: () => void;
  removing: boolean;
}) {
  const { service, environment } = props;
  return (
    <Box component="li" aria-label={environment.name} sx={{ mt: 1.5 }}>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline', flexWrap: 'wrap' }}>
        <Typography variant="h3">{environment.name}</Typography>
        <Typography sx={{ color: 'text.secondary', flex: 1 }}>
          {environment.usedBy.length > 0 && `called by ${environment.usedBy.join(', ')}`}
        </Typography>
        <Button onClick={props.onChange}>Change addresses</Button>
        {environment.usedBy.length === 0 && (
          <Button color="error" loading={props.removing} onClick={props.onRemove}>
            Remove {environment.name}
          </Button>
        )}
      </Box>
      {service.endpoints.map((endpoint) => (
        <EndpointAccess
          key={endpoint.id}
          service={service.id}
          endpoint={{
            ...endpoint,
            address: environment.addresses[endpoint.id] ?? endpoint.address,
          }}
          environment={environment.name}
        />
      ))}
    </Box>
  );
}

/** Where else a service is than its description says, and which of them builders call. */
export function Environments({ service }: { service: Service }) {
  const { data, error, refetch } = useQuery(environmentsQuery(service.id));
  /** The one whose addresses are changed; empty for a new one. */
  const [changed, setChanged] = useState<string>();
  const { saving, removing, building } = useEnvironments(service.id, () => {
    setChanged(undefined);
  });
  if (error) return <Problem error={error} onRetry={() => void refetch()} />;
  if (!data) return null;
  const close = () => {
    setChanged(undefined);
    saving.reset();
  };
  const names = data.environments.map(({ name }) => name);
  const form = (environment?: Environment) => (
    <EnvironmentForm
      key={environment?.name}
      endpoints={service.endpoints}
      environment={environment}
      taken={names}
      saving={saving.isPending}
      error={saving.error}
      onSave={(name, addresses) => {
        saving.mutate({ name, addresses });
      }}
      onClose={close}
    />
  );
  return (
    <Box component="section" aria-label="Environments" sx={{ mt: 2.5 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        Environments
      </Typography>
      <Typography sx={{ color: 'text.secondary' }}>
        Where else this service is, such as a system to test with. Each release of an app says which
        one it calls.
      </Typography>
      {names.length > 0 && (
        <TextField
          select
          label="While building, call it"
          value={building.isPending ? building.variables : data.building}
          onChange={(event) => {
            building.mutate(event.target.value);
          }}
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          sx={{ mt: 1.5, minWidth: 240 }}
        >
          <MenuItem value="">where its description says</MenuItem>
          {names.map((name) => (
            <MenuItem key={name} value={name}>
              in {name}
            </MenuItem>
          ))}
        </TextField>
      )}
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {data.environments.map((environment) =>
          changed === environment.name ? (
            <Box component="li" key={environment.name} sx={{ mt: 1.5 }}>
              <Typography variant="h3">{environment.name}</Typography>
              {form(environment)}
            </Box>
          ) : (
            <One
              key={environment.name}
              service={service}
              environment={environment}
              onChange={() => {
                setChanged(environment.name);
              }}
              onRemove={() => {
                removing.mutate(environment.name);
              }}
              removing={removing.isPending && removing.variables === environment.name}
            />
          ),
        )}
      </Box>
      {(removing.error ?? building.error) && (
        <Problem error={(removing.error ?? building.error) as Error} />
      )}
      {changed === '' ? (
        form()
      ) : (
        <Button
          variant="outlined"
          sx={{ mt: 1 }}
          onClick={() => {
            setChanged('');
          }}
        >
          Add an environment
        </Button>
      )}
    </Box>
  );
}
