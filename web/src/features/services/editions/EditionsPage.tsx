import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { api, type Drift, type Service, unwrap } from '@/api/client';
import { driftQuery, serviceQuery, servicesQuery } from '@/api/queries';
import { Fetched } from '@/ui/Fetched';
import { useFrame } from '@/ui/frame';
import { Problem } from '@/ui/Problem';
import { Differences } from './Differences';
import { MoveApp } from './MoveApp';
import { SamplesTouched } from './SamplesTouched';

function TakeIt({ service, drift }: { service: string; drift: Drift }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const taking = useMutation({
    mutationFn: () =>
      unwrap(
        api.PUT('/api/services/{service}/edition', {
          params: { path: { service } },
          body: { edition: drift.to },
        }),
      ),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: servicesQuery.queryKey });
      await navigate(`/services/${service}/editions`, { replace: true });
    },
  });
  if (drift.from === drift.to) return null;
  return (
    <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1.5, my: 2 }}>
      <Button
        variant="contained"
        loading={taking.isPending}
        onClick={() => {
          taking.mutate();
        }}
      >
        Go on with this edition
      </Button>
      <Typography sx={{ color: 'text.secondary' }}>
        Apps stay with theirs until you move them.
      </Typography>
      {taking.error && <Problem error={taking.error} />}
    </Box>
  );
}

function Compared({ service, drift }: { service: Service; drift: Drift }) {
  return (
    <Box sx={{ p: 2.5, maxWidth: 1080 }}>
      <Typography variant="h1" sx={{ mb: 1 }}>
        {drift.from === drift.to
          ? `${service.name}: the newest edition is in use`
          : `${service.name}: what another edition changes`}
      </Typography>
      {drift.from !== drift.to && <Differences differences={drift.differences} />}
      <TakeIt service={service.id} drift={drift} />
      <Typography variant="h2" sx={{ mt: 3, mb: 0.5 }}>
        Apps that use it
      </Typography>
      {drift.apps.length === 0 && (
        <Typography sx={{ color: 'text.secondary' }}>None yet.</Typography>
      )}
      {drift.apps.map((app) => (
        <MoveApp key={app.id} service={service.id} edition={drift.to} app={app} />
      ))}
      <SamplesTouched samples={drift.samples} />
    </Box>
  );
}

/** What another edition of a service changes, and what that does to each app. */
export function EditionsPage() {
  const { service = '' } = useParams();
  const [search] = useSearchParams();
  const known = useQuery(serviceQuery(service));
  const drift = useQuery(driftQuery(service, search.get('to')));
  const name = known.data?.name ?? service;
  useFrame(
    useMemo(
      () => ({
        path: [
          { words: 'Services', to: '/services' },
          { words: name, to: `/services/${service}` },
          { words: 'editions' },
        ],
        tools: null,
      }),
      [name, service],
    ),
  );
  return (
    <Fetched query={known} what="Fetching the service">
      {(fetched) => (
        <Fetched query={drift} what="Comparing the editions">
          {(compared) => <Compared service={fetched} drift={compared} />}
        </Fetched>
      )}
    </Fetched>
  );
}
