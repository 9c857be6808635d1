import Box from '@mui/material/Box';
import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link, useParams } from 'react-router';
import type { AppView } from '@/api/client';
import { appQuery } from '@/api/queries';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';
import { DrawnPage } from '@/parts/DrawnPage';
import { useRun } from '@/parts/useRun';

function Finished({ view, page }: { view: AppView; page: string }) {
  const live = useRun(view.id, page, false);
  const name = view.pages.find(({ id }) => id === page)?.name ?? '';
  useEffect(() => {
    document.title = `${name} – ${view.name}`;
  }, [name, view.name]);
  return (
    <>
      {live.error && <Problem error={live.error} onRetry={live.again} />}
      {!live.run && !live.error && <Waiting what="Opening the page" />}
      {live.run && (
        <DrawnPage
          page={live.run.page}
          use={{
            building: false,
            picked: undefined,
            onPick: undefined,
            typed: live.typed,
            busy: live.busy,
            onInput: live.onInput,
            onPress: live.onPress,
            onChoose: live.onChoose,
            onRows: live.onRows,
          }}
        />
      )}
    </>
  );
}

/** A page as end users see it: no frame, no working parts, from 360 px. */
export function OpenPage() {
  const { app = '', page: pageId = '' } = useParams();
  const { data, error, refetch } = useQuery(appQuery(app));
  const there = data?.pages.some(({ id }) => id === pageId);
  return (
    <Box sx={{ maxWidth: 980, mx: 'auto', px: { xs: 2, sm: 4 }, py: 2 }}>
      {error && <Problem error={error} onRetry={() => void refetch()} />}
      {!data && !error && <Waiting what="Opening the page" />}
      {data && (
        <Box
          component="nav"
          aria-label={data.name}
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
          <strong>{data.name}</strong>
          {data.pages.map((one) => (
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
      {data && there && <Finished key={pageId} view={data} page={pageId} />}
      {data && !there && <p>This page is not here any more. Choose another one above.</p>}
    </Box>
  );
}
