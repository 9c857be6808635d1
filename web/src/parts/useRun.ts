import { useMutation, useQueryClient } from '@tanstack/react-query';
import { isChosen } from './choosing';
import { useCallback, useEffect, useEffectEvent, useRef, useState } from 'react';
import {
  api,
  ApiProblem,
  type Happening,
  type Json,
  type Leads,
  type PageView,
  type RowsView,
  type Run,
  type RunAs,
  type RunEvent,
  type Simulation,
  toProblem,
  unwrap,
  wire,
} from '@/api/client';
import { servicesQuery } from '@/api/queries';
import { type Bytes, linesOf } from '@/lib/lines';
import type { Arrangement, FetchedRows, PageUse } from './model';

const onTheWire = (typed: Record<string, Json>) =>
  Object.fromEntries(Object.entries(typed).map(([id, value]) => [id, wire(value)]));

/** The rows that are there with others of one part. */
export function withRows(there: FetchedRows, part: string, { from, rows }: RowsView): FetchedRows {
  const ofPart = new Map(there.get(part));
  rows.forEach((row, index) => ofPart.set(from + index, row));
  return new Map([...there, [part, ofPart]]);
}

/**
 * What stands in the inputs of a page.
 *
 * @param chosen whether what is chosen there can be chosen indeed
 */
export function enteredIn(page: PageView, chosen: boolean): Record<string, Json> {
  return Object.fromEntries(
    page.parts
      .flatMap((part) => (part.kind === 'form' ? part.inputs : []))
      .filter(({ value, kind }) => value !== null && (chosen || !isChosen(kind)))
      .map(({ id, value }) => [id, value as Json]),
  );
}

/** What was typed since it was sent; the server knows the rest. */
export function notYetSent(typed: Record<string, Json>, sent: Record<string, Json>) {
  return Object.fromEntries(Object.entries(typed).filter(([id, value]) => sent[id] !== value));
}

/** Rows are fetched so many at a time. */
export const WINDOW = 200;

/** Typing is over after so many milliseconds. */
const PAUSE = 500;

export interface RunOptions {
  app: string;
  page: string;
  /** Who builds the page and tries it, who looks at the draft, or who uses what was released. */
  as: RunAs;
  /** A release by its number; the one that visitors see now where there is none. */
  release?: number | undefined;
  /** What stands in the inputs before anybody types, for builders who try it. */
  start?: Record<string, Json>;
  /** How services are made to look to those who build. */
  simulation?: Simulation;
  /** What the page is opened with, as its address has it. */
  arguments?: Record<string, string>;
  /** Where the page runs already. */
  run?: string | undefined;
  /** Whether that run was shown before, so that coming to it is coming back. */
  seen?: boolean;
  /** The page is shown, in a run that it can be found again in. */
  onShown?: (run: string) => void;
  /** The page leads somewhere else. */
  onLead: (leads: Leads) => void;
}

/** What an event came to; what the page looks like while it waits is told on the way. */
async function followed(
  answer: Parameters<typeof unwrap<Bytes | null>>[0],
  onWaiting: (run: Run) => void,
): Promise<Run> {
  const stream = await unwrap(answer);
  if (stream) {
    for await (const line of linesOf(stream)) {
      const event = JSON.parse(line) as RunEvent;
      if (event.waiting) onWaiting(event.waiting);
      if (event.problem) throw toProblem(event.problem.status, event.problem);
      if (event.run) return event.run;
    }
  }
  throw toProblem(0, undefined);
}

/** A page that really runs: events go to the server, which makes the calls. */
export function useRun(options: RunOptions) {
  const { app, page, as, release } = options;
  const builder = as === 'BUILDER';
  const queries = useQueryClient();
  const [run, setRun] = useState<Run>();
  const [turn, setTurn] = useState(0);
  const [typed, setTyped] = useState(options.start ?? {});
  const [fetched, setFetched] = useState<FetchedRows>(new Map());
  const settled = (next: Run, sent: Record<string, Json>) => {
    setRun(next);
    // What happened may have changed them.
    setFetched(new Map());
    setTurn((before) => before + 1);
    setTyped((now) => notYetSent(now, sent));
    options.onShown?.(next.run);
    if (next.leads) options.onLead(next.leads);
    if (!builder) return;
    // On the bench the answer is the new sample, in the field sheets too. The page need not wait.
    void queries.invalidateQueries({ queryKey: ['bench'] });
    void queries.invalidateQueries({ queryKey: servicesQuery.queryKey });
  };
  // What waits for services goes by a key, by which it can be stopped.
  const stop = useRef('');
  const stoppable = () => {
    stop.current = crypto.randomUUID();
    return stop.current;
  };
  // What happens on a page happens one after the other.
  const scope = { id: `run ${app} ${page}` };
  const opening = useMutation({
    scope,
    mutationFn: async () => {
      const sent = typed;
      const opened = await followed(
        api.POST('/api/apps/{app}/pages/{page}/runs', {
          parseAs: 'stream',
          params: { path: { app, page } },
          body: {
            as,
            ...(release === undefined ? {} : { release }),
            inputs: onTheWire(sent),
            arguments: options.arguments ?? {},
            stop: stoppable(),
            ...(options.simulation && { simulation: options.simulation }),
          },
        }),
        setRun,
      );
      return { opened, sent };
    },
    onSuccess: ({ opened, sent }) => {
      settled(opened, sent);
    },
  });
  const happening = useMutation({
    scope,
    mutationFn: async ({ event, at = run?.run ?? '' }: { event: Happening; at?: string }) => {
      const sent = typed;
      const after = await followed(
        api.POST('/api/runs/{run}/events', {
          parseAs: 'stream',
          params: { path: { run: at } },
          body: {
            inputs: onTheWire(sent),
            event,
            stop: stoppable(),
            ...(options.simulation && { simulation: options.simulation }),
          },
        }),
        setRun,
      );
      return { after, sent };
    },
    onSuccess: ({ after, sent }) => {
      settled(after, sent);
    },
  });
  const finding = useMutation({
    mutationFn: (at: string) =>
      unwrap(api.GET('/api/runs/{run}', { params: { path: { run: at } } })),
    onSuccess: (found) => {
      settled(found, {});
    },
  });
  const turnNow = useRef(turn);
  useEffect(() => {
    turnNow.current = turn;
  }, [turn]);
  const fetching = useMutation({
    mutationFn: async ({ part, from }: { part: string; from: number }) => {
      const asked = turn;
      const rows = await unwrap(
        api.GET('/api/runs/{run}/parts/{part}/rows', {
          params: { path: { run: run?.run ?? '', part }, query: { from, count: WINDOW } },
        }),
      );
      return { part, rows, asked };
    },
    onSuccess: ({ part, rows, asked }) => {
      if (asked === turnNow.current) setFetched((there) => withRows(there, part, rows));
    },
  });
  /** A run that is over begins anew, with what the address still says. */
  const anewIfOver = (error: Error) => {
    if (error instanceof ApiProblem && error.code === 'SERVER_RUN_OVER') {
      happening.reset();
      finding.reset();
      opening.mutate();
    }
  };
  // Opening happens once, whatever the form holds later.
  const open = useEffectEvent(() => {
    if (!options.run) opening.mutate();
    else if (options.seen) {
      happening.mutate({ event: { kind: 'cameBack' }, at: options.run }, { onError: anewIfOver });
    } else finding.mutate(options.run, { onError: anewIfOver });
  });
  useEffect(() => {
    open();
  }, []);
  const happen = (event: Happening) => {
    happening.mutate({ event });
  };
  useTimes(run?.page.every ?? [], (seconds) => {
    happen({ kind: 'passed', seconds });
  });
  const pause = useRef<ReturnType<typeof setTimeout>>(undefined);
  const { mutate } = happening;
  const at = run?.run;
  const onArrange = useCallback(
    (part: string, { by, descending, find }: Arrangement) => {
      if (at === undefined) return;
      mutate({
        event: { kind: 'arranged', part, descending, find, ...(by ? { by } : {}) },
        at,
      });
    },
    [mutate, at],
  );
  const press = (event: Happening) => {
    clearTimeout(pause.current);
    happening.mutate({ event });
  };
  const use: Omit<PageUse, 'picked' | 'onPick'> = {
    building: false,
    typed,
    busy: opening.isPending || happening.isPending,
    onStop: () => {
      void api.POST('/api/stops/{key}', { params: { path: { key: stop.current } } });
    },
    onInput: (id, value, reported) => {
      setTyped((before) => ({ ...before, [id]: value }));
      if (!reported) return;
      clearTimeout(pause.current);
      pause.current = setTimeout(() => {
        happen({ kind: 'entered' });
      }, PAUSE);
    },
    onPress: (button, row) => {
      press({ kind: 'pressed', button, ...(row === undefined ? {} : { row }) });
    },
    onChoose: (part, row) => {
      press({ kind: 'chosen', part, row });
    },
    onReply: (yes) => {
      press({ kind: 'replied', yes });
    },
    onArrange,
    onRows: (part, from) => {
      fetching.mutate({ part, from });
    },
    fetched,
    fileOf: (part, format) => `/api/runs/${run?.run ?? ''}/parts/${part}/rows.${format}`,
  };
  return {
    run,
    /** How many times something happened. */
    turn,
    use,
    /** Whether something was typed that the server does not know yet. */
    unsent: Object.keys(typed).length > 0,
    error: opening.error ?? happening.error ?? finding.error ?? fetching.error,
    /** Opens the page anew, with what was typed kept. */
    again: () => {
      happening.reset();
      finding.reset();
      opening.mutate();
    },
  };
}

/** Tells each time that so many seconds have passed while the page is looked at. */
function useTimes(every: number[], onPassed: (seconds: number) => void) {
  const passed = useEffectEvent(onPassed);
  const key = every.join(' ');
  useEffect(() => {
    const timers = key
      .split(' ')
      .filter((one) => one !== '')
      .map((one) =>
        setInterval(
          () => {
            if (!document.hidden) passed(Number(one));
          },
          Number(one) * 1000,
        ),
      );
    return () => {
      timers.forEach(clearInterval);
    };
  }, [key]);
}
