import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { api, type Samples, unwrap } from '@/api/client';
import { samplesQuery } from '@/api/queries';
import { Empty } from '@/ui/Empty';
import { useFrame } from '@/ui/frame';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';
import { count } from '@/lib/format';
import { ServiceSamples } from './ServiceSamples';

function told(all: Samples) {
  const checks = all.samples.filter(({ check }) => check);
  const differ = checks.filter(({ verdict }) => verdict && !verdict.holds).length;
  const fresh = checks.filter(({ verdict }) => !verdict).length;
  if (checks.length === 0) return 'No sample is pinned as a check yet.';
  const rest = [
    differ > 0 && `${differ} ${differ === 1 ? 'differs' : 'differ'}`,
    fresh > 0 && `${fresh} not run yet`,
  ].filter(Boolean);
  const words = rest.length > 0 ? rest.join(', ') : checks.length === 1 ? 'it holds' : 'all hold';
  return `${count(checks.length, 'check')}: ${words}.`;
}

/** All samples of all operations: what is known, and whether it still holds. */
export function SamplesPlace() {
  useFrame(useMemo(() => ({ path: [{ words: 'Samples' }], tools: null }), []));
  const queries = useQueryClient();
  const { data, error, refetch } = useQuery(samplesQuery);
  const running = useMutation({
    mutationFn: () => unwrap(api.POST('/api/samples/verdicts')),
    onSuccess: (all) => {
      queries.setQueryData(samplesQuery.queryKey, all);
    },
  });
  const checks = data?.samples.some(({ check }) => check) ?? false;
  return (
    <Box sx={{ p: 2.5, maxWidth: 1080 }}>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2, mb: 0.5 }}>
        <Typography variant="h1" sx={{ flex: 1 }}>
          Samples
        </Typography>
        <Button component={Link} to="/samples/log">
          What went over the wire
        </Button>
        <Button
          variant="contained"
          disabled={!checks}
          loading={running.isPending}
          onClick={() => {
            running.mutate();
          }}
        >
          Run all checks
        </Button>
      </Box>
      {data && (
        <Typography role="status" sx={{ color: 'text.secondary', mb: 2 }}>
          {told(data)}{' '}
          {data.services.some(({ id }) => !data.samples.some(({ service }) => service === id)) &&
            'To keep an answer, open an operation of a service, send it, and choose “Keep this answer” under Samples.'}
        </Typography>
      )}
      {error && <Problem error={error} onRetry={() => void refetch()} />}
      {running.error && <Problem error={running.error} />}
      {!data && !error && <Waiting what="Fetching the samples" />}
      {data?.services.length === 0 && (
        <Empty words="A sample is what an operation answered once, or something made up. Take a service, send an operation, and keep its answer.">
          <Button component={Link} to="/services" variant="contained">
            Go to the services
          </Button>
        </Empty>
      )}
      {data?.services.map((service) => (
        <ServiceSamples
          key={service.id}
          service={service}
          samples={data.samples.filter((one) => one.service === service.id)}
        />
      ))}
    </Box>
  );
}
