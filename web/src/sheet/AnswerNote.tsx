import Box from '@mui/material/Box';
import { millis } from '@/lib/format';
import type { Attempt } from './useTry';

const WORDS = {
  sent: 'just answered',
  recorded: 'recorded',
  failed: 'a call that fails',
  given: 'from the sample, nothing sent yet',
  generated: 'made up, nothing sent yet',
};

interface Props {
  attempt: Attempt;
  /** The name of the sample that is shown, where one was chosen. */
  sample?: string | undefined;
}

/** Where the values beside the returned fields come from. */
export function AnswerNote({ attempt, sample }: Props) {
  const failed = attempt.outcome !== undefined && attempt.origin !== 'sent';
  const words =
    sample !== undefined && attempt.origin !== 'sent'
      ? `the sample ${sample}`
      : WORDS[attempt.origin];
  const older = attempt.origin === 'generated' ? 'made-up values' : 'older values';
  return (
    <Box component="span" sx={{ fontStyle: attempt.origin === 'generated' ? 'italic' : undefined }}>
      {' · '}
      {failed ? `last try failed, ${older}` : words}
      {attempt.failure && !failed && `: ${attempt.failure}`}
      {attempt.sent && !failed && `, ${millis(attempt.sent.tookMillis)}`}
    </Box>
  );
}
