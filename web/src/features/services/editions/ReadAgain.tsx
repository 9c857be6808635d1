import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';
import { api, type Service, unwrap } from '@/api/client';
import { editionsQuery } from '@/api/queries';
import { count } from '@/lib/format';
import { Problem } from '@/ui/Problem';

const day = (at: string) =>
  new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' }).format(
    new Date(at),
  );

/** The editions of a service, and the press that looks whether there is a newer one. */
export function ReadAgain({ service }: { service: Service }) {
  const navigate = useNavigate();
  const { data } = useQuery(editionsQuery(service.id));
  const reading = useMutation({
    mutationFn: () =>
      unwrap(
        api.POST('/api/services/{service}/readings', {
          params: { path: { service: service.id } },
        }),
      ),
    onSuccess: ({ edition, differs }) => {
      if (differs) void navigate(`/services/${service.id}/editions?to=${edition}`);
    },
  });
  const newest = data?.find((one) => one.newest);
  return (
    <>
      <Typography variant="h2" sx={{ mt: 2.5, mb: 0.5 }}>
        Editions
      </Typography>
      <Typography sx={{ color: 'text.secondary' }}>
        {data && newest
          ? `${count(data.length, 'edition')}; the one in use was taken ${day(newest.takenAt)}.`
          : ' '}
      </Typography>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline', mt: 0.75 }}>
        <Button
          variant="outlined"
          loading={reading.isPending}
          onClick={() => {
            reading.mutate();
          }}
        >
          Read the description again
        </Button>
        <Button component={Link} to={`/services/${service.id}/editions`}>
          Apps and their editions
        </Button>
        {reading.data && !reading.data.differs && (
          <Typography role="status">Nothing changed since it was read.</Typography>
        )}
      </Box>
      {reading.error && <Problem error={reading.error} />}
    </>
  );
}
