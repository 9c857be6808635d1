import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api, type Operation, unwrap } from '@/api/client';
import { operationQuery } from '@/api/queries';
import type { FieldRow } from '@/sheet/model';

/** Which values of a sampled request are parameters, and which are sent as they were given. */
export function useGiven(operation: Operation) {
  const queries = useQueryClient();
  const keeping = useMutation({
    mutationFn: (row: FieldRow) =>
      unwrap(
        api.PUT('/api/services/{service}/operations/{operation}/given', {
          params: { path: { service: operation.service, operation: operation.id } },
          body: { path: row.field.path, asGiven: row.field.fixed === undefined },
        }),
      ),
    onSuccess: async (changed) => {
      queries.setQueryData(operationQuery(operation.service, operation.id).queryKey, changed);
      await queries.invalidateQueries({ queryKey: ['preview'] });
    },
  });
  return {
    error: keeping.error,
    /** Whether a value may be either. */
    isChoice: (row: FieldRow) =>
      operation.learns && row.side === 'in' && row.field.kind === 'scalar',
    isAsGiven: (row: FieldRow) => row.side === 'in' && row.field.fixed !== undefined,
    toggle: keeping.mutate,
  };
}
