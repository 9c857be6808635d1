import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { api, ApiProblem, type AppEdit, type AppView, unwrap } from '@/api/client';
import { appQuery, appsQuery } from '@/api/queries';

export type Saving = 'saved' | 'saving' | 'failed' | 'behind';

export interface Edits {
  saving: Saving;
  problem: ApiProblem | undefined;
  /** @param then is told what came of it, if it was made */
  edit: (edit: AppEdit, then?: (view: AppView) => void) => void;
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
  const key = appQuery(app).queryKey;
  const [problem, setProblem] = useState<ApiProblem>();
  const refused = useRef<Change>(undefined);
  const saving = useMutation({
    // Edits wait for those before them.
    scope: { id: `edits of ${app}` },
    mutationFn: (change: Change) => change(queries.getQueryData(key)?.version ?? 0),
    onMutate: () => {
      setProblem(undefined);
    },
    onSuccess: (view) => {
      queries.setQueryData(key, view);
      void queries.invalidateQueries({ queryKey: appsQuery.queryKey, exact: true });
    },
    onError: (error, change) => {
      refused.current = change;
      if (!(error instanceof ApiProblem)) return;
      setProblem(error);
      if (error.code === 'SERVER_APP_CHANGED') void queries.invalidateQueries({ queryKey: key });
    },
  });
  const params = { path: { app } };
  return {
    saving: saving.isPending ? 'saving' : stateAfter(problem),
    problem,
    edit: (edit, then) => {
      saving.mutate(
        (version) => unwrap(api.POST('/api/apps/{app}/edits', { params, body: { version, edit } })),
        { onSuccess: (made) => then?.(made) },
      );
    },
    undo: () => {
      saving.mutate((version) =>
        unwrap(api.POST('/api/apps/{app}/undo', { params, body: { version } })),
      );
    },
    redo: () => {
      saving.mutate((version) =>
        unwrap(api.POST('/api/apps/{app}/redo', { params, body: { version } })),
      );
    },
    again: () => {
      if (refused.current) saving.mutate(refused.current);
    },
    dismiss: () => {
      setProblem(undefined);
    },
  };
}

/** What was refused for what it is has changed nothing, so all else is saved. */
function stateAfter(problem: ApiProblem | undefined): Saving {
  if (!problem || problem.status === 422) return 'saved';
  return problem.code === 'SERVER_APP_CHANGED' ? 'behind' : 'failed';
}
