import Box from '@mui/material/Box';
import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import type { AppView, Bench as BenchData, PageCall } from '@/api/client';
import { DrawnPage } from '@/parts/DrawnPage';
import type { Picked } from '@/parts/model';
import { sampleUse } from '@/parts/sampleUse';
import { useFrame } from '@/ui/frame';
import { Split } from '@/ui/Split';
import { BenchTools } from './BenchTools';
import { CallPlaces } from './CallPlaces';
import { droppedIn, frameOf, itemOf, moveEdit, sourceIn } from './model';
import { PageMenu } from './PageMenu';
import { PageSide } from './PageSide';
import { PartStrip } from './PartStrip';
import { Reactions } from './Reactions';
import { RunSides } from './RunSides';
import { SavingTrouble } from './SavingTrouble';
import { useEdits } from './useEdits';

interface Props {
  view: AppView;
  page: string;
  bench: BenchData;
}

/** Where the values on the page come from, before it makes calls of its own. */
function valuesOf(calls: PageCall[]) {
  const all = calls.map(({ origin }) => origin);
  if (all.length === 0) return '';
  if (all.includes('gone')) return 'an operation is gone';
  const chosen = calls.find(({ sample }) => sample !== undefined)?.sample;
  if (chosen !== undefined) return `the sample ${chosen}`;
  if (all.includes('failed')) return 'a call that fails';
  if (all.includes('generated')) return 'made-up values';
  return all.includes('given') ? 'answer of the sample' : 'recorded answer';
}

/** What an address asks to be picked: a part, or a thing in one. */
function pickedBy(bench: BenchData, wanted: string | null): Picked | undefined {
  const item = bench.items.find((one) => one.item === wanted || one.part === wanted);
  return item && { part: item.part, ...(item.item === wanted && wanted ? { item: wanted } : {}) };
}

/** The pages of an app, and what else there is of it. */
const placesOf = ({ id, pages }: AppView, here: string) => [
  ...pages.map((one) => ({
    words: one.name,
    to: `/apps/${id}/pages/${one.id}`,
    here: one.id === here,
  })),
  { words: 'Its model', to: `/apps/${id}/model` },
  { words: 'Its releases', to: `/apps/${id}/releases` },
];

/** Where a page is built: field sheets on the left, the page itself on the right. */
export function Bench({ view, page, bench }: Props) {
  const edits = useEdits(view.id);
  const [search] = useSearchParams();
  const [chosen, setPicked] = useState<Picked>();
  const picked = chosen ?? pickedBy(bench, search.get('pick'));
  const [running, setRunning] = useState(false);
  useFrame(
    useMemo(
      () => ({
        path: [
          { words: 'Pages', to: '/apps' },
          { words: view.name, choices: placesOf(view, page) },
          { words: bench.page.name },
        ],
        tools: <BenchTools view={view} page={page} edits={edits} />,
      }),
      // eslint-disable-next-line react-hooks/exhaustive-deps -- the functions of edits act the same whenever made
      [view, page, bench.page.name, edits.saving],
    ),
  );
  const side = {
    running,
    onRun: (on: boolean) => {
      setPicked(undefined);
      setRunning(on);
    },
    tools: <PageMenu view={view} page={page} bench={bench} onEdit={edits.edit} />,
    below: <Reactions view={view} page={page} bench={bench} onEdit={edits.edit} />,
  };
  // What runs is the page as it is kept: edits on their way come first.
  if (running && edits.saving !== 'saving') {
    return (
      <RunSides
        app={view.id}
        page={page}
        bench={bench}
        picked={picked}
        onPick={setPicked}
        side={side}
      />
    );
  }
  const item = picked && itemOf(bench, picked);
  return (
    <Box sx={{ height: '100%', display: 'flex', flexDirection: 'column' }}>
      <SavingTrouble edits={edits} view={view} />
      <Box sx={{ flex: 1, minHeight: 0 }}>
        <Split
          id="bench"
          leftSize="50%"
          left={
            <CallPlaces
              view={view}
              page={page}
              bench={bench}
              picked={picked}
              onPick={setPicked}
              onEdit={edits.edit}
            />
          }
          right={
            <PageSide {...side} note={valuesOf(bench.calls)}>
              <DrawnPage
                page={bench.page}
                use={sampleUse(picked, setPicked)}
                build={{
                  strip: item && (
                    <PartStrip app={view.id} page={page} item={item} onEdit={edits.edit} />
                  ),
                  onField: (part, text) => {
                    const dropped = droppedIn(bench, text);
                    if (!dropped) return;
                    const source = sourceIn(dropped.call, part, dropped.field);
                    edits.edit({ kind: 'showField', page, part, source });
                  },
                  onMove: (part, onto) => {
                    const edit = moveEdit(page, bench, part, onto);
                    if (edit) edits.edit(edit);
                  },
                  onResize: (part, width) => {
                    const frame = frameOf(bench, part);
                    if (frame)
                      edits.edit({ kind: 'setFrame', page, part, frame: { ...frame, width } });
                  },
                }}
              />
            </PageSide>
          }
        />
      </Box>
    </Box>
  );
}
