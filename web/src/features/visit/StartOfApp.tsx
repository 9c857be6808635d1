import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { openQuery } from '@/api/queries';
import { Folio } from '@/folio/Folio';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';
import { useVersion } from './version';
import { VisitFrame } from './VisitFrame';

/** Where visitors of one app begin. */
export function StartOfApp() {
  const version = useVersion();
  const { data, error, refetch } = useQuery(openQuery(version));
  useEffect(() => {
    document.title = data?.name ?? '';
  }, [data?.name]);
  return (
    <VisitFrame version={version} view={data && { ...data, pages: [] }}>
      {error && <Problem error={error} onRetry={() => void refetch()} />}
      {!data && !error && <Waiting what="Opening the app" />}
      {data && (
        <>
          <Typography variant="h1" sx={{ mb: 2.5 }}>
            {data.name}
          </Typography>
          <Folio
            folio={data.start}
            app={data.id}
            draft={version.as === 'REVIEWER'}
            addressOf={(entry) =>
              entry.app === ''
                ? `${version.base}/${entry.page}`
                : `/open/${entry.app}${entry.page && `/${entry.page}`}`
            }
          />
        </>
      )}
    </VisitFrame>
  );
}
