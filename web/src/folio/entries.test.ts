import { describe, expect, it } from 'vitest';
import type { Folio, FolioEntry } from '@/api/client';
import { isFound, moved, placed, stepped, withEntry } from './entries';

const entry = (name: string): FolioEntry => ({ app: '', page: name, name, line: `about ${name}` });
const folio: Folio = {
  sections: [
    { title: 'Quay', entries: [entry('a'), entry('b')] },
    { title: 'Yard', entries: [entry('c')] },
  ],
};
const names = ({ sections }: Folio) =>
  sections.map(({ entries }) => entries.map(({ name }) => name).join(''));

describe('a start page', () => {
  it('numbers its entries through', () => {
    expect(placed(folio).map(({ entry: { name }, number }) => `${number}${name}`)).toEqual([
      '1a',
      '2b',
      '3c',
    ]);
  });

  it('moves entries within a section and to another one', () => {
    expect(names(moved(folio, { section: 0, place: 0 }, { section: 0, place: 2 }))).toEqual([
      'ba',
      'c',
    ]);
    expect(names(moved(folio, { section: 0, place: 1 }, { section: 0, place: 0 }))).toEqual([
      'ba',
      'c',
    ]);
    expect(names(moved(folio, { section: 0, place: 0 }, { section: 1, place: 1 }))).toEqual([
      'b',
      'ca',
    ]);
  });

  it('steps over the edges of sections, and no further', () => {
    expect(names(stepped(folio, 0, 1, 1))).toEqual(['a', 'bc']);
    expect(names(stepped(folio, 1, 0, -1))).toEqual(['abc', '']);
    expect(names(stepped(folio, 0, 0, 1))).toEqual(['ba', 'c']);
    expect(names(stepped(folio, 0, 0, -1))).toEqual(['ab', 'c']);
    expect(names(stepped(folio, 1, 0, 1))).toEqual(['ab', 'c']);
  });

  it('changes and drops entries', () => {
    expect(names(withEntry(folio, 0, 0, entry('x')))).toEqual(['xb', 'c']);
    expect(names(withEntry(folio, 0, 0, undefined))).toEqual(['b', 'c']);
  });

  it('is searched by any words in any order', () => {
    expect(isFound(entry('Cranes'), 'Quay', 'qu cran')).toBe(true);
    expect(isFound(entry('Cranes'), 'Quay', 'cranes yard')).toBe(false);
  });
});
