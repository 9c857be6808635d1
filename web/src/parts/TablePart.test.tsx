// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { ColumnView, Content, RowsView } from '@/api/client';
import { type PageUse, USUAL_WORDS } from './model';
import { TablePart } from './TablePart';
import { aColumn, someRows, usedPage } from './testing';

/** Says which blocks are near; there is no screen here to be near to. */
class Nearness {
  static last: Nearness;
  readonly watched: Element[] = [];
  constructor(readonly tell: (entries: object[]) => void) {
    Nearness.last = this;
  }
  observe(element: Element) {
    this.watched.push(element);
  }
  disconnect() {
    this.watched.length = 0;
  }
  static set(place: number, isIntersecting: boolean) {
    const target = Nearness.last.watched[place];
    act(() => {
      Nearness.last.tell([{ target, isIntersecting, boundingClientRect: { height: 900 } }]);
    });
  }
}

afterEach(cleanup);

const COLUMNS = [aColumn('name', 'Called'), aColumn('lifts', 'Lifts', 'NUMBER')];
const CRANES = [
  ['Heron', '12.5'],
  ['Egret', '40'],
];

function shown(over: Partial<RowsView> = {}, use: PageUse = usedPage(), words = USUAL_WORDS) {
  const rows = someRows(COLUMNS, CRANES, over);
  const table = (used: PageUse) => (
    <TablePart
      part={{ kind: 'table', id: 'cranes', heading: 'Cranes', rows }}
      use={used}
      words={words}
    />
  );
  const { rerender } = render(table(use));
  return {
    user: userEvent.setup(),
    use,
    again: (used: PageUse) => {
      rerender(table(used));
    },
  };
}

const row = (name: string) => screen.getByRole('row', { name: new RegExp(name) });

describe('a table', () => {
  it.each<[Content, string, string]>([
    ['NONE', 'before', 'Nothing asked yet.'],
    ['WAITING', 'waiting', 'Waiting for the service…'],
    ['EMPTY', 'empty', 'Nothing was found.'],
    ['FAILED', 'failed', 'It could not be fetched.'],
  ])('says in its own words or the usual ones that it is %s', (content, state, usual) => {
    const none = { rows: [], all: 0, content };
    shown(none);
    expect(screen.getByText(usual)).toBeTruthy();
    cleanup();
    shown(none, usedPage(), { ...USUAL_WORDS, [state]: 'No cranes now' });
    expect(screen.getByText('No cranes now')).toBeTruthy();
    expect(screen.queryByText(usual)).toBeNull();
  });

  it('orders by a column: up, down, and back to the order of the answer', async () => {
    const press = async (over: Partial<RowsView>) => {
      const { user, use } = shown(over);
      await user.click(screen.getByRole('button', { name: 'Called' }));
      cleanup();
      return use.onArrange;
    };
    expect(await press({})).toHaveBeenCalledWith('cranes', {
      by: 'name',
      descending: false,
      find: '',
    });
    expect(await press({ by: 'name' })).toHaveBeenCalledWith('cranes', {
      by: 'name',
      descending: true,
      find: '',
    });
    expect(await press({ by: 'name', descending: true })).toHaveBeenCalledWith('cranes', {
      by: undefined,
      descending: false,
      find: '',
    });
  });

  it('takes a second press before the rows came as one more, not as the same again', async () => {
    const { user, use } = shown();
    await user.click(screen.getByRole('button', { name: 'Called' }));
    await user.click(screen.getByRole('button', { name: 'Called' }));
    expect(use.onArrange).toHaveBeenLastCalledWith('cranes', {
      by: 'name',
      descending: true,
      find: '',
    });
  });

  it('opens the rows inside a row, one row at a time, and chooses nothing by that', async () => {
    const cargo: ColumnView = {
      ...aColumn('cargo', 'Cargo', 'ROWS'),
      inside: [{ label: 'Kind', display: 'TEXT' }],
    };
    const inside = (...kinds: string[]) => ({
      text: kinds.length === 0 ? '' : String(kinds.length),
      value: null,
      inside: kinds.map((text) => [{ text, value: null }]),
    });
    const columns = [COLUMNS[0] ?? cargo, cargo];
    const rows = someRows(columns, [['Heron'], ['Egret']]).rows.map((line, at) => ({
      ...line,
      cells: [...line.cells, at === 0 ? inside('barley', 'slate') : inside()],
    }));
    const { user, use } = shown({ columns, rows, choosing: true });
    expect(screen.queryByText('barley')).toBeNull();
    await user.click(screen.getByRole('button', { name: 'Cargo: 2' }));
    const inner = screen.getByRole('table', { name: 'Cargo' });
    expect(
      within(inner)
        .getAllByRole('row')
        .map(({ textContent }) => textContent),
    ).toEqual(['Kind', 'barley', 'slate']);
    expect(use.onChoose).not.toHaveBeenCalled();
    await user.click(screen.getByRole('button', { name: 'Cargo: 2' }));
    expect(screen.queryByText('barley')).toBeNull();
    expect(screen.getAllByRole('button', { name: /^Cargo: / })).toHaveLength(1);
  });

  it('draws of a long table only what is near, and fetches what is not here', () => {
    vi.stubGlobal('IntersectionObserver', Nearness);
    vi.useFakeTimers();
    const many = Array.from({ length: 200 }, (_, place) => [`Crane ${String(place)}`, '1']);
    const rows = someRows(COLUMNS, many, { total: 10_000, all: 10_000 });
    const { use } = shown(rows);
    expect(screen.getByRole('table').getAttribute('aria-rowcount')).toBe('10001');
    expect(screen.queryByText('Crane 0')).toBeNull();

    Nearness.set(0, true);
    expect(screen.getByText('Crane 49')).toBeTruthy();
    expect(screen.queryByText('Crane 50')).toBeNull();
    vi.runAllTimers();
    expect(use.onRows).not.toHaveBeenCalled();

    Nearness.set(0, false);
    expect(screen.queryByText('Crane 49')).toBeNull();
    Nearness.set(80, true);
    Nearness.set(81, true);
    vi.runAllTimers();
    expect(use.onRows).toHaveBeenCalledTimes(1);
    expect(use.onRows).toHaveBeenCalledWith('cranes', 4_000);

    cleanup();
    const later = new Map([
      [4_010, { number: 7, cells: [{ text: 'Late', value: null }], without: [] }],
    ]);
    shown(rows, usedPage({ fetched: new Map([['cranes', later]]) }));
    Nearness.set(80, true);
    expect(screen.getByText('Late').closest('tr')?.getAttribute('aria-rowindex')).toBe('4012');
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });

  it('prints all rows of a long table once they are here', () => {
    vi.stubGlobal('IntersectionObserver', Nearness);
    const printed: (string | null)[] = [];
    const print = vi.fn(() => printed.push(screen.getByRole('table').textContent));
    vi.stubGlobal('print', print);
    const names = Array.from({ length: 200 }, (_, place) => [`Crane ${String(place)}`, '1']);
    const rows = someRows(COLUMNS, names, { total: 201, all: 201 });
    const use = usedPage({ fileOf: () => '/rows' });
    const { again } = shown(rows, use);
    fireEvent.click(screen.getByText('print all rows'));
    expect(use.onRows).toHaveBeenCalledWith('cranes', 200);
    expect(print).not.toHaveBeenCalled();

    const late = new Map([
      [200, { number: 200, cells: [{ text: 'Late', value: null }], without: [] }],
    ]);
    again({ ...use, fetched: new Map([['cranes', late]]) });
    expect(print).toHaveBeenCalledTimes(1);
    expect(printed[0]).toContain('Crane 199');
    expect(printed[0]).toContain('Late');
    fireEvent(window, new Event('afterprint'));
    expect(screen.queryByText('Crane 199')).toBeNull();
    vi.unstubAllGlobals();
  });

  it('lets a row be chosen with the mouse and with the keyboard', async () => {
    const { user, use } = shown({ choosing: true });
    await user.click(row('Egret'));
    expect(use.onChoose).toHaveBeenLastCalledWith('cranes', 1);
    row('Heron').focus();
    await user.keyboard('{Enter}');
    expect(use.onChoose).toHaveBeenLastCalledWith('cranes', 0);
  });

  it('lets builders look into a value of a page that runs without a mouse', async () => {
    const onPick = vi.fn();
    const { user, use } = shown({ choosing: true }, usedPage({ onPick }));
    screen.getByRole('cell', { name: 'Egret' }).focus();
    await user.keyboard('{Enter}');
    expect(onPick).toHaveBeenCalledWith({ part: 'cranes', item: 'name', row: 1 });
    expect(use.onChoose).not.toHaveBeenCalled();
    cleanup();
    shown({ choosing: true });
    expect(screen.getByRole('cell', { name: 'Egret' }).tabIndex).toBe(-1);
  });

  it('chooses nothing where nothing would follow', async () => {
    const { user, use } = shown();
    await user.click(row('Egret'));
    expect(use.onChoose).not.toHaveBeenCalled();
  });

  it('has buttons in rows that act on their row and do not choose it', async () => {
    const { user, use } = shown({
      choosing: true,
      buttons: [{ kind: 'button', id: 'hail', heading: 'Hail', manner: 'ORDINARY' }],
      rows: someRows(COLUMNS, CRANES).rows.map((one) =>
        one.number === 0 ? { ...one, without: ['hail'] } : one,
      ),
    });
    expect(within(row('Heron')).queryByRole('button')).toBeNull();
    await user.click(within(row('Egret')).getByRole('button', { name: 'Hail' }));
    expect(use.onPress).toHaveBeenCalledWith('hail', 1);
    expect(use.onChoose).not.toHaveBeenCalled();
  });

  it('asks before a button does what cannot be taken back', async () => {
    const { user, use } = shown({
      buttons: [{ kind: 'button', id: 'scrap', heading: 'Scrap', manner: 'DANGEROUS' }],
    });
    await user.click(within(row('Egret')).getByRole('button', { name: 'Scrap' }));
    expect(use.onPress).not.toHaveBeenCalled();
    await user.click(
      within(await screen.findByRole('dialog')).getByRole('button', { name: 'Scrap' }),
    );
    expect(use.onPress).toHaveBeenCalledWith('scrap', 1);
  });

  it('says under a column what it was asked to say of all rows', () => {
    shown({ totals: [{ column: 'lifts', total: 'SUM', text: '52.5' }] });
    const feet = screen.getAllByRole('row').at(-1);
    expect(feet?.textContent).toBe('sum 52.5');
  });

  it('says why there is nothing', () => {
    shown({ rows: [], total: 0, all: 0, content: 'EMPTY' });
    expect(screen.queryByRole('table')).toBeNull();
    expect(document.body.textContent).toMatch(/Nothing|No /);
  });
});
