import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { api, type Folio, unwrap } from '@/api/client';
import { startQuery } from '@/api/queries';
import { FolioEditor } from '@/folio/FolioEditor';
import { useFrame } from '@/ui/frame';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';

/** The start page of all apps, arranged where it stands. */
export function StartOfAllPlace() {
  useFrame(
    useMemo(
      () => ({
        path: [{ words: 'Releases', to: '/releases' }, { words: 'the start page of all apps' }],
        tools: null,
      }),
      [],
    ),
  );
  const queries = useQueryClient();
  const { data, error, refetch } = useQuery(startQuery);
  const version = () => queries.getQueryData(startQuery.queryKey)?.version ?? 0;
  const saving = useMutation({
    scope: { id: 'start page' },
    mutationFn: (folio: Folio | undefined) =>
      folio
        ? unwrap(api.PUT('/api/start', { body: { version: version(), folio } }))
        : unwrap(api.POST('/api/start/undo', { body: { version: version() } })),
    onSuccess: (view) => {
      queries.setQueryData(startQuery.queryKey, view);
    },
    onError: () => void refetch(),
  });
  return (
    <Box sx={{ p: 2.5, maxWidth: 900 }}>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2, mb: 2 }}>
        <Typography sx={{ color: 'text.secondary', flex: 1 }}>
          Visitors of this workspace begin here. Only pages of released apps can be entered.
        </Typography>
        <Button
          disabled={!data || data.version === 0 || saving.isPending}
          onClick={() => {
            saving.mutate(undefined);
          }}
        >
          Undo
        </Button>
        <Button component={Link} to="/open" target="_blank" sx={{ flex: 'none' }}>
          See it
        </Button>
      </Box>
      {error && <Problem error={error} onRetry={() => void refetch()} />}
      {saving.error && <Problem error={saving.error} />}
      {!data && !error && <Waiting what="Fetching the start page" />}
      {data && (
        <FolioEditor
          folio={data.folio}
          app=""
          choices={data.apps.flatMap((app) => [
            { app: app.id, appName: app.name, page: '', name: app.name },
            ...app.pages
              .filter(({ alone }) => alone)
              .map(({ id, name }) => ({ app: app.id, appName: app.name, page: id, name })),
          ])}
          onChange={(folio) => {
            saving.mutate(folio);
          }}
        />
      )}
    </Box>
  );
}
