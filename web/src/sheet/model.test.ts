import { describe, expect, it } from 'vitest';
import type { FieldView, Json } from '@/api/client';
import {
  changeView,
  type FieldRow,
  rowKey,
  type Sheet,
  startView,
  type View,
  visibleRows,
} from './model';
import { moveBy, sheetKey, type SheetKeys } from './keys';

function field(path: string, more: Partial<FieldView> = {}): FieldView {
  const steps = path.split('/');
  return {
    path: steps,
    name: steps.at(-1) ?? '',
    kind: 'scalar',
    type: 'text',
    required: false,
    repeats: false,
    nillable: false,
    documentation: '',
    choices: [],
    wire: '',
    rows: [],
    recursive: false,
    more: false,
    given: false,
    ...more,
  };
}

const record: Partial<FieldView> = { kind: 'record', type: '' };

const sheet: Sheet = {
  goesIn: [field('day', { required: true }), field('basin')],
  comesBack: [
    field('total'),
    field('arrivals', { ...record, repeats: true }),
    field('arrivals/vessel', record),
    field('arrivals/vessel/name', { documentation: 'registered name' }),
    field('arrivals/cargo', { ...record, repeats: true }),
    field('arrivals/cargo/goods'),
    field('arrivals/diag', record),
    field('arrivals/diag/node'),
  ],
  parameters: { day: '2031-05-14' },
  answer: {
    total: 2,
    arrivals: [
      { vessel: { name: 'Marrow Tern' }, cargo: [{ goods: 'barley' }, { goods: 'slate' }] },
      { vessel: { name: 'Salt Wren' }, cargo: [{ goods: 'cider' }] },
    ],
  },
  used: new Set([rowKey('out', ['arrivals', 'vessel', 'name'])]),
  cut: {},
};

const fields = (view: View) =>
  visibleRows(sheet, view).filter((row): row is FieldRow => row.kind === 'field');
const names = (view: View) => fields(view).map((row) => row.field.path.join('/'));
const value = (view: View, path: string) =>
  fields(view).find((row) => row.field.path.join('/') === path)?.value;

describe('rows of a sheet', () => {
  it('shows both sides, with diagnostics shut', () => {
    expect(names(startView)).toEqual([
      'day',
      'basin',
      'total',
      'arrivals',
      'arrivals/vessel',
      'arrivals/vessel/name',
      'arrivals/cargo',
      'arrivals/cargo/goods',
      'arrivals/diag',
    ]);
  });

  it('says what becomes of a parameter that nobody fills', () => {
    const empty = (more: Partial<Sheet>) =>
      visibleRows({ ...sheet, ...more }, startView).flatMap((row) =>
        row.kind === 'field' && row.side === 'in' ? [row.empty] : [],
      );
    expect(empty({ goesIn: [field('day', { required: true }), field('basin')] })).toEqual([
      'needed',
      'left out',
    ]);
    expect(empty({ goesIn: [field('day')], sampled: true })).toEqual(['as given']);
  });

  it('shuts and opens a group with everything in it', () => {
    const shut = changeView(startView, { type: 'toggle', key: rowKey('out', ['arrivals']) });
    expect(names(shut)).toEqual(['day', 'basin', 'total', 'arrivals']);
    const open = changeView(shut, { type: 'toggle', key: rowKey('out', ['arrivals']) });
    expect(names(open)).toEqual(names(startView));
  });

  it('steps through items, and starts at the first one of the lists inside', () => {
    let view = changeView(startView, {
      type: 'step',
      side: 'out',
      path: ['arrivals', 'cargo'],
      to: 1,
    });
    expect(value(view, 'arrivals/cargo/goods')).toBe('slate');
    view = changeView(view, { type: 'step', side: 'out', path: ['arrivals'], to: 1 });
    expect(value(view, 'arrivals/vessel/name')).toBe('Salt Wren');
    expect(value(view, 'arrivals/cargo/goods')).toBe('cider');
  });

  it('finds by name and by description, with the way to it, whatever is shut', () => {
    expect(names(changeView(startView, { type: 'find', text: 'NODE' }))).toEqual([
      'arrivals',
      'arrivals/diag',
      'arrivals/diag/node',
    ]);
    expect(names(changeView(startView, { type: 'find', text: 'registered' }))).toContain(
      'arrivals/vessel/name',
    );
  });

  it('narrows to what has a value and to what is used', () => {
    const valued = names(changeView(startView, { type: 'filter', filter: 'values' }));
    expect(valued).toContain('arrivals/cargo/goods');
    expect(valued).not.toContain('basin');
    expect(valued).not.toContain('arrivals/diag');
    expect(names(changeView(startView, { type: 'filter', filter: 'used' }))).toEqual([
      'arrivals',
      'arrivals/vessel',
      'arrivals/vessel/name',
    ]);
  });

  it('shows an answer that is typed by itself, as what comes back', () => {
    const typed = { ...sheet, goesIn: sheet.comesBack, comesBack: [], alone: 'out' as const };
    const rows = visibleRows(typed, startView);
    expect(rows.filter(({ kind }) => kind === 'head')).toHaveLength(1);
    expect(rows.every((row) => row.kind === 'head' || row.shownAs === 'out')).toBe(true);
  });

  it('shows a repeated parameter item by item, and the place of the next one', () => {
    const tags = { ...sheet, goesIn: [field('tag', { repeats: true })] };
    const tag = (parameters: Json, to: number) => {
      const view = changeView(startView, { type: 'step', side: 'in', path: ['tag'], to });
      const row = visibleRows({ ...tags, parameters }, view)[1];
      return row?.kind === 'field' ? [row.value, row.items, row.at] : undefined;
    };
    expect(tag({}, 0)).toEqual([undefined, 0, 0]);
    expect(tag({ tag: 'a' }, 0)).toEqual(['a', 1, 0]);
    expect(tag({ tag: ['a', 'b'] }, 1)).toEqual(['b', 2, 1]);
    expect(tag({ tag: ['a', 'b'] }, 2)).toEqual([undefined, 2, 2]);
    expect(tag({ tag: ['a', 'b'] }, 9)).toEqual([undefined, 2, 2]);
  });

  it('counts what a cut list really had', () => {
    const rows = visibleRows({ ...sheet, cut: { arrivals: 100_000 } }, startView);
    const arrivals = rows.find((row) => row.key === rowKey('out', ['arrivals']));
    expect(arrivals?.kind === 'field' && arrivals.items).toBe(100_000);
  });
});

describe('keys of a sheet', () => {
  /** Presses keys one after the other and tells what they did. */
  function pressOn(on: Sheet, startAt: string, ...pressed: (string | Partial<KeyboardEvent>)[]) {
    const done: string[] = [];
    let view = startView;
    let rows = visibleRows(on, view);
    let at = rows.findIndex((row) => row.kind === 'field' && row.field.path.join('/') === startAt);
    const label = (row: FieldRow) => row.field.path.join('/');
    for (const key of pressed) {
      const target = {};
      const event = { target, currentTarget: target, ...(typeof key === 'string' ? { key } : key) };
      const keys: SheetKeys = {
        rows,
        activeIndex: at,
        onActivate: (index) => {
          at = index;
        },
        onView: (action) => {
          view = changeView(view, action);
        },
        onUse: (row) => done.push(`use ${label(row)}`),
        onEdit: () => {
          done.push('edit');
          return null;
        },
        onFind: () => {
          done.push('find');
          return null;
        },
        onRemove: (row) => done.push(`without ${label(row)}`),
        onMove: (row, by) => done.push(`move ${label(row)} ${by}`),
        onSend: () => done.push('send'),
      };
      sheetKey(event as never, keys);
      rows = visibleRows(on, view);
    }
    const row = rows[at];
    return { at: row?.kind === 'field' ? label(row) : undefined, done, view, shown: names(view) };
  }

  const press = (startAt: string, ...pressed: (string | Partial<KeyboardEvent>)[]) =>
    pressOn(sheet, startAt, ...pressed);

  it('moves over fields and passes the heads', () => {
    expect(press('basin', 'ArrowDown').at).toBe('total');
    expect(press('total', 'ArrowUp').at).toBe('basin');
    expect(press('day', 'End').at).toBe('arrivals/diag');
    expect(press('arrivals/diag', 'Home').at).toBe('day');
    expect(press('day', 'ArrowUp').at).toBe('day');
  });

  it('goes into and out of groups sideways', () => {
    expect(press('arrivals', 'ArrowRight').at).toBe('arrivals/vessel');
    expect(press('arrivals/vessel/name', 'ArrowLeft').at).toBe('arrivals/vessel');
    expect(press('arrivals', 'ArrowLeft').shown).not.toContain('arrivals/vessel');
    expect(press('arrivals/diag', 'ArrowRight', 'ArrowRight').at).toBe('arrivals/diag/node');
  });

  it('goes through items, and adds and takes out those of parameters', () => {
    const key = (name: string) => ({ altKey: true, key: name });
    const name = (...keys: string[]) =>
      value(press('arrivals', ...keys.map(key)).view, 'arrivals/vessel/name');
    expect(name('PageDown')).toBe('Salt Wren');
    expect(name('PageDown', 'PageDown')).toBe('Salt Wren');
    expect(name('PageDown', 'PageUp')).toBe('Marrow Tern');
    expect(press('arrivals', key('+'), key('-')).done).toEqual([]);
    expect(press('day', key('+')).view).toBe(startView);

    const berths = {
      ...sheet,
      goesIn: [field('berths', { repeats: true })],
      parameters: { berths: ['N2', 'S5'] },
    };
    expect(pressOn(berths, 'berths', key('+')).view.asked).toEqual({ berths: 2 });
    expect(pressOn(berths, 'berths', key('PageDown'), key('-')).done).toEqual(['without berths']);
  });

  it('uses, edits, finds, moves and sends', () => {
    const { done } = press(
      'arrivals/vessel/name',
      ' ',
      'Enter',
      '/',
      { key: 'ArrowUp', altKey: true },
      { key: 'Enter', ctrlKey: true },
    );
    expect(done).toEqual([
      'use arrivals/vessel/name',
      'edit',
      'find',
      'move arrivals/vessel/name -1',
      'send',
    ]);
  });

  it('leaves keys alone that belong to an input inside', () => {
    const inside = { key: 'ArrowDown', target: {} as EventTarget };
    expect(press('day', inside).at).toBe('day');
    expect(moveBy(visibleRows(sheet, startView), 1, 0)).toBe(1);
  });
});
