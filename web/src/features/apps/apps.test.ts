import { describe, expect, it } from 'vitest';
import type { Page, PageCall, Run } from '@/api/client';
import type { FieldRow } from '@/sheet/model';
import { filledBy, originOf, pickOf, rowOf, shownAs, usedRows } from './bench/model';
import { changeLive, emptyLive, missing, opened } from './live/model';

const call: PageCall = {
  id: 'call',
  service: 'berthing',
  operation: 'ListArrivals',
  endpoint: 'soap',
  goesIn: [
    { target: { kind: 'parameter', path: ['day'] }, source: { kind: 'entered', input: 'day' } },
    { target: { kind: 'parameter', path: ['limit'] }, source: { kind: 'fixed', text: '50' } },
  ],
  comesBack: [
    { target: { kind: 'rows', part: 'table' }, source: { kind: 'returned', path: ['arrivals'] } },
    {
      target: { kind: 'item', part: 'table', item: 'eta' },
      source: { kind: 'returned', path: ['arrivals', 'etaUtc'] },
    },
  ],
};

const page: Page = {
  id: 'page1',
  name: 'Arrivals',
  parts: [
    {
      kind: 'form',
      id: 'form',
      label: '',
      inputs: [
        {
          id: 'day',
          label: 'Day',
          kind: 'DATE',
          required: true,
          choices: [],
          initial: '',
          help: '',
        },
        {
          id: 'all',
          label: 'All',
          kind: 'CHECKBOX',
          required: true,
          choices: [],
          initial: 'true',
          help: '',
        },
      ],
    },
    {
      kind: 'table',
      id: 'table',
      label: 'Arrivals',
      items: [{ id: 'eta', label: 'Due', format: 'DATE_TIME' }],
    },
  ],
  calls: [call],
  reactions: [
    { when: { kind: 'pressed', button: 'find' }, steps: [{ kind: 'call', call: call.id }] },
  ],
};

const row = (side: 'in' | 'out', ...path: string[]) => ({ side, field: { path } }) as FieldRow;

describe('what fills and shows a field', () => {
  it('is told from the mappings', () => {
    expect(filledBy(call, ['limit'])).toEqual({ kind: 'fixed', text: '50' });
    expect(filledBy(call, ['basin'])).toBeUndefined();
    expect(shownAs(page, call, ['arrivals', 'etaUtc'])).toMatchObject({
      position: 0,
      item: { label: 'Due' },
    });
    expect(shownAs(page, call, ['arrivals'])).toMatchObject({
      item: undefined,
      part: { id: 'table' },
    });
    expect(usedRows(call).size).toBe(4);
  });

  it('leads from the page to the row and back', () => {
    expect(rowOf(call, { part: 'table', item: 'eta' })).toBe('out:arrivals\u001fetaUtc');
    expect(rowOf(call, { part: 'table' })).toBe('out:arrivals');
    expect(rowOf(call, { part: 'form', item: 'day' })).toBe('in:day');
    expect(rowOf(call, { part: 'form' })).toBeUndefined();
    expect(pickOf(page, call, row('in', 'day'))).toEqual({ part: 'form', item: 'day' });
    expect(pickOf(page, call, row('in', 'limit'))).toBeUndefined();
    expect(pickOf(page, call, row('out', 'arrivals', 'etaUtc'))).toEqual({
      part: 'table',
      item: 'eta',
    });
    expect(originOf(page, { part: 'table', item: 'eta', row: 3 })?.path).toEqual([
      'arrivals',
      'etaUtc',
    ]);
  });
});

describe('a page that runs', () => {
  const run: Run = { contents: { table: [] }, messages: [], trace: [] };

  it('starts with what the form says and what was sent last', () => {
    const preview = { inputs: { day: '2031-05-14' }, contents: {}, origins: {} };
    expect(opened(page, preview).inputs).toEqual({ all: 'true', day: '2031-05-14' });
    expect(missing(page, 'find', opened(page, undefined).inputs)).toEqual(['Day']);
    expect(missing(page, 'find', opened(page, preview).inputs)).toEqual([]);
    // What another button needs is of no concern to this one.
    expect(missing(page, 'other', opened(page, undefined).inputs)).toEqual([]);
  });

  it('keeps what it shows when a later call fails', () => {
    const asked = changeLive(emptyLive, { type: 'asked' });
    expect(asked.busy).toBe(true);
    const answered = changeLive(asked, { type: 'answered', run });
    const failed = changeLive(answered, { type: 'failed', words: 'no' });
    expect(failed.contents).toEqual(run.contents);
    expect(failed.messages).toEqual([{ failed: true, text: 'no' }]);
    expect(changeLive(failed, { type: 'asked' }).messages).toEqual([]);
  });
});
