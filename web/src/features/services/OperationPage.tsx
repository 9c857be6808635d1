import Box from '@mui/material/Box';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useParams } from 'react-router';
import { operationQuery } from '@/api/queries';
import { useFrame } from '@/ui/frame';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';
import { OperationTry } from './components/OperationTry';

/** An operation with its field sheet, ready to send. */
export function OperationPage() {
  const { service = '', operation = '' } = useParams();
  const { data, error, refetch } = useQuery(operationQuery(service, operation));
  const serviceName = data?.serviceName ?? service;
  useFrame(
    useMemo(
      () => ({
        path: [
          { words: 'Services', to: '/services' },
          { words: serviceName, to: `/services/${service}` },
          { words: data?.name ?? operation },
        ],
        tools: null,
      }),
      [serviceName, service, data?.name, operation],
    ),
  );
  if (error)
    return (
      <Box sx={{ p: 2.5 }}>
        <Problem error={error} onRetry={() => void refetch()} />
      </Box>
    );
  if (!data)
    return (
      <Box sx={{ p: 2.5 }}>
        <Waiting what="Fetching the operation" />
      </Box>
    );
  return <OperationTry key={`${data.service}/${data.id}`} operation={data} />;
}
