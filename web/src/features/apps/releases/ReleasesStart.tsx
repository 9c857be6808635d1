import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { appsQuery } from '@/api/queries';
import { Empty } from '@/ui/Empty';
import { useFrame } from '@/ui/frame';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';
import { ImportApp } from './ImportApp';

/** All apps with what visitors see of each, and the start page over them. */
export function ReleasesStart() {
  useFrame(useMemo(() => ({ path: [{ words: 'Releases' }], tools: null }), []));
  const { data, error, refetch } = useQuery(appsQuery);
  return (
    <Box sx={{ p: 2.5, maxWidth: 760 }}>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2, mb: 1.5 }}>
        <Typography variant="h1" sx={{ flex: 1 }}>
          Releases
        </Typography>
        <Button component={Link} to="/start">
          Arrange the start page of all apps
        </Button>
        <Button component={Link} to="/open" target="_blank" variant="outlined">
          Open it
        </Button>
      </Box>
      {error && <Problem error={error} onRetry={() => void refetch()} />}
      {!data && !error && <Waiting what="Fetching the apps" />}
      {data?.length === 0 && (
        <Empty words="There is nothing to hand over yet. Make a page from an operation of a service, or bring an app that was saved as a file.">
          <Button component={Link} to="/services" variant="contained">
            Go to the services
          </Button>
        </Empty>
      )}
      {data?.map((app) => (
        <Box
          key={app.id}
          component="section"
          aria-label={app.name}
          sx={{
            display: 'flex',
            alignItems: 'baseline',
            gap: 2,
            borderTop: '1px solid',
            borderColor: 'divider',
            py: 1.25,
          }}
        >
          <Box
            component={Link}
            to={`/apps/${app.id}/releases`}
            sx={{ color: 'primary.main', fontWeight: 600, fontSize: 16, flex: 1 }}
          >
            {app.name}
          </Box>
          <Box sx={{ color: 'text.secondary' }}>
            {app.release ? `visitors see release ${app.release}` : 'not released yet'}
          </Box>
        </Box>
      ))}
      <ImportApp />
    </Box>
  );
}
