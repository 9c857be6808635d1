import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import type { AppView, Operation, Page, Preview } from '@/api/client';
import { useFrame } from '@/ui/frame';
import { Split } from '@/ui/Split';
import { LivePage } from '../live/LivePage';
import { emptyLive, type Picked } from '../live/model';
import { BenchTools } from './BenchTools';
import { CallSheet } from './CallSheet';
import { PageMenu } from './PageMenu';
import { PageSide } from './PageSide';
import { PartStrip } from './PartStrip';
import { Reactions } from './Reactions';
import { RunSides } from './RunSides';
import { type Edits, useEdits } from './useEdits';

interface Props {
  view: AppView;
  page: Page;
  preview: Preview;
  operations: (Operation | undefined)[];
}

function SavingTrouble({ edits }: { edits: Edits }) {
  if (!edits.problem) return null;
  return (
    <Alert
      severity="error"
      variant="outlined"
      action={
        <>
          {edits.saving !== 'saved' && <Button onClick={edits.again}>Make my edit again</Button>}
          <Button onClick={edits.dismiss}>Leave it</Button>
        </>
      }
    >
      <strong>{edits.problem.message}</strong> {edits.problem.advice}
    </Alert>
  );
}

/** Where the values on the page come from, before it makes calls of its own. */
function valuesOf({ origins }: Preview) {
  const all = Object.values(origins);
  if (all.includes('generated')) return 'made-up values';
  return all.includes('given') ? 'answer of the sample' : 'recorded answer';
}

/** Where a page is built: field sheets on the left, the page itself on the right. */
export function Bench({ view, page, preview, operations }: Props) {
  const edits = useEdits(view.id);
  const [picked, setPicked] = useState<Picked>();
  const [running, setRunning] = useState(false);
  useFrame(
    useMemo(
      () => ({
        path: [
          { words: 'Pages', to: '/apps' },
          { words: view.app.name, to: '/apps' },
          { words: page.name },
        ],
        tools: <BenchTools view={view} page={page.id} edits={edits} />,
      }),
      // eslint-disable-next-line react-hooks/exhaustive-deps -- the functions of edits act the same whenever made
      [view, page.id, page.name, edits.saving],
    ),
  );
  const side = {
    running,
    onRun: (on: boolean) => {
      setPicked(undefined);
      setRunning(on);
    },
    tools: <PageMenu view={view} page={page} onEdit={edits.edit} />,
    below: <Reactions page={page} operations={operations} onEdit={edits.edit} />,
  };
  if (running) {
    return (
      <RunSides
        app={view.id}
        page={page}
        preview={preview}
        picked={picked}
        onPick={setPicked}
        side={side}
      />
    );
  }
  return (
    <Box sx={{ height: '100%', display: 'flex', flexDirection: 'column' }}>
      <SavingTrouble edits={edits} />
      <Box sx={{ flex: 1, minHeight: 0 }}>
        <Split
          id="bench"
          leftSize="50%"
          left={
            <Box
              sx={{ height: '100%', overflow: 'auto', display: 'flex', flexDirection: 'column' }}
            >
              {page.calls.map((call, index) => {
                const operation = operations[index];
                return (
                  operation && (
                    <Box key={call.id} sx={{ flex: 1, minHeight: 0 }}>
                      <CallSheet
                        page={page}
                        call={call}
                        operation={operation}
                        picked={picked}
                        onPick={setPicked}
                        onEdit={edits.edit}
                      />
                    </Box>
                  )
                );
              })}
            </Box>
          }
          right={
            <PageSide {...side} note={valuesOf(preview)}>
              <LivePage
                building
                page={page}
                state={{ ...emptyLive, inputs: preview.inputs, contents: preview.contents }}
                picked={picked}
                onPick={setPicked}
                onInput={() => undefined}
                onPress={() => undefined}
                strip={(part) =>
                  picked && (
                    <PartStrip page={page} part={part} picked={picked} onEdit={edits.edit} />
                  )
                }
              />
            </PageSide>
          }
        />
      </Box>
    </Box>
  );
}
