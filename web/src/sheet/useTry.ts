import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { api, type Json, type Operation, type Sent, type Tried, unwrap, wire } from '@/api/client';
import { operationQuery } from '@/api/queries';
import {
  joined,
  type Path,
  type Steps,
  withoutEmptyItems,
  withoutItem,
  withValue,
} from '@/lib/json';

export interface Attempt {
  parameters: Json;
  answer: Json;
  /** Where the answer comes from: this very try, an earlier one, a sample, or the description. */
  origin: 'sent' | 'recorded' | 'failed' | 'given' | 'generated';
  /** What came back instead of an answer, where the sample is one that failed. */
  failure: string | undefined;
  cut: Tried['cut'];
  sent: Sent | undefined;
  outcome: Tried | undefined;
  error: Error | null;
  pending: boolean;
  setParameter: (path: Path, value: Json, steps: Steps) => void;
  removeItem: (path: Path, steps: Steps) => void;
  send: () => void;
  stop: () => void;
  /** Forgets what was typed and answered, as another sample is shown. */
  restart: () => void;
}

/** What there is no choice about stands where it must, whatever was there before. */
function withFixed({ goesIn }: Operation, parameters: Json): Json {
  return goesIn
    .filter(({ fixed, rows }) => fixed !== undefined && rows.length === 0)
    .reduce<Json>((all, { path, fixed }) => withValue(all, path, fixed), parameters);
}

function originOf({ sample: { origin } }: Operation) {
  return origin === 'recorded' || origin === 'failed' || origin === 'given' ? origin : 'generated';
}

/**
 * Trying an operation from its field sheet.
 *
 * @param handed values that another answer handed on, which count before those of the sample
 */
export function useTry(operation: Operation, endpoint: string, handed?: Json): Attempt {
  const queries = useQueryClient();
  const [typed, setTyped] = useState<Json>();
  const sampled = useMemo(
    () => joined(operation.sample.parameters, handed),
    [operation.sample.parameters, handed],
  );
  const parameters = useMemo(
    () => withFixed(operation, typed ?? sampled),
    [operation, typed, sampled],
  );
  const [stopper, setStopper] = useState<AbortController>();
  const trying = useMutation({
    mutationFn: (signal: AbortSignal) =>
      unwrap(
        api.POST('/api/services/{service}/operations/{operation}/tries', {
          params: { path: { service: operation.service, operation: operation.id } },
          body: {
            endpoint,
            parameters: wire(withoutEmptyItems(parameters)),
            edition: operation.edition,
          },
          signal,
        }),
      ),
    onSuccess: async () => {
      await queries.invalidateQueries({
        queryKey: operationQuery(operation.service, operation.id).queryKey,
      });
      await queries.invalidateQueries({ queryKey: ['bench'] });
    },
  });
  const stop = () => {
    stopper?.abort();
    trying.reset();
  };
  const tried = trying.data;
  // Once the new sample is here, it has the derived fields too.
  const kept = tried?.sent?.exchange === operation.sample.sent?.exchange;
  const answered = tried?.answer !== undefined && !kept;
  return {
    parameters,
    answer: answered ? tried.answer : operation.sample.answer,
    origin: tried?.answer !== undefined ? 'sent' : originOf(operation),
    failure: tried === undefined ? operation.sample.failure : undefined,
    cut: answered ? tried.cut : operation.sample.cut,
    sent: tried ? tried.sent : operation.sample.sent,
    outcome: tried,
    error: trying.error,
    pending: trying.isPending,
    setParameter: (path, value, steps) => {
      setTyped((before: Json) => withValue(before ?? sampled, path, value, steps));
    },
    removeItem: (path, steps) => {
      setTyped((before: Json) => withoutItem(before ?? sampled, path, steps));
    },
    send: () => {
      const next = new AbortController();
      setStopper(next);
      trying.mutate(next.signal);
    },
    stop,
    restart: () => {
      stop();
      setTyped(undefined);
    },
  };
}
