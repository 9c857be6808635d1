import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { Fragment } from 'react';
import type { AppEdit, Operation, Page, Reaction } from '@/api/client';
import { operationName } from './model';

interface Props {
  page: Page;
  operations: (Operation | undefined)[];
  onEdit: (edit: AppEdit) => void;
}

/** The call that a reaction makes by itself on opening. */
function callOnOpening({ when, steps }: Reaction) {
  const first = when.kind === 'opened' ? steps[0] : undefined;
  return first?.kind === 'call' ? first.call : undefined;
}

function trigger(page: Page, reaction: Reaction) {
  const { when } = reaction;
  if (when.kind === 'opened') return <>When the page is opened</>;
  const button = page.parts.find((part) => part.id === when.button);
  return (
    <>
      When <strong>{button?.label ?? 'a removed button'}</strong> is pressed
    </>
  );
}

function LeaveOut({
  call,
  onEdit,
}: {
  call: string | undefined;
  onEdit: (call: string, made: boolean) => void;
}) {
  return (
    call !== undefined && (
      <Button
        size="small"
        sx={{ ml: 1, px: 0.5 }}
        onClick={() => {
          onEdit(call, false);
        }}
      >
        No longer
      </Button>
    )
  );
}

/** What happens when, as sentences. */
export function Reactions({ page, operations, onEdit }: Props) {
  const onOpening = new Set(page.reactions.map(callOnOpening));
  const edit = (call: string, made: boolean) => {
    onEdit({ kind: 'callOnOpening', page: page.id, call, made });
  };
  return (
    <Box component="section" aria-label="Reactions" sx={{ mt: 2, color: 'text.secondary' }}>
      {page.reactions.map((reaction, index) => (
        <Box key={index} component="p" sx={{ m: 0, py: 0.5 }}>
          {trigger(page, reaction)}
          {reaction.steps.map((step, at) => {
            if (step.kind === 'say') return <Fragment key={at}> → say “{step.text}”</Fragment>;
            const call = page.calls.find((one) => one.id === step.call);
            const filled = new Set(
              (call?.comesBack ?? []).flatMap(({ target }) =>
                target.kind === 'parameter' ? [] : [target.part],
              ),
            );
            const parts = page.parts.filter((part) => filled.has(part.id));
            return (
              <Fragment key={at}>
                {' '}
                → call <strong>{call ? operationName(operations, call) : 'a removed call'}</strong>
                {parts.length > 0 && (
                  <>
                    {' '}
                    → fill{' '}
                    <strong>
                      {parts.map((part) => part.label || `the ${part.kind}`).join(', ')}
                    </strong>
                  </>
                )}
              </Fragment>
            );
          })}
          . If it fails → say what the service said.
          <LeaveOut call={callOnOpening(reaction)} onEdit={edit} />
        </Box>
      ))}
      {page.calls
        .filter((call) => !onOpening.has(call.id))
        .map((call) => (
          <Button
            key={call.id}
            size="small"
            sx={{ mr: 1, px: 0.5 }}
            onClick={() => {
              edit(call.id, true);
            }}
          >
            Call {operationName(operations, call)} when the page is opened
          </Button>
        ))}
    </Box>
  );
}
