import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api, type FieldView, type Operation, unwrap } from '@/api/client';
import { operationQuery } from '@/api/queries';
import type { Step } from '@/lib/json';
import type { FieldRow } from '@/sheet/model';

interface Mark {
  path: Step[];
  parameter: boolean;
}

/** Which values of a sampled request are parameters, and which are sent as they were given. */
export function useMarks(operation: Operation) {
  const queries = useQueryClient();
  const marking = useMutation({
    mutationFn: (mark: Mark) =>
      unwrap(
        api.PUT('/api/services/{service}/operations/{operation}/marks', {
          params: { path: { service: operation.service, operation: operation.id } },
          body: mark,
        }),
      ),
    onSuccess: async (changed) => {
      queries.setQueryData(operationQuery(operation.service, operation.id).queryKey, changed);
      await queries.invalidateQueries({ queryKey: ['bench'] });
    },
  });
  return {
    error: marking.error,
    /** Whether a value may be either. */
    isChoice: (row: FieldRow) =>
      operation.learns && row.side === 'in' && row.field.kind === 'scalar',
    toggle: ({ path, given }: FieldView) => {
      marking.mutate({ path, parameter: given });
    },
  };
}
