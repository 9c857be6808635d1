import { describe, expect, it } from 'vitest';
import type { AppView, Bench, BenchItem, ModelRow, PageCall } from '@/api/client';
import type { FieldRow } from '@/sheet/model';
import { notYetSent } from '@/parts/useRun';
import {
  changeEdit,
  draggedText,
  droppedIn,
  filledBy,
  onlyHereEdit,
  pickOf,
  rowOf,
  shownAs,
  sourceIn,
  fieldEdit,
  takenEdit,
  takingText,
  usedRows,
} from './bench/model';
import { actionsOf, triggersOf, triggerWords } from './bench/choices';
import { offeredAt } from './bench/formula';
import { groupsOf, isComplete, keysOf, startRule, waysFor } from './derived/rules';
import { choiceOf, formatsFor } from './look/formats';
import { alwaysEmpty, diagnostics, itemsIn, linesOf, narrowed, setEdit } from './model/rows';

const call: PageCall = {
  id: 'call_1',
  service: 'berthing',
  operation: 'ListArrivals',
  operationName: 'ListArrivals',
  endpoint: 'soap',
  origin: 'recorded',
  filled: [
    { path: ['day'], source: { kind: 'entered', input: 'day_2' }, words: 'Day', likely: '' },
    { path: ['limit'], source: { kind: 'fixed', text: '50' }, words: '“50”', likely: '' },
  ],
  shown: [
    { path: ['arrivals'], part: 'table_3', words: 'rows of Arrivals' },
    { path: ['arrivals', 'etaUtc'], part: 'table_3', item: 'eta_4', words: 'Arrivals · 1' },
  ],
};

const ref = {
  owner: { service: 'berthing', shape: { namespace: 'urn:a', name: 'Arrival' } },
  name: 'etaUtc',
};

const eta: BenchItem = {
  part: 'table_3',
  item: 'eta_4',
  kind: 'column',
  label: 'ETA (UTC)',
  slot: { kind: 'ofPart', page: 'page_1', owner: 'eta_4', name: 'value' },
  words: 'etaUtc',
  field: { ref },
  set: { unit: 'h' },
  only: {},
};

const day: BenchItem = {
  ...eta,
  part: 'form_1',
  item: 'day_2',
  kind: 'input',
  slot: { kind: 'ofPart', page: 'page_1', owner: 'day_2', name: 'start' },
};

const bench: Bench = {
  page: { name: 'Arrivals', parts: [], frames: [], messages: [], every: [] },
  calls: [call],
  items: [day, eta],
  reactions: [],
  arguments: [],
};

const row = (side: 'in' | 'out', ...path: string[]) => ({ side, field: { path } }) as FieldRow;

describe('what fills and shows a field', () => {
  it('is told from the bench', () => {
    expect(filledBy(call, ['limit'])?.words).toBe('“50”');
    expect(filledBy(call, ['basin'])).toBeUndefined();
    expect(shownAs(call, ['arrivals', 'etaUtc'])?.item).toBe('eta_4');
    expect(usedRows(call).size).toBe(4);
  });

  it('leads from the page to the row and back', () => {
    expect(rowOf(call, { part: 'table_3', item: 'eta_4' })).toBe('out:arrivals\u001fetaUtc');
    expect(rowOf(call, { part: 'table_3' })).toBe('out:arrivals');
    expect(rowOf(call, { part: 'form_1', item: 'day_2' })).toBe('in:day');
    expect(rowOf(call, { part: 'form_1' })).toBeUndefined();
    expect(pickOf(bench, call, row('in', 'day'))).toEqual({ part: 'form_1', item: 'day_2' });
    expect(pickOf(bench, call, row('in', 'limit'))).toBeUndefined();
  });

  it('is the record of a derived field, not the place of its value', () => {
    const derived = {
      field: { path: ['arrivals', '$derived', 'berthed'], derived: 'berthed' },
    } as FieldRow;
    expect(fieldEdit('page_1', 'call_1', derived, true)).toMatchObject({
      path: ['arrivals'],
      derived: 'berthed',
    });
    expect(sourceIn(call, 'table_3', derived.field)).toEqual({
      kind: 'derived',
      record: { kind: 'row', path: [] },
      field: 'berthed',
    });
  });

  it('is found from inside the part that it is dropped on', () => {
    const field = { path: ['arrivals', 'vessel', 'name'] };
    expect(sourceIn(call, 'table_3', field)).toEqual({ kind: 'row', path: ['vessel', 'name'] });
    expect(sourceIn(call, 'record_9', field)).toMatchObject({ kind: 'returned', call: 'call_1' });
    expect(droppedIn(bench, draggedText('call_1', field))?.field.path).toEqual(field.path);
    expect(droppedIn(bench, draggedText('gone', field))).toBeUndefined();
    expect(droppedIn(bench, 'some words')).toBeUndefined();
  });
});

describe('what is dropped on the row of a field', () => {
  const taken = (side: 'in' | 'out', path: string[], taking: string) =>
    takenEdit(
      'page_1',
      bench,
      call,
      { side, field: { path, kind: 'scalar' } as FieldRow['field'] },
      taking,
    );

  it('takes the field: a column instead of its own, an input to fill or to begin with', () => {
    expect(taken('out', ['arrivals', 'hull'], takingText(eta))).toEqual({
      kind: 'fillSlot',
      slot: eta.slot,
      source: { kind: 'row', path: ['hull'] },
    });
    expect(taken('in', ['basin'], takingText(day))).toEqual({
      kind: 'fillSlot',
      slot: { kind: 'ofParameter', page: 'page_1', call: 'call_1', parameter: ['basin'] },
      source: { kind: 'entered', input: 'day_2' },
    });
    expect(taken('out', ['arrivals', 'hull'], takingText(day))).toMatchObject({
      slot: day.slot,
      source: { kind: 'returned', call: 'call_1' },
    });
  });

  it('is nothing where it makes no sense', () => {
    expect(taken('in', ['basin'], takingText(eta))).toBeUndefined();
    expect(taken('out', ['arrivals', 'hull'], 'from elsewhere')).toBeUndefined();
  });
});

describe('a change where a field stands', () => {
  it('goes to the model and keeps what else was decided', () => {
    expect(changeEdit('page_1', eta, { label: 'Due' })).toEqual({
      kind: 'setModelField',
      field: ref,
      set: { unit: 'h', label: 'Due' },
    });
  });

  it('stays on a page that has it different already', () => {
    expect(changeEdit('page_1', { ...eta, only: { label: 'Here' } }, { label: 'Due' })).toEqual({
      kind: 'setOnlyHere',
      page: 'page_1',
      item: 'eta_4',
      only: { label: 'Due' },
    });
  });

  it('can be taken back to this page in one step', () => {
    expect(onlyHereEdit('page_1', eta)).toMatchObject({
      kind: 'together',
      edits: [
        { kind: 'setModelField', set: {} },
        { kind: 'setOnlyHere', only: { unit: 'h' } },
      ],
    });
  });
});

describe('a page that runs', () => {
  it('keeps what was typed while an answer was on its way', () => {
    expect(notYetSent({ day: '2031-05-15', basin: 'north' }, { day: '2031-05-14' })).toEqual({
      day: '2031-05-15',
      basin: 'north',
    });
    expect(notYetSent({ day: '2031-05-14' }, { day: '2031-05-14' })).toEqual({});
  });
});

describe('what happens, as sentences', () => {
  it('names what an event is about', () => {
    expect(triggerWords({ kind: 'pressed', button: 'b' }, 'Find')).toBe('Find is pressed');
    expect(triggerWords({ kind: 'every', seconds: 60 }, '')).toBe('a minute has passed');
    expect(triggerWords({ kind: 'every', seconds: 300 }, '')).toBe('5 minutes have passed');
  });

  it('offers every input and call of the page, and the other pages', () => {
    const view = {
      pages: [
        { id: 'page_1', name: 'Arrivals', alone: true },
        { id: 'page_2', name: 'Vessel', alone: false },
      ],
    } as AppView;
    expect(triggersOf(bench).map(({ words }) => words)).toContain('ETA (UTC) changes');
    const words = actionsOf(bench, view, 'page_1').map((one) => one.words);
    expect(words).toContain('go to Vessel');
    expect(words).not.toContain('go to Arrivals');
  });
});

describe('formulas', () => {
  const variables = [
    { name: 'arrivals', type: 'record', value: '', inside: ['etaUtc', 'berth'] },
    { name: 'day', type: 'date', value: '14 May 2031', inside: [] },
  ];

  it('offer names in reach with their values, and what is inside of one behind a point', () => {
    const names = offeredAt('', 0, variables).options.map(({ label }) => label);
    expect(names.slice(0, 2)).toEqual(['arrivals', 'day']);
    expect(names).toContain('daysBetween');
    const inside = offeredAt('arrivals.e', 4, variables);
    expect(inside.options.map(({ label }) => label)).toEqual(['etaUtc', 'berth']);
    expect(inside.from).toBe(13);
  });
});

describe('rules for derived fields', () => {
  const entry = {
    name: 'entry',
    kind: 'record',
    type: '',
    repeats: true,
    inside: ['key', 'value'],
  };

  it('start with what is likely meant', () => {
    expect(waysFor(entry)[0]).toBe('lookedUp');
    expect(waysFor({ ...entry, kind: 'scalar', type: 'text', repeats: false })[0]).toBe('cutOut');
    expect(startRule('lookedUp', entry)).toMatchObject({ key: 'key', value: 'value' });
    expect(isComplete(startRule('lookedUp', entry))).toBe(false);
  });

  it('know keys and names of groups', () => {
    const records = [{ entry: [{ key: 'LOA' }, { key: 'BM' }] }, { entry: { key: 'BM' } }, 7];
    expect(keysOf(records, 'entry', 'key')).toEqual(['BM', 'LOA']);
    expect(groupsOf('(?P<berth>[A-Z]) (?<side>.) (x)')).toEqual(['berth', 'side']);
  });
});

describe('formats', () => {
  it('are found among what fits a type, whatever the order of their members', () => {
    const choices = formatsFor('DECIMAL');
    expect(
      choices[choiceOf(choices, { signed: false, kind: 'number', digits: 1, grouped: true })]
        ?.words,
    ).toBe('one decimal');
    expect(choiceOf(choices, { kind: 'money', currency: 'SEK' })).toBe(-1);
  });
});

describe('rows of the model', () => {
  const base = {
    ref,
    name: 'etaUtc',
    kind: 'scalar',
    type: 'date-time',
    repeats: false,
    documentation: '',
    path: ['etaUtc'],
    look: { label: 'ETA (UTC)', hidden: false },
    set: {},
    same: [],
    usedAt: [],
    shown: ['', ''],
  } as unknown as ModelRow;

  it('are narrowed, and found out when they are always empty or of no interest', () => {
    expect(narrowed([base], 'utc)', 'all')).toHaveLength(1);
    expect(narrowed([base], '', 'decided')).toHaveLength(0);
    expect(alwaysEmpty([base, { ...base, shown: ['x', ''] }, { ...base, shown: [] }])).toEqual([
      base,
    ]);
    expect(
      diagnostics([base, { ...base, name: 'diagNode' }, { ...base, name: 'trace_id' }]),
    ).toHaveLength(2);
  });

  it('keep what else was decided', () => {
    expect(setEdit('Arrival_1', { ...base, set: { unit: 'm' } }, { hidden: true })).toEqual({
      kind: 'setModelField',
      field: ref,
      set: { unit: 'm', hidden: true },
    });
  });

  it('read value lists as people paste them', () => {
    const items = itemsIn('D = due\nB\tat berth\n\nX;gone ; far\nQ');
    expect(items).toEqual([
      { code: 'D', words: 'due' },
      { code: 'B', words: 'at berth' },
      { code: 'X', words: 'gone far' },
      { code: 'Q', words: 'Q' },
    ]);
    expect(itemsIn(linesOf(items))).toEqual(items);
  });
});
