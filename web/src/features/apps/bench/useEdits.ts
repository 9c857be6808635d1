import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useRef, useState } from 'react';
import { api, ApiProblem, type AppEdit, type AppView, unwrap } from '@/api/client';
import { appQuery, appsQuery } from '@/api/queries';

export type Saving = 'saved' | 'saving' | 'failed' | 'behind';

export interface Edits {
  saving: Saving;
  problem: ApiProblem | undefined;
  edit: (edit: AppEdit) => void;
  undo: () => void;
  redo: () => void;
  /** Makes the edit that was refused or did not get through once more, on the newest state. */
  again: () => void;
  dismiss: () => void;
}

type Change = (version: number) => Promise<AppView>;

/** Edits of an app, saved one after the other the moment they are made. */
export function useEdits(app: string): Edits {
  const queries = useQueryClient();
  const [saving, setSaving] = useState<Saving>('saved');
  const [problem, setProblem] = useState<ApiProblem>();
  const queue = useRef<Promise<void>>(Promise.resolve());
  const refused = useRef<Change>(undefined);
  const key = appQuery(app).queryKey;

  const run = useCallback(
    async (change: Change) => {
      setSaving('saving');
      setProblem(undefined);
      try {
        const view = await change(queries.getQueryData(key)?.version ?? 0);
        queries.setQueryData(key, view);
        void queries.invalidateQueries({ queryKey: appsQuery.queryKey, exact: true });
        setSaving('saved');
      } catch (error) {
        if (!(error instanceof ApiProblem)) throw error;
        refused.current = change;
        setProblem(error);
        const behind = error.code === 'SERVER_APP_CHANGED';
        setSaving(behind ? 'behind' : error.status === 422 ? 'saved' : 'failed');
        if (behind) await queries.invalidateQueries({ queryKey: key });
      }
    },
    [queries, key],
  );
  const enqueue = useCallback(
    (change: Change) => {
      queue.current = queue.current.then(() => run(change));
    },
    [run],
  );
  const params = { path: { app } };
  return {
    saving,
    problem,
    edit: (edit) => {
      enqueue((version) =>
        unwrap(api.POST('/api/apps/{app}/edits', { params, body: { version, edit } })),
      );
    },
    undo: () => {
      enqueue((version) => unwrap(api.POST('/api/apps/{app}/undo', { params, body: { version } })));
    },
    redo: () => {
      enqueue((version) => unwrap(api.POST('/api/apps/{app}/redo', { params, body: { version } })));
    },
    again: () => {
      if (refused.current) enqueue(refused.current);
    },
    dismiss: () => {
      setProblem(undefined);
      setSaving('saved');
    },
  };
}
