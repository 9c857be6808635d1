// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import { FormPart } from './FormPart';
import { anInput, usedPage } from './testing';
import { USUAL_WORDS } from './model';

afterEach(cleanup);

const NOTICE = {
  kind: 'form' as const,
  id: 'notice',
  heading: '',
  inputs: [
    anInput('way', { label: 'Way', reported: true }),
    anInput('channel', { label: 'Channel', hidden: true }),
  ],
};

it('tells who builds it what is asked for only where it is chosen', () => {
  render(
    <FormPart
      part={NOTICE}
      use={usedPage({ building: true })}
      words={USUAL_WORDS}
      button={undefined}
    />,
  );
  expect(screen.getAllByText('Asked for where it is chosen.')).toHaveLength(1);
});

it('lets builders look into what stands in an input', async () => {
  const onPick = vi.fn();
  render(<FormPart part={NOTICE} use={usedPage({ onPick })} words={USUAL_WORDS} button="send" />);
  await userEvent.click(screen.getByLabelText('Way'));
  expect(onPick).not.toHaveBeenCalled();
  await userEvent.keyboard('{Alt>}{Enter}{/Alt}');
  expect(onPick).toHaveBeenCalledWith({ part: 'notice', item: 'way' });
});

it('presses its button on Enter, and reports what something follows from', async () => {
  const onPress = vi.fn();
  const onInput = vi.fn();
  render(
    <FormPart
      part={NOTICE}
      use={usedPage({ onPress, onInput })}
      words={USUAL_WORDS}
      button="send"
    />,
  );
  await userEvent.type(screen.getByLabelText('Way'), 'r');
  expect(onInput).toHaveBeenLastCalledWith('way', 'r', true);
  await userEvent.type(screen.getByLabelText('Way'), '{Enter}');
  expect(onPress).toHaveBeenCalledWith('send');
});
