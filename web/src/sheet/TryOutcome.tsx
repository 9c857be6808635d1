import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import { inLine } from '@/lib/format';
import { isRecord } from '@/lib/json';
import { FindingList } from '@/ui/FindingList';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';
import type { Attempt } from './useTry';

/** What there is to say about the last try: it is under way, it failed, the service refused. */
export function TryOutcome({ attempt }: { attempt: Attempt }) {
  const { outcome } = attempt;
  if (attempt.pending) return <Waiting what="Waiting for the service" onStop={attempt.stop} />;
  if (attempt.error && attempt.error.name !== 'AbortError')
    return <Problem error={attempt.error} onRetry={attempt.send} />;
  if (!outcome) return null;
  const detail = outcome.fault?.detail;
  return (
    <Box aria-live="polite" sx={{ mb: outcome.fault || outcome.findings.length > 0 ? 1 : 0 }}>
      {outcome.fault && (
        <Alert severity="warning" variant="outlined">
          <strong>The service refused: {outcome.fault.reason || outcome.fault.code}</strong>
          <div>
            {outcome.fault.name ? `It announced this case as ${outcome.fault.name}. ` : ''}
            {isRecord(detail) && Object.keys(detail).length > 0 && inLine(detail)}
          </div>
        </Alert>
      )}
      <FindingList findings={outcome.findings} label="Findings" />
    </Box>
  );
}
