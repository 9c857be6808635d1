import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { AppEdit, Bench } from '@/api/client';

interface Props {
  page: string;
  bench: Bench;
  onEdit: (edit: AppEdit) => void;
}

/** What happens when, as sentences. */
export function Reactions({ page, bench, onEdit }: Props) {
  const nameOf = (call: string) =>
    bench.calls.find(({ id }) => id === call)?.operationName ?? 'a removed call';
  const onOpening = new Set(
    bench.reactions.flatMap(({ when, calls }) => (when.kind === 'opened' ? calls : [])),
  );
  const edit = (call: string, made: boolean) => {
    onEdit({ kind: 'callOnOpening', page, call, made });
  };
  return (
    <Box component="section" aria-label="Reactions" sx={{ mt: 2, color: 'text.secondary' }}>
      {bench.reactions.map((reaction) => (
        <Box key={reaction.id} component="p" sx={{ m: 0, py: 0.5 }}>
          {reaction.when.kind === 'opened' ? (
            'When the page is opened'
          ) : (
            <>
              When <strong>{reaction.words || 'a removed button'}</strong> is pressed
            </>
          )}
          {reaction.calls.map((call) => (
            <span key={call}>
              {' '}
              → call <strong>{nameOf(call)}</strong>
            </span>
          ))}
          {reaction.fills.length > 0 && (
            <>
              {' '}
              → fill <strong>{reaction.fills.join(', ')}</strong>
            </>
          )}
          . If it fails → say what the service said.
          {reaction.when.kind === 'opened' &&
            reaction.calls.map((call) => (
              <Button
                key={call}
                size="small"
                sx={{ ml: 1, px: 0.5 }}
                onClick={() => {
                  edit(call, false);
                }}
              >
                No longer
              </Button>
            ))}
        </Box>
      ))}
      {bench.calls
        .filter(({ id }) => !onOpening.has(id))
        .map(({ id, operationName }) => (
          <Button
            key={id}
            size="small"
            sx={{ mr: 1, px: 0.5 }}
            onClick={() => {
              edit(id, true);
            }}
          >
            Call {operationName} when the page is opened
          </Button>
        ))}
    </Box>
  );
}
