import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import { ApiProblem } from '@/api/client';
import { FindingList } from '@/ui/FindingList';

interface Props {
  error: Error;
  onRetry?: (() => void) | undefined;
}

/** Why something could not be had: what happened, where, and what to do. */
export function Problem({ error, onRetry }: Props) {
  const problem = error instanceof ApiProblem ? error : undefined;
  const others = problem?.findings.slice(1) ?? [];
  return (
    <Alert
      severity="error"
      variant="outlined"
      action={onRetry && <Button onClick={onRetry}>Try again</Button>}
    >
      <strong>{error.message}</strong>
      {problem && <div>{problem.advice}</div>}
      <FindingList findings={others} label="More findings" />
    </Alert>
  );
}
