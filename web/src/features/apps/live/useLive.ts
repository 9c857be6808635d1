import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useEffectEvent, useReducer, useRef } from 'react';
import {
  api,
  ApiProblem,
  type Happening,
  type Json,
  type Page,
  type Preview,
  unwrap,
  wire,
} from '@/api/client';
import { servicesQuery } from '@/api/queries';
import { changeLive, missing, opened } from './model';

/** A page that really runs: events go to the server, which makes the calls. */
export function useLive(app: string, page: Page, bench?: { preview: Preview }) {
  const queries = useQueryClient();
  const [state, dispatch] = useReducer(changeLive, undefined, () => opened(page, bench?.preview));
  const last = useRef(0);
  const happen = async (event: Happening) => {
    const empty = event.kind === 'pressed' ? missing(page, event.button, state.inputs) : [];
    if (empty.length > 0) {
      dispatch({ type: 'failed', words: `Please fill in: ${empty.join(', ')}.` });
      return;
    }
    const turn = ++last.current;
    dispatch({ type: 'asked' });
    try {
      const run = await unwrap(
        api.POST('/api/apps/{app}/pages/{page}/events', {
          params: { path: { app, page: page.id } },
          body: {
            inputs: Object.fromEntries(
              Object.entries(state.inputs).map(([id, value]) => [id, wire(value)]),
            ),
            event,
            keep: bench !== undefined,
          },
        }),
      );
      // An answer that comes after a later press is of no interest any more.
      if (turn === last.current) dispatch({ type: 'answered', run });
      if (bench) {
        // On the bench the answer is the new sample, in the field sheets too.
        await queries.invalidateQueries({ queryKey: ['preview'] });
        await queries.invalidateQueries({ queryKey: servicesQuery.queryKey });
      }
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      dispatch({ type: 'failed', words: `${error.message} ${error.advice}` });
    }
  };
  // Opening happens once, whatever the form holds later.
  const open = useEffectEvent(() => {
    if (page.reactions.some(({ when }) => when.kind === 'opened')) void happen({ kind: 'opened' });
  });
  useEffect(() => {
    open();
  }, []);
  return {
    state,
    onInput: (id: string, value: Json) => {
      dispatch({ type: 'input', id, value });
    },
    onPress: (button: string) => void happen({ kind: 'pressed', button }),
  };
}
