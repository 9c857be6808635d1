import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, type ExchangeLine, unwrap } from '@/api/client';
import { samplesQuery } from '@/api/queries';
import { DeviationSheet } from '@/sheet/DeviationSheet';
import { FindingList } from '@/ui/FindingList';
import { NameDialog } from '@/ui/NameDialog';
import { Problem } from '@/ui/Problem';
import { Wire } from '@/wire/Wire';

interface Props {
  one: ExchangeLine;
  /** The exchange that others are compared with. */
  compared: ExchangeLine | undefined;
  onCompare: (one: ExchangeLine | undefined) => void;
  /** Something was sent again. */
  onSent: () => void;
}

/** An exchange as it went over the wire, and what can be done with it. */
export function LoggedExchange({ one, compared, onCompare, onSent }: Props) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [naming, setNaming] = useState(false);
  const params = { path: { exchange: one.id } };
  const sending = useMutation({
    mutationFn: () => unwrap(api.POST('/api/exchanges/{exchange}/repeats', { params })),
    onSuccess: onSent,
  });
  const showing = useMutation({
    mutationFn: () => unwrap(api.POST('/api/exchanges/{exchange}/uses', { params })),
    onSuccess: ({ service, operation }) =>
      navigate(`/services/${service}/operations/${encodeURIComponent(operation)}`),
  });
  const keeping = useMutation({
    mutationFn: (name: string) =>
      unwrap(api.POST('/api/exchanges/{exchange}/samples', { params, body: { name } })),
    onSuccess: (all) => {
      queries.setQueryData(samplesQuery.queryKey, all);
    },
  });
  const comparing = useMutation({
    mutationFn: (known: ExchangeLine) =>
      unwrap(
        api.GET('/api/exchanges/{exchange}/comparison', {
          params: { path: { exchange: known.id }, query: { with: one.id } },
        }),
      ),
  });
  const alike =
    compared?.service === one.service &&
    compared.operation === one.operation &&
    compared.id !== one.id;
  return (
    <Box sx={{ py: 1, pl: 2 }}>
      <Box sx={{ display: 'flex', gap: 0.5, flexWrap: 'wrap', alignItems: 'center', mb: 0.5 }}>
        <Button
          loading={sending.isPending}
          onClick={() => {
            sending.mutate();
          }}
        >
          Send again
        </Button>
        <Button
          loading={showing.isPending}
          onClick={() => {
            showing.mutate();
          }}
        >
          Open in the field sheet
        </Button>
        <Button
          onClick={() => {
            setNaming(true);
          }}
        >
          Keep as sample
        </Button>
        {compared?.id === one.id ? (
          <Button
            onClick={() => {
              onCompare(undefined);
            }}
          >
            Compare no more
          </Button>
        ) : (
          <Button
            onClick={() => {
              onCompare(one);
            }}
          >
            Compare others with this
          </Button>
        )}
        {compared && alike && (
          <Button
            variant="outlined"
            loading={comparing.isPending}
            onClick={() => {
              comparing.mutate(compared);
            }}
          >
            Compare with the chosen one
          </Button>
        )}
      </Box>
      {[sending, showing, keeping, comparing].map(
        ({ error }, index) => error && <Problem key={index} error={error} />,
      )}
      {sending.data && <FindingList findings={sending.data.findings} label="What was wrong" />}
      {naming && (
        <NameDialog
          label="Name of the sample"
          start=""
          onName={(name) => {
            keeping.mutate(name);
          }}
          onClose={() => {
            setNaming(false);
          }}
        />
      )}
      {keeping.isSuccess && <Box role="status">It is among the samples now.</Box>}
      {comparing.data &&
        (comparing.data.deviations.length === 0 ? (
          <Box role="status">Both answers are the same, field by field.</Box>
        ) : (
          <DeviationSheet deviations={comparing.data.deviations} />
        ))}
      <Wire exchange={one.id} />
    </Box>
  );
}
