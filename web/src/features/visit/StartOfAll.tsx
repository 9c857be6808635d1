import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { startQuery } from '@/api/queries';
import { Folio } from '@/folio/Folio';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';

/** Where visitors of all apps begin. */
export function StartOfAll() {
  const { data, error, refetch } = useQuery(startQuery);
  useEffect(() => {
    document.title = 'Start';
  }, []);
  return (
    <Box component="main" sx={{ maxWidth: 980, mx: 'auto', px: { xs: 2, sm: 4 }, py: 3 }}>
      <Typography variant="h1" sx={{ mb: 2.5 }}>
        What there is
      </Typography>
      {error && <Problem error={error} onRetry={() => void refetch()} />}
      {!data && !error && <Waiting what="Opening the start page" />}
      {data && (
        <Folio
          folio={data.folio}
          app=""
          draft={false}
          addressOf={(entry) => `/open/${entry.app}${entry.page && `/${entry.page}`}`}
        />
      )}
    </Box>
  );
}
