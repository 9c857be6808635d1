// @vitest-environment jsdom
import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it } from 'vitest';
import type { ColumnView } from '@/api/client';
import { CardsPart } from './CardsPart';
import { type PageUse, USUAL_WORDS } from './model';
import { aColumn, someRows, usedPage } from './testing';

afterEach(cleanup);

const JOBS: ColumnView = {
  ...aColumn('jobs', 'Jobs', 'ROWS'),
  inside: [
    { label: 'Lifts', display: 'TEXT' },
    { label: 'Until', display: 'TEXT' },
  ],
};

function shown(columns: ColumnView[], texts: string[][], use: PageUse = usedPage()) {
  const rows = someRows(columns, texts, { choosing: true });
  const inside = ['lock gate', 'noon'].map((text) => ({ text, value: null }));
  for (const row of rows.rows) {
    const last = row.cells.at(-1);
    if (last && columns.at(-1) === JOBS && last.text !== '') last.inside = [inside];
  }
  render(
    <CardsPart
      part={{ kind: 'cards', id: 'cranes', heading: 'Cranes', rows }}
      use={use}
      words={USUAL_WORDS}
    />,
  );
  return { user: userEvent.setup(), use };
}

it('shows the rows inside a card where they are asked for, and the card stays as it is', async () => {
  const { user, use } = shown(
    [aColumn('name', 'Called'), JOBS],
    [
      ['Heron', '1'],
      ['Egret', ''],
    ],
  );
  expect(screen.queryByRole('table')).toBeNull();
  const [toggle, ...more] = screen.getAllByRole('button', { name: /^Jobs/ });
  expect(more).toEqual([]);
  if (!toggle) throw new Error('Nothing shows the jobs.');
  await user.click(toggle);
  const table = within(screen.getByRole('option', { name: /Heron/ })).getByRole('table');
  expect(table.textContent).toBe('LiftsUntillock gatenoon');
  expect(use.onChoose).not.toHaveBeenCalled();
  await user.click(toggle);
  expect(screen.queryByRole('table')).toBeNull();
});

it('is chosen with the keyboard too', async () => {
  const { user, use } = shown([aColumn('name', 'Called')], [['Heron'], ['Egret']]);
  screen.getByRole('option', { name: 'Egret' }).focus();
  await user.keyboard(' ');
  expect(use.onChoose).toHaveBeenCalledWith('cranes', 1);
});
