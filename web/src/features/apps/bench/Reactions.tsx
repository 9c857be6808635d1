import Box from '@mui/material/Box';
import { Fragment } from 'react';
import type { Operation, Page, Reaction } from '@/api/client';
import { operationName } from './model';

interface Props {
  page: Page;
  operations: (Operation | undefined)[];
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

/** What happens when, as sentences. */
export function Reactions({ page, operations }: Props) {
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
        </Box>
      ))}
    </Box>
  );
}
