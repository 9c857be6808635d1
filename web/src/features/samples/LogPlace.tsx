import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import {
  keepPreviousData,
  useInfiniteQuery,
  useQuery,
  useQueryClient,
} from '@tanstack/react-query';
import { type ComponentProps, useDeferredValue, useMemo, useState } from 'react';
import { api, type ExchangeLine, unwrap } from '@/api/client';
import { healthQuery, servicesQuery } from '@/api/queries';
import { millis } from '@/lib/format';
import { bytesText } from '@/lib/json';
import { useFrame } from '@/ui/frame';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';
import { HealthSection } from './HealthSection';
import { LoggedExchange } from './LoggedExchange';

const PAGE = 100;

const time = (at: string) =>
  new Intl.DateTimeFormat(undefined, { dateStyle: 'short', timeStyle: 'medium' }).format(
    new Date(at),
  );

interface LineProps extends Omit<ComponentProps<typeof LoggedExchange>, 'one'> {
  one: ExchangeLine;
  service: string;
}

function Line({ service, ...props }: LineProps) {
  const { one } = props;
  const [open, setOpen] = useState(false);
  const wrong = one.status === undefined || one.status >= 400;
  return (
    <Box sx={{ borderTop: '1px solid', borderColor: 'line' }}>
      <Box
        component="button"
        type="button"
        aria-expanded={open}
        onClick={() => {
          setOpen(!open);
        }}
        sx={{
          all: 'unset',
          cursor: 'pointer',
          display: 'grid',
          gridTemplateColumns: '150px 190px 70px 60px 70px 80px minmax(0, 1fr)',
          gap: 1,
          py: 0.5,
          width: '100%',
          '&:hover': { bgcolor: 'shallow' },
          '&:focus-visible': { outline: '2px solid', outlineColor: 'primary.main' },
          '& > span': { overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' },
        }}
      >
        <span>{time(one.startedAt)}</span>
        <span title={`${service} ${one.operation}`}>
          {service} / {one.operation}
        </span>
        <span>{one.method}</span>
        <Box component="span" sx={{ color: wrong ? 'error.main' : 'text.primary' }}>
          {one.status ?? 'none'}
        </Box>
        <span>{millis(one.tookMillis)}</span>
        <span>{bytesText(one.responseBytes)}</span>
        <Box component="span" title={one.address} sx={{ color: 'text.secondary' }}>
          {one.address}
        </Box>
      </Box>
      {open && <LoggedExchange {...props} />}
    </Box>
  );
}

/** Everything that went over the wire, the newest first, to be searched and opened. */
export function LogPlace() {
  useFrame(
    useMemo(
      () => ({
        path: [{ words: 'Samples', to: '/samples' }, { words: 'what went over the wire' }],
        tools: null,
      }),
      [],
    ),
  );
  const [service, setService] = useState('');
  const [failed, setFailed] = useState(false);
  const [text, setText] = useState('');
  const [compared, setCompared] = useState<ExchangeLine>();
  const find = useDeferredValue(text);
  const queries = useQueryClient();
  const services = useQuery(servicesQuery);
  const log = useInfiniteQuery({
    queryKey: ['exchanges', service, failed, find],
    queryFn: ({ pageParam }) =>
      unwrap(
        api.GET('/api/exchanges', {
          params: {
            query: { service, failed, find, ...(pageParam ? { before: pageParam } : {}) },
          },
        }),
      ),
    initialPageParam: '',
    getNextPageParam: (last) => (last.length < PAGE ? undefined : last.at(-1)?.startedAt),
    placeholderData: keepPreviousData,
  });
  const lookAgain = () => {
    void log.refetch();
    void queries.invalidateQueries({ queryKey: healthQuery.queryKey });
  };
  const lines = log.data?.pages.flat() ?? [];
  const nameOf = (id: string) => services.data?.find((one) => one.id === id)?.name ?? id;
  return (
    <Box sx={{ p: 2.5 }}>
      <Typography variant="h1" sx={{ mb: 1.5 }}>
        What went over the wire
      </Typography>
      <HealthSection nameOf={nameOf} />
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap', mb: 1.5 }}>
        <TextField
          type="search"
          placeholder="a text in the address or a message"
          value={text}
          onChange={(event) => {
            setText(event.target.value);
          }}
          slotProps={{ htmlInput: { 'aria-label': 'Find in exchanges' } }}
          sx={{ width: 300 }}
        />
        <TextField
          select
          label="Service"
          value={service}
          onChange={(event) => {
            setService(event.target.value);
          }}
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          sx={{ width: 200 }}
        >
          <MenuItem value="">all</MenuItem>
          {services.data?.map((one) => (
            <MenuItem key={one.id} value={one.id}>
              {one.name}
            </MenuItem>
          ))}
        </TextField>
        <FormControlLabel
          label="only what went wrong"
          control={
            <Switch
              size="small"
              checked={failed}
              onChange={(_, on) => {
                setFailed(on);
              }}
            />
          }
        />
        <Box sx={{ flex: 1 }} />
        <Button onClick={lookAgain} loading={log.isFetching}>
          Look again
        </Button>
      </Box>
      {log.error && <Problem error={log.error} onRetry={() => void log.refetch()} />}
      {!log.data && !log.error && <Waiting what="Looking through the log" />}
      {log.data && lines.length === 0 && (
        <Typography sx={{ color: 'text.secondary' }}>
          {find || service || failed ? 'No exchange is like this.' : 'Nothing was sent yet.'}
        </Typography>
      )}
      {lines.map((one) => (
        <Line
          key={one.id}
          one={one}
          service={nameOf(one.service)}
          compared={compared}
          onCompare={setCompared}
          onSent={lookAgain}
        />
      ))}
      {log.hasNextPage && (
        <Button
          sx={{ mt: 1 }}
          loading={log.isFetchingNextPage}
          onClick={() => void log.fetchNextPage()}
        >
          Older ones
        </Button>
      )}
      <Typography sx={{ color: 'text.secondary', mt: 2 }}>
        The oldest ones are removed by and by; what a sample shows stays.
      </Typography>
    </Box>
  );
}
