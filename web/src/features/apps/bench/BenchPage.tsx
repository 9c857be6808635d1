import Box from '@mui/material/Box';
import { useQueries, useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { appQuery, operationQuery, previewQuery } from '@/api/queries';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';
import { Lost } from '@/app/Lost';
import { Bench } from './Bench';

/** Fetches what the bench works on. */
export function BenchPage() {
  const { app = '', page: pageId = '' } = useParams();
  const view = useQuery(appQuery(app));
  const page = view.data?.app.pages.find((one) => one.id === pageId);
  const preview = useQuery({
    ...previewQuery(app, pageId, view.data?.version ?? 0),
    enabled: page !== undefined,
  });
  const operations = useQueries({
    queries: (page?.calls ?? []).map((call) => operationQuery(call.service, call.operation)),
  });
  const failed = [view, preview, ...operations].find((query) => query.error);
  if (failed?.error) {
    return (
      <Box sx={{ p: 2.5 }}>
        <Problem error={failed.error} onRetry={() => void failed.refetch()} />
      </Box>
    );
  }
  if (view.data && !page) return <Lost />;
  if (!view.data || !page || !preview.data || operations.some((query) => !query.data)) {
    return (
      <Box sx={{ p: 2.5 }}>
        <Waiting what="Opening the page" />
      </Box>
    );
  }
  return (
    <Bench
      key={`${app}/${pageId}`}
      view={view.data}
      page={page}
      preview={preview.data}
      operations={operations.map((query) => query.data)}
    />
  );
}
