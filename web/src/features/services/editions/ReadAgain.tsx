import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef } from 'react';
import { Link, useNavigate } from 'react-router';
import { api, type Service, unwrap } from '@/api/client';
import { editionsQuery, watchesQuery } from '@/api/queries';
import { count, momentText } from '@/lib/format';
import { Problem } from '@/ui/Problem';
import { readIntake } from '../intake';

const TIMES = {
  '0': 'only by hand',
  '60': 'every hour',
  '1440': 'every day',
  '10080': 'every week',
} as const;

/** How often the description is read without anybody pressing, and what was found. */
function Watched({ service }: { service: Service }) {
  const queries = useQueryClient();
  const { data } = useQuery(watchesQuery);
  const watch = data?.find((one) => one.service === service.id);
  const setting = useMutation({
    mutationFn: (everyMinutes: number) =>
      unwrap(
        api.PUT('/api/services/{service}/watch', {
          params: { path: { service: service.id } },
          body: { everyMinutes },
        }),
      ),
    onSuccess: (watches) => {
      queries.setQueryData(watchesQuery.queryKey, watches);
    },
  });
  const minutes = setting.isPending ? setting.variables : (watch?.everyMinutes ?? 0);
  return (
    <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', mt: 1.5, flexWrap: 'wrap' }}>
      <TextField
        select
        label="Read it again"
        value={String(minutes)}
        onChange={(event) => {
          setting.mutate(Number(event.target.value));
        }}
        sx={{ width: 150 }}
      >
        {Object.entries(TIMES).map(([value, words]) => (
          <MenuItem key={value} value={value}>
            {words}
          </MenuItem>
        ))}
      </TextField>
      <Typography role="status" sx={{ color: watch?.problem ? 'error.main' : 'text.secondary' }}>
        {watch?.readAt && `Last on ${momentText(watch.readAt)}: `}
        {watch?.readAt && (watch.problem ?? (watch.edition ? 'it changed.' : 'nothing changed.'))}
      </Typography>
      {watch?.edition && (
        <Button component={Link} to={`/services/${service.id}/editions?to=${watch.edition}`}>
          What changed
        </Button>
      )}
      {setting.error && <Problem error={setting.error} />}
    </Box>
  );
}

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
  const files = useRef<HTMLInputElement>(null);
  const giving = useMutation({
    mutationFn: (given: File[]) =>
      readIntake({ source: '', files: given }, new AbortController().signal, () => undefined),
    onSuccess: ({ description }) => {
      if (description && description.edition !== service.edition) {
        void navigate(`/services/${service.id}/editions?to=${description.edition}`);
      }
    },
  });
  const hasAddress = service.source.startsWith('http');
  const same =
    reading.data?.differs === false || giving.data?.description?.edition === service.edition;
  const newest = data?.find((one) => one.newest);
  return (
    <>
      <Typography variant="h2" sx={{ mt: 2.5, mb: 0.5 }}>
        Editions
      </Typography>
      <Typography sx={{ color: 'text.secondary' }}>
        {data && newest
          ? `${count(data.length, 'edition')}; the one in use was taken ${momentText(newest.takenAt)}.`
          : ' '}
      </Typography>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline', mt: 0.75 }}>
        {hasAddress && (
          <Button
            variant="outlined"
            loading={reading.isPending}
            onClick={() => {
              reading.mutate();
            }}
          >
            Read the description again
          </Button>
        )}
        <Button
          variant={hasAddress ? 'text' : 'outlined'}
          loading={giving.isPending}
          onClick={() => files.current?.click()}
        >
          Read a newer file…
        </Button>
        <input
          ref={files}
          type="file"
          multiple
          hidden
          aria-label="Newer description"
          onChange={(event) => {
            const given = [...(event.target.files ?? [])];
            event.target.value = '';
            if (given.length > 0) giving.mutate(given);
          }}
        />
        <Button component={Link} to={`/services/${service.id}/editions`}>
          Apps and their editions
        </Button>
        {same && <Typography role="status">Nothing changed since it was read.</Typography>}
      </Box>
      {reading.error && <Problem error={reading.error} />}
      {giving.error && <Problem error={giving.error} />}
      {giving.data?.catalogue && (
        <Typography role="status">
          Several descriptions are in it; give the files of one of them.
        </Typography>
      )}
      {hasAddress && <Watched service={service} />}
    </>
  );
}
