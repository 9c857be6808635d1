import Box from '@mui/material/Box';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import Typography from '@mui/material/Typography';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, type SampledService, type SampleLine, unwrap } from '@/api/client';
import { samplesQuery } from '@/api/queries';
import { Problem } from '@/ui/Problem';
import { SampleRow } from './SampleRow';

interface Props {
  service: SampledService;
  samples: SampleLine[];
}

/** The samples of one service, and whether it is answered for from them. */
export function ServiceSamples({ service, samples }: Props) {
  const queries = useQueryClient();
  const replaying = useMutation({
    mutationFn: (on: boolean) =>
      unwrap(
        api.PUT('/api/services/{service}/replay', {
          params: { path: { service: service.id } },
          body: { on },
        }),
      ),
    onSuccess: (all) => {
      queries.setQueryData(samplesQuery.queryKey, all);
    },
  });
  return (
    <Box component="section" aria-label={service.name} sx={{ mb: 3 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 2 }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          <Box component={Link} to={`/services/${service.id}`} sx={{ color: 'inherit' }}>
            {service.name}
          </Box>
        </Typography>
        <FormControlLabel
          label={service.replayed ? 'answered from here; nothing is sent' : 'answer from here'}
          labelPlacement="start"
          control={
            <Switch
              size="small"
              checked={service.replayed}
              disabled={replaying.isPending}
              slotProps={{ input: { 'aria-label': `Answer for ${service.name} from here` } }}
              onChange={(_, on) => {
                replaying.mutate(on);
              }}
            />
          }
        />
      </Box>
      {replaying.error && <Problem error={replaying.error} />}
      {samples.length === 0 && (
        <Typography sx={{ color: 'text.secondary' }}>No sample has a name yet.</Typography>
      )}
      {samples.map((sample) => (
        <SampleRow key={`${sample.operation} ${sample.name}`} sample={sample} />
      ))}
    </Box>
  );
}
