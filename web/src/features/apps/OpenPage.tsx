import Box from '@mui/material/Box';
import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link, useParams } from 'react-router';
import type { AppView, Page } from '@/api/client';
import { appQuery } from '@/api/queries';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';
import { LivePage } from './live/LivePage';
import { useLive } from './live/useLive';

function Finished({ view, page }: { view: AppView; page: Page }) {
  const live = useLive(view.id, page);
  useEffect(() => {
    document.title = `${page.name} – ${view.app.name}`;
  }, [page.name, view.app.name]);
  return (
    <LivePage
      page={page}
      state={live.state}
      building={false}
      onInput={live.onInput}
      onPress={live.onPress}
    />
  );
}

/** A page as end users see it: no frame, no working parts, from 360 px. */
export function OpenPage() {
  const { app = '', page: pageId = '' } = useParams();
  const { data, error, refetch } = useQuery(appQuery(app));
  const page = data?.app.pages.find((one) => one.id === pageId);
  return (
    <Box sx={{ maxWidth: 980, mx: 'auto', px: { xs: 2, sm: 4 }, py: 2 }}>
      {error && <Problem error={error} onRetry={() => void refetch()} />}
      {!data && !error && <Waiting what="Opening the page" />}
      {data && (
        <Box
          component="nav"
          aria-label={data.app.name}
          sx={{
            display: 'flex',
            flexWrap: 'wrap',
            columnGap: 2.5,
            rowGap: 0.5,
            borderBottom: '1px solid',
            borderColor: 'divider',
            pb: 1,
            mb: 3,
          }}
        >
          <strong>{data.app.name}</strong>
          {data.app.pages.map((one) => (
            <Box
              key={one.id}
              component={Link}
              to={`/open/${data.id}/${one.id}`}
              aria-current={one.id === pageId ? 'page' : undefined}
              sx={{
                color: 'primary.main',
                textDecoration: one.id === pageId ? 'underline' : 'none',
              }}
            >
              {one.name}
            </Box>
          ))}
        </Box>
      )}
      {data && page && <Finished key={page.id} view={data} page={page} />}
      {data && !page && <p>This page is not here any more. Choose another one above.</p>}
    </Box>
  );
}
