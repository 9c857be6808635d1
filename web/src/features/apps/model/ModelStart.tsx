import { useQuery } from '@tanstack/react-query';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { Link, Navigate } from 'react-router';
import { appsQuery } from '@/api/queries';
import { Empty } from '@/ui/Empty';
import { useFrame } from '@/ui/frame';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';
import { useLastApp } from '@/lib/lastApp';

/** Whose model to look at, where there are several apps. */
export function ModelStart() {
  useFrame(useMemo(() => ({ path: [{ words: 'Model' }], tools: null }), []));
  const { data, error, refetch } = useQuery(appsQuery);
  const [last] = useLastApp();
  const only = data?.length === 1 ? data[0] : data?.find(({ id }) => id === last);
  if (only) return <Navigate to={`/apps/${only.id}/model`} replace />;
  return (
    <Box sx={{ p: 2.5, maxWidth: 760 }}>
      <Typography variant="h1" sx={{ mb: 1.5 }}>
        Model
      </Typography>
      {error && <Problem error={error} onRetry={() => void refetch()} />}
      {!data && !error && <Waiting what="Fetching the apps" />}
      {data?.length === 0 && (
        <Empty words="A model belongs to an app, and there is none yet. Make a page from an operation of a service; what it shows comes into the model.">
          <Button component={Link} to="/services" variant="contained">
            Go to the services
          </Button>
        </Empty>
      )}
      {data?.map((app) => (
        <Box key={app.id} sx={{ py: 0.5 }}>
          <Link to={`/apps/${app.id}/model`}>The model of {app.name}</Link>
        </Box>
      ))}
    </Box>
  );
}
