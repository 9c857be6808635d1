import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useEffectEvent, useState } from 'react';
import {
  api,
  type Happening,
  type Json,
  type PageView,
  type Run,
  type TableView,
  unwrap,
  wire,
} from '@/api/client';
import { servicesQuery } from '@/api/queries';

const onTheWire = (typed: Record<string, Json>) =>
  Object.fromEntries(Object.entries(typed).map(([id, value]) => [id, wire(value)]));

/** The run with other rows of one of its tables. */
export function withRows(run: Run, table: TableView): Run {
  const parts = run.page.parts.map((part) => (part.id === table.id ? table : part));
  return { ...run, page: { ...run.page, parts } };
}

/** What stands in the inputs of a page. */
export function enteredIn(page: PageView): Record<string, Json> {
  return Object.fromEntries(
    page.parts
      .flatMap((part) => (part.kind === 'form' ? part.inputs : []))
      .filter(({ value }) => value !== null)
      .map(({ id, value }) => [id, value as Json]),
  );
}

/**
 * A page that really runs: events go to the server, which makes the calls.
 *
 * @param start what stands in the inputs before anybody types, for builders who try it
 */
export function useRun(
  app: string,
  page: string,
  builder: boolean,
  start: Record<string, Json> = {},
) {
  const queries = useQueryClient();
  const [run, setRun] = useState<Run>();
  const [typed, setTyped] = useState(start);
  const settled = (next: Run) => {
    setRun(next);
    if (!builder) return;
    // On the bench the answer is the new sample, in the field sheets too. The page need not wait.
    void queries.invalidateQueries({ queryKey: ['bench'] });
    void queries.invalidateQueries({ queryKey: servicesQuery.queryKey });
  };
  const opening = useMutation({
    mutationFn: () =>
      unwrap(
        api.POST('/api/apps/{app}/pages/{page}/runs', {
          params: { path: { app, page } },
          body: { builder, inputs: onTheWire(typed) },
        }),
      ),
    onSuccess: settled,
  });
  const happening = useMutation({
    mutationFn: (event: Happening) =>
      unwrap(
        api.POST('/api/runs/{run}/events', {
          params: { path: { run: run?.run ?? '' } },
          body: {
            inputs: onTheWire(typed),
            event,
          },
        }),
      ),
    onSuccess: settled,
  });
  const fetching = useMutation({
    mutationFn: ({ part, from }: { part: string; from: number }) =>
      unwrap(
        api.GET('/api/runs/{run}/parts/{part}/rows', {
          params: { path: { run: run?.run ?? '', part }, query: { from, count: 200 } },
        }),
      ),
    onSuccess: (table) => {
      if (run) setRun(withRows(run, table));
    },
  });
  // Opening happens once, whatever the form holds later.
  const open = useEffectEvent(() => {
    opening.mutate();
  });
  useEffect(() => {
    open();
  }, []);
  return {
    run,
    typed,
    busy: opening.isPending || happening.isPending,
    error: opening.error ?? happening.error ?? fetching.error,
    /** Opens the page anew, with what was typed kept. */
    again: () => {
      happening.reset();
      opening.mutate();
    },
    onInput: (id: string, value: Json) => {
      setTyped((before) => ({ ...before, [id]: value }));
    },
    onPress: (button: string) => {
      happening.mutate({ kind: 'pressed', button });
    },
    onChoose: (part: string, row: number) => {
      happening.mutate({ kind: 'chosen', part, row });
    },
    onRows: (part: string, from: number) => {
      fetching.mutate({ part, from });
    },
  };
}
