import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { api, type AppBrief, unwrap } from '@/api/client';
import { appsQuery } from '@/api/queries';
import { Empty } from '@/ui/Empty';
import { useFrame } from '@/ui/frame';
import { momentText } from '@/lib/format';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';

function AppLine({ app }: { app: AppBrief }) {
  const queries = useQueryClient();
  const removing = useMutation({
    mutationFn: () => unwrap(api.DELETE('/api/apps/{app}', { params: { path: { app: app.id } } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: appsQuery.queryKey, exact: true }),
  });
  return (
    <Box
      component="section"
      aria-label={app.name}
      sx={{ borderTop: '1px solid', borderColor: 'divider', py: 1.5 }}
    >
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2 }}>
        <Typography variant="h2">{app.name}</Typography>
        {app.changedAt && (
          <Box component="span" sx={{ color: 'text.secondary', fontSize: 12.5 }}>
            changed {momentText(app.changedAt)}
          </Box>
        )}
        <Box sx={{ flex: 1 }} />
        <Button component={Link} to={`/apps/${app.id}/model`}>
          Model
        </Button>
        <Button component={Link} to={`/apps/${app.id}/releases`}>
          {app.release ? `Release ${app.release}` : 'Not released yet'}
        </Button>
        <Button
          color="inherit"
          sx={{ color: 'text.secondary' }}
          aria-label={`Remove ${app.name}`}
          onClick={() => {
            if (window.confirm(`Remove the app ${app.name} with all its pages?`)) removing.mutate();
          }}
        >
          Remove
        </Button>
      </Box>
      {app.pages.length === 0 && (
        <Typography sx={{ color: 'text.secondary' }}>
          No page yet; open an operation and make one from it.
        </Typography>
      )}
      <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
        {app.pages.map((page) => (
          <Box component="li" key={page.id} sx={{ py: 0.25 }}>
            <Box
              component={Link}
              to={`/apps/${app.id}/pages/${page.id}`}
              sx={{ color: 'primary.main', fontWeight: 600 }}
            >
              {page.name}
            </Box>
          </Box>
        ))}
      </Box>
      {removing.error && <Problem error={removing.error} />}
    </Box>
  );
}

/** All apps with their pages. */
export function AppsPlace() {
  useFrame(useMemo(() => ({ path: [{ words: 'Pages' }], tools: null }), []));
  const { data, error, refetch } = useQuery(appsQuery);
  return (
    <Box sx={{ p: 2.5, maxWidth: 760 }}>
      <Typography variant="h1" sx={{ mb: 1.5 }}>
        Pages
      </Typography>
      {error && <Problem error={error} onRetry={() => void refetch()} />}
      {!data && !error && <Waiting what="Fetching the pages" />}
      {data?.length === 0 && (
        <Empty words="There is no page yet. A page starts from an operation of a service: open one, try it, and press “Make a page from this”.">
          <Button component={Link} to="/services" variant="contained">
            Go to the services
          </Button>
        </Empty>
      )}
      {data?.map((app) => (
        <AppLine key={app.id} app={app} />
      ))}
    </Box>
  );
}
