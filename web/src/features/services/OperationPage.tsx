import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useLocation, useParams } from 'react-router';
import { operationQuery } from '@/api/queries';
import { Fetched } from '@/ui/Fetched';
import { useFrame } from '@/ui/frame';
import { handedOn } from './components/LeadsTo';
import { OperationTry } from './components/OperationTry';

/** An operation with its field sheet, ready to send. */
export function OperationPage() {
  const { service = '', operation = '' } = useParams();
  const { key, state } = useLocation();
  const query = useQuery(operationQuery(service, operation));
  const { data } = query;
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
  return (
    <Fetched query={query} what="Fetching the operation">
      {(fetched) => (
        <OperationTry
          key={`${fetched.service}/${fetched.id}/${key}`}
          operation={fetched}
          handed={handedOn(state)}
        />
      )}
    </Fetched>
  );
}
