// @vitest-environment jsdom
import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { afterEach, expect, it } from 'vitest';
import type { Json, LinesView } from '@/api/client';
import { LinesPart } from './LinesPart';
import { anInput, usedPage } from './testing';
import { USUAL_WORDS } from './model';

afterEach(cleanup);

const GOODS: LinesView = {
  kind: 'lines',
  id: 'goods',
  heading: 'Goods',
  inputs: [
    anInput('item', { label: 'Item', required: true }),
    anInput('crates', { label: 'Crates' }),
  ],
  lines: [],
  required: false,
};

function shown(part: LinesView, building = false) {
  const all: Json[] = [];
  function Page() {
    const [typed, setTyped] = useState<Record<string, Json>>({});
    const use = usedPage({
      building,
      typed,
      onInput: (id, value) => {
        setTyped({ [id]: value });
        all.push(value);
      },
    });
    return <LinesPart part={part} use={use} words={USUAL_WORDS} />;
  }
  render(<Page />);
  return { user: userEvent.setup(), last: () => all.at(-1) };
}

const line = (number: number) => within(screen.getByRole('group', { name: `Line ${number}` }));

it('begins with an empty line and grows by pressing', async () => {
  const { user, last } = shown(GOODS);
  await user.type(line(1).getByLabelText(/Item/), 'rope');
  await user.click(screen.getByRole('button', { name: 'Another line' }));
  await user.type(line(2).getByLabelText('Crates'), '3');
  expect(last()).toEqual([{ item: 'rope' }, { crates: '3' }]);
});

it('takes out the line that was meant and keeps the others', async () => {
  const { user, last } = shown({ ...GOODS, lines: [{ item: 'rope' }, { item: 'tar' }] });
  await user.click(screen.getByRole('button', { name: 'Take line 1 away' }));
  expect(last()).toEqual([{ item: 'tar' }]);
  expect(line(1).getByLabelText(/Item/)).toHaveProperty('value', 'tar');
});

it('cannot be filled while the page is built', () => {
  shown(GOODS, true);
  expect(screen.getByRole('button', { name: 'Another line' })).toHaveProperty('disabled', true);
});
