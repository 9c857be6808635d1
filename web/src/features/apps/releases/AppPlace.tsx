import Box from '@mui/material/Box';
import { useQuery } from '@tanstack/react-query';
import { type ReactNode, useMemo } from 'react';
import { Link, useParams } from 'react-router';
import type { AppView } from '@/api/client';
import { appQuery } from '@/api/queries';
import { useWorkingOn } from '@/lib/lastApp';
import { useFrame } from '@/ui/frame';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';
import { BenchTools } from '../bench/BenchTools';
import { SavingTrouble } from '../bench/SavingTrouble';
import { type Edits, useEdits } from '../bench/useEdits';

type Place = 'releases' | 'start';

const WORDS: Record<Place, string> = { releases: 'Releases', start: 'Start page' };

function Inside(props: {
  view: AppView;
  place: Place;
  children: (view: AppView, edits: Edits) => ReactNode;
}) {
  const { view, place } = props;
  const edits = useEdits(view.id);
  useWorkingOn(view.id);
  useFrame(
    useMemo(
      () => ({
        path: [
          { words: 'Releases', to: '/releases' },
          { words: view.name, to: `/apps/${view.id}/releases` },
          { words: place === 'start' ? 'its start page' : 'handing over' },
        ],
        tools: <BenchTools view={view} page={view.pages[0]?.id} edits={edits} />,
      }),
      // eslint-disable-next-line react-hooks/exhaustive-deps -- the functions of edits act the same whenever made
      [view, place, edits.saving],
    ),
  );
  return (
    <Box sx={{ height: '100%', overflow: 'auto' }}>
      <SavingTrouble edits={edits} view={view} />
      <Box
        component="nav"
        aria-label="Handing over"
        sx={{ display: 'flex', gap: 3, px: 2.5, pt: 2 }}
      >
        {(['releases', 'start'] as const).map((one) => (
          <Box
            key={one}
            component={Link}
            to={`/apps/${view.id}/${one}`}
            aria-current={one === place ? 'page' : undefined}
            sx={{
              color: 'text.primary',
              textDecoration: 'none',
              fontSize: 17,
              pb: 0.25,
              borderBottom: '3px solid transparent',
              '&[aria-current]': { borderColor: 'primary.main', fontWeight: 600 },
            }}
          >
            {WORDS[one]}
          </Box>
        ))}
      </Box>
      {props.children(view, edits)}
    </Box>
  );
}

/** A place of one app where it is handed over. */
export function AppPlace(props: {
  place: Place;
  children: (view: AppView, edits: Edits) => ReactNode;
}) {
  const { app = '' } = useParams();
  const { data, error, refetch } = useQuery(appQuery(app));
  if (error) {
    return (
      <Box sx={{ p: 2.5 }}>
        <Problem error={error} onRetry={() => void refetch()} />
      </Box>
    );
  }
  if (!data) {
    return (
      <Box sx={{ p: 2.5 }}>
        <Waiting what="Opening the app" />
      </Box>
    );
  }
  return (
    <Inside view={data} place={props.place}>
      {props.children}
    </Inside>
  );
}
