import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { api, type Offered, type OfferedSettings, unwrap } from '@/api/client';
import { servicesQuery } from '@/api/queries';
import { count } from '@/lib/format';
import { Fetched } from '@/ui/Fetched';
import { useFrame } from '@/ui/frame';
import { Problem } from '@/ui/Problem';
import { RemoveButton } from '@/ui/RemoveButton';
import { Addresses } from './Addresses';
import { Clients } from './Clients';
import { offeredQuery, offersOfTables } from './queries';
import { Replacing } from './Replacing';
import { Requests } from './Requests';

function Use({ offered }: { offered: Offered }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const taking = useMutation({
    mutationFn: () =>
      unwrap(api.POST('/api/tables/{offer}/service', { params: { path: { offer: offered.id } } })),
    onSuccess: async (service) => {
      await queries.invalidateQueries({ queryKey: servicesQuery.queryKey });
      await queries.invalidateQueries({ queryKey: offeredQuery(offered.id).queryKey });
      const list = service.operations.find(({ id }) => id.endsWith('.list'));
      await navigate(`/services/${service.id}/operations/${encodeURIComponent(list?.id ?? '')}`);
    },
  });
  return (
    <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap', my: 1.5 }}>
      {offered.service ? (
        <Button component={Link} to={`/services/${offered.service}`} variant="contained">
          Its operations
        </Button>
      ) : (
        <Button
          variant="contained"
          loading={taking.isPending}
          onClick={() => {
            taking.mutate();
          }}
        >
          Try it and use it in pages
        </Button>
      )}
      <Typography sx={{ color: 'text.secondary' }}>
        {offered.usedBy.length > 0
          ? `Used by ${offered.usedBy.join(', ')}.`
          : offered.service
            ? 'No page uses it yet.'
            : 'Here it is a service like any other.'}
      </Typography>
      {taking.error && <Problem error={taking.error} />}
    </Box>
  );
}

function Settings({ offered }: { offered: Offered }) {
  const queries = useQueryClient();
  const [limit, setLimit] = useState(String(offered.perMinute));
  const setting = useMutation({
    mutationFn: (settings: OfferedSettings) =>
      unwrap(
        api.PUT('/api/tables/{offer}/settings', {
          params: { path: { offer: offered.id } },
          body: settings,
        }),
      ),
    onSuccess: (changed) => {
      queries.setQueryData(offeredQuery(offered.id).queryKey, changed);
      void queries.invalidateQueries({ queryKey: offersOfTables.queryKey, exact: true });
    },
  });
  const { keyed, paused, perMinute } = setting.isPending ? setting.variables : offered;
  const set = (change: Partial<OfferedSettings>) => {
    setting.mutate({ keyed, paused, perMinute, ...change });
  };
  return (
    <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap', mt: 1 }}>
      <FormControlLabel
        label="only to those with a key"
        control={
          <Switch
            size="small"
            checked={keyed}
            onChange={(_, on) => {
              set({ keyed: on });
            }}
          />
        }
      />
      <FormControlLabel
        label="paused"
        control={
          <Switch
            size="small"
            checked={paused}
            onChange={(_, on) => {
              set({ paused: on });
            }}
          />
        }
      />
      <Box
        component="form"
        onSubmit={(event) => {
          event.preventDefault();
          if (/^\d{1,8}$/.test(limit)) set({ perMinute: Number(limit) });
        }}
      >
        <TextField
          label="Requests a minute, for each"
          value={limit}
          error={!/^\d{1,8}$/.test(limit)}
          onChange={(event) => {
            setLimit(event.target.value);
          }}
          onBlur={(event) => event.currentTarget.closest('form')?.requestSubmit()}
          sx={{ width: 190 }}
        />
      </Box>
      {setting.error && <Problem error={setting.error} />}
    </Box>
  );
}

function Removal({ offered }: { offered: Offered }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  return (
    <Box sx={{ mt: 3 }}>
      <RemoveButton
        words="Offer it no longer"
        label={`Offer ${offered.offer.name} no longer`}
        question={`${offered.offer.name} is offered no longer, and its rows are deleted. Whoever asks for them is told that they are gone.`}
        onRemove={async () => {
          await unwrap(
            api.DELETE('/api/tables/{offer}', { params: { path: { offer: offered.id } } }),
          );
          await navigate('/services');
          await queries.invalidateQueries({ queryKey: offersOfTables.queryKey });
        }}
      />
    </Box>
  );
}

function Shown({ offered }: { offered: Offered }) {
  return (
    <Box sx={{ p: 2.5, maxWidth: 1080 }}>
      <Typography variant="h1">{offered.offer.name}</Typography>
      <Typography sx={{ color: 'text.secondary' }}>
        Offered from here:{' '}
        {offered.rows.map(({ table, rows }) => `${table}, ${count(rows, 'row')}`).join('; ')}
        {offered.paused && '. Paused: whoever asks is told to ask later.'}
      </Typography>
      <Use offered={offered} />
      <Typography variant="h2" sx={{ mt: 2.5, mb: 0.5 }}>
        Where it is described
      </Typography>
      <Addresses addresses={offered.addresses} />
      <Typography variant="h2" sx={{ mt: 2.5 }}>
        Who may ask
      </Typography>
      <Settings key={offered.perMinute} offered={offered} />
      <Clients offered={offered} />
      <Replacing offered={offered} />
      <Requests offer={offered.id} />
      <Removal offered={offered} />
    </Box>
  );
}

/** Tables that are offered: where, to whom, and who asked. */
export function OfferedPage() {
  const { offer = '' } = useParams();
  const query = useQuery(offeredQuery(offer));
  const name = query.data?.offer.name ?? offer;
  useFrame(
    useMemo(
      () => ({ path: [{ words: 'Services', to: '/services' }, { words: name }], tools: null }),
      [name],
    ),
  );
  return (
    <Fetched query={query} what="Fetching what is offered">
      {(fetched) => <Shown key={fetched.id} offered={fetched} />}
    </Fetched>
  );
}
