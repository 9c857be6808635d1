import Button from '@mui/material/Button';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api, type Operation, unwrap } from '@/api/client';
import { operationQuery } from '@/api/queries';
import { Problem } from '@/ui/Problem';

interface Props {
  operation: Operation;
  exchange: string;
  onLearnt: () => void;
}

/** Takes what came back for a sample, where samples are all that is known of a service. */
export function LearnButton({ operation, exchange, onLearnt }: Props) {
  const queries = useQueryClient();
  const learning = useMutation({
    mutationFn: () =>
      unwrap(
        api.POST('/api/services/{service}/operations/{operation}/answers', {
          params: { path: { service: operation.service, operation: operation.id } },
          body: { exchange },
        }),
      ),
    onSuccess: async (wider) => {
      queries.setQueryData(operationQuery(operation.service, operation.id).queryKey, wider);
      onLearnt();
      await queries.invalidateQueries();
    },
  });
  return (
    <>
      <Button
        variant="outlined"
        disabled={learning.isPending}
        title="Adds the fields of this answer to those that are known"
        onClick={() => {
          learning.mutate();
        }}
      >
        Take the fields of this answer
      </Button>
      {learning.error && <Problem error={learning.error} />}
    </>
  );
}
