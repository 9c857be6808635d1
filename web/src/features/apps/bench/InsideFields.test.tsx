// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import { InsideFields } from './InsideFields';

afterEach(cleanup);

function opened(chosen: boolean) {
  const onChoose = vi.fn();
  const field = (name: string, shown: boolean) => ({ name, label: name.toUpperCase(), shown });
  const fields = [field('code', true), field('goods', true), field('begins', false)];
  render(<InsideFields settings={{ chosen, fields }} onChoose={onChoose} />);
  return { onChoose, user: userEvent.setup() };
}

it('puts a field that is ticked behind the others, and leaves one out', async () => {
  const { onChoose, user } = opened(false);
  await user.click(screen.getByRole('combobox', { name: /What its rows show/ }));
  await user.click(screen.getByRole('option', { name: 'BEGINS' }));
  expect(onChoose).toHaveBeenLastCalledWith(['code', 'goods', 'begins']);
  await user.click(screen.getByRole('option', { name: 'CODE' }));
  expect(onChoose).toHaveBeenLastCalledWith(['goods']);
  expect(screen.queryByRole('option', { name: 'as the model says' })).toBeNull();
});

it('goes back to what the model says', async () => {
  const { onChoose, user } = opened(true);
  await user.click(screen.getByRole('combobox', { name: /What its rows show/ }));
  await user.click(screen.getByRole('option', { name: 'as the model says' }));
  expect(onChoose).toHaveBeenLastCalledWith([]);
});
