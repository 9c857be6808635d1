import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { api, type Service, unwrap } from '@/api/client';
import { serviceQuery, servicesQuery } from '@/api/queries';
import { FindingList } from '@/ui/FindingList';
import { Clamped } from '@/ui/Clamped';
import { Fetched } from '@/ui/Fetched';
import { useFrame } from '@/ui/frame';
import { RemoveButton } from '@/ui/RemoveButton';
import { EndpointAccess } from './access/EndpointAccess';
import { OperationTable } from './components/OperationTable';
import { Environments } from './environments/Environments';
import { ReadAgain } from './editions/ReadAgain';

function Removal({ service }: { service: Service }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  return (
    <RemoveButton
      words="Remove this service"
      label={`Remove ${service.name}`}
      question={`${service.name} goes with its samples, and how it is reached. Its description can be read again.`}
      onRemove={async () => {
        await unwrap(
          api.DELETE('/api/services/{service}', { params: { path: { service: service.id } } }),
        );
        await navigate('/services');
        await queries.invalidateQueries({ queryKey: servicesQuery.queryKey });
      }}
    />
  );
}

function Taken({ data }: { data: Service }) {
  return (
    <Box sx={{ p: 2.5, maxWidth: 1080 }}>
      <Typography variant="h1">{data.name}</Typography>
      <Clamped text={data.documentation} lines={3} />
      <Typography sx={{ color: 'text.secondary', overflowWrap: 'anywhere' }}>
        {data.format}, read from {data.source}
      </Typography>
      <FindingList findings={data.findings} label="Findings in the description" />
      <OperationTable
        edition={data.edition}
        operations={data.operations}
        endpoints={data.endpoints}
        name={(operation) => (
          <Box
            component={Link}
            to={`/services/${data.id}/operations/${encodeURIComponent(operation.id)}`}
            sx={{ color: 'primary.main', fontWeight: 600 }}
          >
            {operation.name}
          </Box>
        )}
      />
      <Typography variant="h2" sx={{ mt: 2.5, mb: 0.5 }}>
        Endpoints
      </Typography>
      {data.endpoints.map((endpoint) => (
        <EndpointAccess key={endpoint.id} service={data.id} endpoint={endpoint} />
      ))}
      <Environments service={data} />
      <ReadAgain service={data} />
      <Box sx={{ mt: 2 }}>
        <Removal service={data} />
      </Box>
    </Box>
  );
}

/** A service: where it came from, its endpoints, and the operations taken. */
export function ServicePage() {
  const { service = '' } = useParams();
  const query = useQuery(serviceQuery(service));
  const name = query.data?.name ?? service;
  useFrame(
    useMemo(
      () => ({ path: [{ words: 'Services', to: '/services' }, { words: name }], tools: null }),
      [name],
    ),
  );
  return (
    <Fetched query={query} what="Fetching the service">
      {(fetched) => <Taken data={fetched} />}
    </Fetched>
  );
}
