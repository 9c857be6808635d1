import { expect, it } from 'vitest';
import type { FieldView, Pair, PageCall } from '@/api/client';
import { openSlots, pairEdit, unfilled } from './pairs';

const pair = (name: string, grade: Pair['grade'], from = name): Pair => ({
  slot: { kind: 'ofParameter', page: 'page_1', call: 'call_2', parameter: [name] },
  name,
  call: 'call_2',
  parameter: [name],
  given: ['call_1', from],
  source: { kind: 'returned', call: 'call_1', path: [from] },
  words: from,
  value: '',
  converted: '',
  score: 0.9,
  grade,
  reasons: ['names are alike', 'same type'],
});

it('marks what is only likely to be looked at, and nothing else', () => {
  const edit = pairEdit('page_1', [
    pair('hull', 'SURE'),
    pair('crew', 'LIKELY'),
    pair('pax', 'GUESS'),
  ]);
  expect(edit.kind === 'together' && edit.edits).toMatchObject([
    { kind: 'fillSlot', source: { path: ['hull'] } },
    { kind: 'fillSlot', likely: 'names are alike, same type' },
    { kind: 'fillSlot', source: { path: ['pax'] } },
  ]);
  expect(JSON.stringify(edit).match(/likely/g)).toHaveLength(1);
});

it('lists what is left once, with its candidates in their order', () => {
  const next = [
    pair('pax', 'GUESS', 'holds'),
    pair('pax', 'GUESS', 'hatches'),
    pair('ice', 'GUESS'),
  ];
  expect(openSlots(next).map(({ name, candidates }) => [name, candidates.length])).toEqual([
    ['pax', 2],
    ['ice', 1],
  ]);
});

it('asks for what must be filled and is neither filled nor paired', () => {
  const field = (name: string, required = true) =>
    ({ name, path: [name], kind: 'scalar', required }) as FieldView;
  const call = {
    filled: [{ path: ['day'], source: { kind: 'fixed', text: '1' }, words: '', likely: '' }],
  } as unknown as PageCall;
  expect(
    unfilled(
      call,
      [field('day'), field('hull'), field('who'), field('why', false)],
      [pair('hull', 'SURE')],
    ).map(({ name }) => name),
  ).toEqual(['who']);
});
