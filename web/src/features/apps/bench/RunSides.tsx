import { type ComponentProps, useState } from 'react';
import type { Bench, Leads, Simulation } from '@/api/client';
import { DrawnPage } from '@/parts/DrawnPage';
import type { Picked } from '@/parts/model';
import { enteredIn, useRun } from '@/parts/useRun';
import { Problem } from '@/ui/Problem';
import { Split } from '@/ui/Split';
import { ReplayNote } from '@/ui/ReplayNote';
import { Waiting } from '@/ui/Waiting';
import { PageSide } from './PageSide';
import { Trace } from './trace/Trace';
import { NO_SIMULATION, RunTools } from './RunTools';

interface Props {
  app: string;
  page: string;
  bench: Bench;
  picked: Picked | undefined;
  onPick: (picked: Picked) => void;
  side: Omit<ComponentProps<typeof PageSide>, 'note' | 'children'>;
}

/** A page of the app that runs, and where. */
interface At {
  page: string;
  run?: string;
  seen: boolean;
}

/** The bench while the page runs: real requests on the right, their trace on the left. */
export function RunSides(props: Props) {
  const [simulation, setSimulation] = useState<Simulation>(NO_SIMULATION);
  const [times, setTimes] = useState(0);
  const [way, setWay] = useState<At[]>([{ page: props.page, seen: false }]);
  const at = way.at(-1) ?? { page: props.page, seen: false };
  return (
    <Running
      key={`${times} ${way.length}`}
      {...props}
      at={at}
      simulation={simulation}
      onSimulate={setSimulation}
      onAnew={() => {
        setTimes(times + 1);
        setWay([{ page: props.page, seen: false }]);
      }}
      onShown={(run) => {
        setWay((before) => [...before.slice(0, -1), { page: at.page, run, seen: at.seen }]);
      }}
      onLead={(leads) => {
        if (leads.kind === 'page') {
          setWay((before) => [
            ...before.map((one) => ({ ...one, seen: true })),
            { page: leads.page, run: leads.run, seen: false },
          ]);
        } else if (leads.kind === 'back') {
          setWay((before) => (before.length > 1 ? before.slice(0, -1) : before));
        } else window.open(leads.address, '_blank', 'noopener');
      }}
    />
  );
}

interface RunningProps extends Props {
  at: At;
  simulation: Simulation;
  onSimulate: (simulation: Simulation) => void;
  onAnew: () => void;
  onShown: (run: string) => void;
  onLead: (leads: Leads) => void;
}

function Running(props: RunningProps) {
  const {
    app,
    page,
    bench,
    picked,
    onPick,
    side,
    at,
    simulation,
    onSimulate,
    onAnew,
    onShown,
    onLead,
  } = props;
  const first = at.page === page && !at.run;
  const isMadeUp = bench.calls.some(({ origin }) => origin === 'generated');
  const live = useRun({
    app,
    page: at.page,
    as: 'BUILDER',
    // What is made up is not among what services let choose.
    ...(first && { start: enteredIn(bench.page, !isMadeUp) }),
    run: at.run,
    seen: at.seen,
    simulation,
    // The first run has no name until it is shown.
    onShown: at.run ? () => undefined : onShown,
    onLead,
  });
  return (
    <Split
      id="run"
      leftSize="38%"
      left={
        <div style={{ height: '100%', overflow: 'auto' }}>
          <Trace
            run={live.run}
            turn={live.turn}
            busy={live.use.busy}
            picked={picked}
            onPick={onPick}
          />
        </div>
      }
      right={
        <PageSide
          {...side}
          note={
            <RunTools
              calls={bench.calls}
              simulation={simulation}
              onSimulate={onSimulate}
              onAnew={onAnew}
            />
          }
        >
          {live.error && <Problem error={live.error} onRetry={live.again} />}
          {!live.run && !live.error && <Waiting what="Opening the page" />}
          {live.run && <ReplayNote services={live.run.replayed} />}
          {live.run && <DrawnPage page={live.run.page} use={{ ...live.use, picked, onPick }} />}
        </PageSide>
      }
    />
  );
}
