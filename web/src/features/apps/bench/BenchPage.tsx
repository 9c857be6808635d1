import Box from '@mui/material/Box';
import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { appQuery, benchQuery } from '@/api/queries';
import { useWorkingOn } from '@/lib/lastApp';
import { Problem } from '@/ui/Problem';
import { Gone } from '@/ui/Gone';
import { Waiting } from '@/ui/Waiting';
import { Bench } from './Bench';

/** Fetches what the bench works on. */
export function BenchPage() {
  const { app = '', page = '' } = useParams();
  const view = useQuery(appQuery(app));
  useWorkingOn(app);
  const there = view.data?.pages.some(({ id }) => id === page);
  const bench = useQuery({
    ...benchQuery(app, page, view.data?.version ?? 0),
    enabled: there === true,
  });
  const failed = [view, bench].find((query) => query.error);
  if (failed?.error) {
    return (
      <Box sx={{ p: 2.5 }}>
        <Problem error={failed.error} onRetry={() => void failed.refetch()} />
      </Box>
    );
  }
  if (there === false) return <Gone what="This page is not here any more." />;
  if (!view.data || !bench.data) {
    return (
      <Box sx={{ p: 2.5 }}>
        <Waiting what="Opening the page" />
      </Box>
    );
  }
  return <Bench key={`${app}/${page}`} view={view.data} page={page} bench={bench.data} />;
}
