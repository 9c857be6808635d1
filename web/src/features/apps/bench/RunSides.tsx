import type { ComponentProps } from 'react';
import type { Bench } from '@/api/client';
import { DrawnPage } from '@/parts/DrawnPage';
import type { Picked } from '@/parts/model';
import { enteredIn, useRun } from '@/parts/useRun';
import { Problem } from '@/ui/Problem';
import { Split } from '@/ui/Split';
import { Waiting } from '@/ui/Waiting';
import { PageSide } from './PageSide';
import { Trace } from './Trace';

interface Props {
  app: string;
  page: string;
  bench: Bench;
  picked: Picked | undefined;
  onPick: (picked: Picked) => void;
  side: Omit<ComponentProps<typeof PageSide>, 'note' | 'children'>;
}

/** The bench while the page runs: real requests on the right, their trace on the left. */
export function RunSides({ app, page, bench, picked, onPick, side }: Props) {
  const live = useRun(app, page, true, enteredIn(bench.page));
  return (
    <Split
      id="run"
      leftSize="38%"
      left={
        <div style={{ height: '100%', overflow: 'auto' }}>
          <Trace bench={bench} run={live.run} busy={live.busy} picked={picked} />
        </div>
      }
      right={
        <PageSide {...side} note="real requests">
          {live.error && <Problem error={live.error} onRetry={live.again} />}
          {!live.run && !live.error && <Waiting what="Opening the page" />}
          {live.run && (
            <DrawnPage
              page={live.run.page}
              use={{
                building: false,
                picked,
                onPick,
                typed: live.typed,
                busy: live.busy,
                onInput: live.onInput,
                onPress: live.onPress,
                onChoose: live.onChoose,
                onRows: live.onRows,
              }}
            />
          )}
        </PageSide>
      }
    />
  );
}
