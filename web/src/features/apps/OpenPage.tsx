import Box from '@mui/material/Box';
import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link, useLocation, useNavigate, useParams, useSearchParams } from 'react-router';
import type { AppView, Leads } from '@/api/client';
import { appQuery } from '@/api/queries';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';
import { DrawnPage } from '@/parts/DrawnPage';
import { useRun } from '@/parts/useRun';

/** What the browser's history keeps of a page: never in its address, which people hand on. */
interface Left {
  run: string;
  seen: boolean;
}

function Finished({ view, page }: { view: AppView; page: string }) {
  const navigate = useNavigate();
  const location = useLocation();
  const [search] = useSearchParams();
  const left = location.state as Left | null;
  const lead = (leads: Leads) => {
    switch (leads.kind) {
      case 'page': {
        const address = new URLSearchParams(leads.arguments).toString();
        void navigate(`/open/${view.id}/${leads.page}${address && `?${address}`}`, {
          state: { run: leads.run, seen: false } satisfies Left,
        });
        return;
      }
      case 'back':
        if (leads.run) void navigate(-1);
        else void navigate(`/open/${view.id}/${leads.page}`);
        return;
      case 'outside':
        window.open(leads.address, '_blank', 'noopener');
    }
  };
  const live = useRun({
    app: view.id,
    page,
    builder: false,
    arguments: Object.fromEntries(search),
    run: left?.run,
    seen: left?.seen ?? false,
    onShown: (run) => {
      if (left?.run === run && left.seen) return;
      window.history.replaceState(
        { ...(window.history.state as object), usr: { run, seen: true } satisfies Left },
        '',
      );
    },
    onLead: lead,
  });
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
          use={{ ...live.use, picked: undefined, onPick: undefined }}
        />
      )}
    </>
  );
}

/** A page as end users see it: no frame, no working parts, from 360 px. */
export function OpenPage() {
  const { app = '', page: pageId = '' } = useParams();
  const { key } = useLocation();
  const { data, error, refetch } = useQuery(appQuery(app));
  const there = data?.pages.some(({ id }) => id === pageId);
  const listed = data?.pages.filter(({ id, alone }) => alone || id === pageId);
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
            '@media print': { display: 'none' },
          }}
        >
          <strong>{data.name}</strong>
          {listed?.map((one) => (
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
      {data && there && <Finished key={`${pageId} ${key}`} view={data} page={pageId} />}
      {data && !there && <p>This page is not here any more. Choose another one above.</p>}
    </Box>
  );
}
