// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import type { AskingView } from '@/api/client';
import { DrawnPage } from './DrawnPage';
import { usedPage } from './testing';

afterEach(cleanup);

const CHANGED = 'Somebody else has changed this in the meantime.';

async function asked(asking: AskingView) {
  const onReply = vi.fn();
  render(
    <DrawnPage
      page={{ name: 'Crane', parts: [], frames: [], messages: [], every: [], asking }}
      use={usedPage({ onReply })}
    />,
  );
  await screen.findByRole('dialog');
  return onReply;
}

it('shows both states in a conflict, and leaving is no answer', async () => {
  const mine = { input: 'called', label: 'Called', mine: 'Egret', theirs: 'Osprey' };
  const onReply = await asked({ words: CHANGED, conflict: true, differences: [mine] });
  expect(screen.getByRole('row', { name: 'Called Egret Osprey' })).toBeTruthy();
  await userEvent.keyboard('{Escape}');
  expect(onReply).not.toHaveBeenCalled();
  await userEvent.click(screen.getByRole('button', { name: 'Take what is there now' }));
  expect(onReply).toHaveBeenCalledWith(false);
});

it('does not speak of a state of mine where nothing was typed', async () => {
  const onReply = await asked({ words: CHANGED, conflict: true, differences: [] });
  await userEvent.click(screen.getByRole('button', { name: 'Go on all the same' }));
  expect(onReply).toHaveBeenCalledWith(true);
});

it('takes leaving an ordinary question for a no', async () => {
  const onReply = await asked({ words: 'Open the chart?', conflict: false, differences: [] });
  await userEvent.keyboard('{Escape}');
  expect(onReply).toHaveBeenCalledWith(false);
});
