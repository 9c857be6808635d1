import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { api, type SampleLine, unwrap } from '@/api/client';
import { bytesText } from '@/lib/json';
import { Empty } from '@/ui/Empty';
import { Fetched } from '@/ui/Fetched';
import { MONO } from '@/ui/fonts';
import { Mark } from '@/ui/Mark';
import { Waiting } from '@/ui/Waiting';
import { layOut } from '@/wire/layOut';
import { Headers, Request } from '@/wire/Request';

const Message = lazy(() => import('@/wire/Message'));

/** What a sample was read from, as it went over the wire. */
export function SampleMessages({ sample, onClose }: { sample: SampleLine; onClose: () => void }) {
  const wire = useQuery({
    queryKey: ['samples', sample.service, sample.operation, sample.name, sample.recordedAt, 'wire'],
    queryFn: () =>
      unwrap(
        api.GET('/api/services/{service}/operations/{operation}/samples/{name}/wire', {
          params: {
            path: { service: sample.service, operation: sample.operation, name: sample.name },
          },
        }),
      ),
    gcTime: 0,
  });
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="lg" aria-label={`Wire of ${sample.name}`}>
      <Box sx={{ p: 2.5, display: 'flex', flexDirection: 'column', gap: 1.5 }}>
        <Typography variant="h2">
          {sample.name} of {sample.operationName}, as it went over the wire
        </Typography>
        <Fetched query={wire} what="Fetching the messages">
          {({ sent, came }) =>
            (sent ?? came) ? (
              <Suspense fallback={<Waiting what="Opening the messages" />}>
                <Box
                  sx={{
                    display: 'grid',
                    gap: 3,
                    gridTemplateColumns: {
                      xs: 'minmax(0, 1fr)',
                      md: 'minmax(0, 1fr) minmax(0, 1fr)',
                    },
                  }}
                >
                  {sent ? (
                    <Request {...sent} pretty />
                  ) : (
                    <Empty words="What was sent is not known." />
                  )}
                  {came ? (
                    <Box component="section" aria-label="Answer" sx={{ minWidth: 0 }}>
                      <Typography variant="h3" sx={{ mb: 0.5 }}>
                        <Mark side="out" /> Answer
                      </Typography>
                      <Typography sx={{ fontFamily: MONO, fontSize: 12 }}>
                        status {came.status}, {bytesText(came.bytes)}
                      </Typography>
                      <Headers lines={came.headers} label="Answer headers" />
                      <Message text={layOut(came.body)} label="Answer body" />
                    </Box>
                  ) : (
                    <Empty words="No answer is kept of it." />
                  )}
                </Box>
              </Suspense>
            ) : (
              <Empty words="Nothing is kept of it as it went over the wire: it was made up or changed by hand, or kept before messages were." />
            )
          }
        </Fetched>
        <Box>
          <Button onClick={onClose}>Close</Button>
        </Box>
      </Box>
    </Dialog>
  );
}
