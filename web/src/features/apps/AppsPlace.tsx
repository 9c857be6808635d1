import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { api, type AppBrief, unwrap } from '@/api/client';
import { appQuery, appsQuery } from '@/api/queries';
import { count, momentText } from '@/lib/format';
import { Miniature } from '@/parts/Miniature';
import { Empty } from '@/ui/Empty';
import { useFrame } from '@/ui/frame';
import { Problem } from '@/ui/Problem';
import { RemoveButton } from '@/ui/RemoveButton';
import { Seen } from '@/ui/Seen';
import { Waiting } from '@/ui/Waiting';
import { NewPage } from './NewPage';

const WIDTH = 200;
const HEIGHT = 112;

/** The pages of an app in small, in their order. */
function Pages({ app }: { app: AppBrief }) {
  return (
    <Box
      component="ul"
      sx={{
        listStyle: 'none',
        m: 0,
        p: 0,
        display: 'flex',
        columnGap: 2.5,
        rowGap: 2,
        flexWrap: 'wrap',
      }}
    >
      {app.pages.map((page) => (
        <Box component="li" key={page.id} sx={{ width: WIDTH }}>
          <Box
            component={Link}
            to={`/apps/${app.id}/pages/${page.id}`}
            sx={{ color: 'inherit', textDecoration: 'none', display: 'block' }}
          >
            <Seen width={WIDTH} height={HEIGHT}>
              <Miniature app={app.id} page={page.id} width={WIDTH} height={HEIGHT} />
            </Seen>
            <Box sx={{ mt: 0.5, fontWeight: 600, textDecoration: 'underline' }}>{page.name}</Box>
          </Box>
          {!page.alone && (
            <Box sx={{ color: 'text.secondary', fontSize: 12.5 }}>opened from another page</Box>
          )}
        </Box>
      ))}
    </Box>
  );
}

/** What an app uses, and how it stands. */
function Standing({ app }: { app: AppBrief }) {
  const { data } = useQuery(appQuery(app.id));
  const services = data?.services ?? [];
  const older = services.filter(({ newest }) => !newest);
  return (
    <Typography sx={{ color: 'text.secondary', fontSize: 13 }}>
      {services.length > 0 && `${services.map(({ name }) => name).join(', ')} · `}
      {app.changedAt && `changed ${momentText(app.changedAt)}`}
      {data && data.errors > 0 && (
        <Box component="span" sx={{ color: 'error.main', fontWeight: 600 }}>
          {' '}
          · {count(data.errors, 'thing')} to mend
        </Box>
      )}
      {older.length > 0 && (
        <Box component="span" sx={{ color: 'warning.main' }}>
          {' '}
          · {older.map(({ name }) => name).join(', ')} {older.length === 1 ? 'has' : 'have'} a newer
          edition
        </Box>
      )}
    </Typography>
  );
}

function AppEntry({ app }: { app: AppBrief }) {
  const queries = useQueryClient();
  return (
    <Box
      component="section"
      aria-label={app.name}
      sx={{ borderTop: '1px solid', borderColor: 'divider', py: 2 }}
    >
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1, flexWrap: 'wrap' }}>
        <Typography variant="h2">{app.name}</Typography>
        <Box sx={{ flex: 1 }} />
        <NewPage app={app.id} words="New page" label={`Name of the new page of ${app.name}`} />
        <Button component={Link} to={`/apps/${app.id}/model`}>
          Model
        </Button>
        <Button component={Link} to={`/apps/${app.id}/releases`}>
          {app.release ? `Release ${app.release}` : 'Not released yet'}
        </Button>
        <RemoveButton
          words="Remove"
          label={`Remove ${app.name}`}
          question={`${app.name} goes with all its pages, releases and its history. Its services and samples stay.`}
          onRemove={async () => {
            await unwrap(api.DELETE('/api/apps/{app}', { params: { path: { app: app.id } } }));
            await queries.invalidateQueries({ queryKey: appsQuery.queryKey, exact: true });
          }}
        />
      </Box>
      <Standing app={app} />
      <Box sx={{ mt: 1.5 }}>
        {app.pages.length === 0 ? (
          <Typography sx={{ color: 'text.secondary' }}>
            No page yet. Make an empty one here, or one from an operation of a service.
          </Typography>
        ) : (
          <Pages app={app} />
        )}
      </Box>
    </Box>
  );
}

/** All apps with their pages. */
export function AppsPlace() {
  useFrame(useMemo(() => ({ path: [{ words: 'Pages' }], tools: null }), []));
  const { data, error, refetch } = useQuery(appsQuery);
  return (
    <Box sx={{ p: 2.5, maxWidth: 1180 }}>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2, mb: 1.5 }}>
        <Typography variant="h1">Pages</Typography>
        <Box sx={{ flex: 1 }} />
        {data && data.length > 0 && <NewPage words="New app" label="Name of the new app" />}
      </Box>
      {error && <Problem error={error} onRetry={() => void refetch()} />}
      {!data && !error && <Waiting what="Fetching the pages" />}
      {data?.length === 0 && (
        <Empty words="There is no page yet. A page starts from an operation of a service: open one, try it, and press “Make a page from this”. Or begin with an empty one.">
          <Button component={Link} to="/services" variant="contained">
            Go to the services
          </Button>
          <NewPage words="Begin with an empty page" label="Name of the new app" />
        </Empty>
      )}
      {data?.map((app) => (
        <AppEntry key={app.id} app={app} />
      ))}
    </Box>
  );
}
