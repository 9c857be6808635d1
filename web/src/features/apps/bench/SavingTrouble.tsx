import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import type { AppView } from '@/api/client';
import type { Edits } from './useEdits';

/** Why an edit was not made, and what can be done about it. */
export function SavingTrouble({ edits, view }: { edits: Edits; view: AppView }) {
  const { problem } = edits;
  if (!problem) return null;
  const newer =
    problem.code === 'APP_FIELD_NEWER' ? view.services.filter((one) => !one.newest) : [];
  return (
    <Alert
      severity="error"
      variant="outlined"
      action={
        <>
          {edits.saving !== 'saved' && <Button onClick={edits.again}>Make my edit again</Button>}
          <Button onClick={edits.dismiss}>Leave it</Button>
        </>
      }
    >
      <strong>{problem.message}</strong> {problem.advice}
      {newer.length > 0 && <span> The app uses an older edition of {newer[0]?.name}.</span>}
    </Alert>
  );
}
