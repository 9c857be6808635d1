import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { keepPreviousData, useInfiniteQuery, useQueryClient } from '@tanstack/react-query';
import { type ComponentProps, useDeferredValue, useMemo, useState } from 'react';
import { api, type ExchangeLine, unwrap } from '@/api/client';
import { healthQuery } from '@/api/queries';
import { millis } from '@/lib/format';
import { bytesText } from '@/lib/json';
import { useFrame } from '@/ui/frame';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';
import { HealthSection } from './HealthSection';
import { LoggedExchange } from './LoggedExchange';
import { EVERYTHING, isEverything, LogFilters } from './LogFilters';
import { queryOf, useNames } from './logged';

const PAGE = 100;

const time = (at: string) =>
  new Intl.DateTimeFormat(undefined, { dateStyle: 'short', timeStyle: 'medium' }).format(
    new Date(at),
  );

interface LineProps extends Omit<ComponentProps<typeof LoggedExchange>, 'one'> {
  one: ExchangeLine;
  service: string;
  /** The page that it was made for. */
  page: string;
}

function Line({ service, page, ...props }: LineProps) {
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
          gridTemplateColumns:
            '150px 190px 70px 60px 70px 80px minmax(120px, 200px) minmax(0, 1fr)',
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
        <span title={page}>{page}</span>
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
  const [wanted, setWanted] = useState(EVERYTHING);
  const [compared, setCompared] = useState<ExchangeLine>();
  const search = useDeferredValue(wanted);
  const queries = useQueryClient();
  const names = useNames();
  const log = useInfiniteQuery({
    queryKey: ['exchanges', search],
    queryFn: ({ pageParam }) =>
      unwrap(
        api.GET('/api/exchanges', {
          params: {
            query: { ...queryOf(search), ...(pageParam && { before: pageParam }) },
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
  return (
    <Box sx={{ p: 2.5 }}>
      <Typography variant="h1" sx={{ mb: 1.5 }}>
        What went over the wire
      </Typography>
      <HealthSection nameOf={names.service} />
      <LogFilters
        wanted={wanted}
        onChange={setWanted}
        tools={
          <Button onClick={lookAgain} loading={log.isFetching}>
            Look again
          </Button>
        }
      />
      {log.error && <Problem error={log.error} onRetry={() => void log.refetch()} />}
      {!log.data && !log.error && <Waiting what="Looking through the log" />}
      {log.data && lines.length === 0 && (
        <Typography sx={{ color: 'text.secondary' }}>
          {isEverything(search) ? 'Nothing was sent yet.' : 'No exchange is like this.'}
        </Typography>
      )}
      {lines.map((one) => (
        <Line
          key={one.id}
          one={one}
          service={names.service(one.service)}
          page={names.page(one)}
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
