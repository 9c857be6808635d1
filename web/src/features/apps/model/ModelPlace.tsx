import Box from '@mui/material/Box';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useNavigate, useParams } from 'react-router';
import type { AppView, Model } from '@/api/client';
import { appQuery, modelQuery } from '@/api/queries';
import { useWorkingOn } from '@/lib/lastApp';
import { useFrame } from '@/ui/frame';
import { Problem } from '@/ui/Problem';
import { Split } from '@/ui/Split';
import { Waiting } from '@/ui/Waiting';
import { BenchTools } from '../bench/BenchTools';
import { SavingTrouble } from '../bench/SavingTrouble';
import { useEdits } from '../bench/useEdits';
import { TypeList } from './TypeList';
import { TypeSheet } from './TypeSheet';
import { ValueLists } from './ValueLists';

/** The place of the value lists among the record types. */
const LISTS = 'lists';

function Place({ view, model, chosen }: { view: AppView; model: Model; chosen: string }) {
  const edits = useEdits(view.id);
  const navigate = useNavigate();
  useFrame(
    useMemo(
      () => ({
        path: [
          { words: 'Model', to: '/model' },
          { words: view.name, to: '/apps' },
          { words: 'what its pages share' },
        ],
        tools: <BenchTools view={view} page={view.pages[0]?.id} edits={edits} />,
      }),
      // eslint-disable-next-line react-hooks/exhaustive-deps -- the functions of edits act the same whenever made
      [view, edits.saving],
    ),
  );
  const type = model.types.find(({ id }) => id === chosen) ?? model.types[0];
  return (
    <Box sx={{ height: '100%', display: 'flex', flexDirection: 'column' }}>
      <SavingTrouble edits={edits} view={view} />
      <Box sx={{ flex: 1, minHeight: 0 }}>
        <Split
          id="model"
          leftSize="19%"
          left={
            <TypeList
              app={view.id}
              model={model}
              chosen={chosen === LISTS ? LISTS : (type?.id ?? LISTS)}
              onChoose={(id) => void navigate(`/apps/${view.id}/model/${id}`)}
            />
          }
          right={
            chosen === LISTS || !type ? (
              <ValueLists app={view.id} model={model} onEdit={edits.edit} />
            ) : (
              <TypeSheet
                key={type.id}
                view={view}
                model={model}
                type={type.id}
                onEdit={edits.edit}
              />
            )
          }
        />
      </Box>
    </Box>
  );
}

/** What all pages of an app share: record types with their fields, and value lists. */
export function ModelPlace() {
  const { app = '', type = '' } = useParams();
  const view = useQuery(appQuery(app));
  const model = useQuery({
    ...modelQuery(app, view.data?.version ?? 0),
    enabled: view.data !== undefined,
  });
  useWorkingOn(app);
  const failed = [view, model].find((query) => query.error);
  if (failed?.error) {
    return (
      <Box sx={{ p: 2.5 }}>
        <Problem error={failed.error} onRetry={() => void failed.refetch()} />
      </Box>
    );
  }
  if (!view.data || !model.data) {
    return (
      <Box sx={{ p: 2.5 }}>
        <Waiting what="Opening the model" />
      </Box>
    );
  }
  return <Place view={view.data} model={model.data} chosen={type} />;
}
