import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { millis } from '@/lib/format';
import { Problem } from '@/ui/Problem';
import { requestsQuery } from './queries';

const time = (at: string) =>
  new Intl.DateTimeFormat(undefined, { dateStyle: 'short', timeStyle: 'medium' }).format(
    new Date(at),
  );

/** Who asked for what, the last first. */
export function Requests({ offer }: { offer: string }) {
  const { data, error, refetch, isFetching } = useQuery(requestsQuery(offer));
  return (
    <Box component="section" aria-label="Who asked for what">
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2, mt: 2.5, mb: 0.5 }}>
        <Typography variant="h2">Who asked for what</Typography>
        <Button loading={isFetching} onClick={() => void refetch()}>
          Look again
        </Button>
      </Box>
      {error && <Problem error={error} onRetry={() => void refetch()} />}
      {data?.length === 0 && (
        <Typography sx={{ color: 'text.secondary' }}>Nobody asked yet.</Typography>
      )}
      <Box sx={{ maxHeight: 320, overflow: 'auto' }}>
        {data?.map((one, index) => (
          <Box
            key={index}
            sx={{
              display: 'grid',
              gridTemplateColumns: '160px 160px minmax(0, 1fr) 50px 70px',
              gap: 1,
              py: 0.25,
              borderTop: '1px solid',
              borderColor: 'line',
            }}
          >
            <span>{time(one.at)}</span>
            <span>{one.client ?? 'somebody'}</span>
            <Box component="span" sx={{ overflowWrap: 'anywhere' }}>
              {one.operation}
            </Box>
            <Box component="span" sx={{ color: one.status >= 400 ? 'error.main' : 'inherit' }}>
              {one.status}
            </Box>
            <span>{millis(one.tookMillis)}</span>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
