import { describe, expect, it } from 'vitest';
import type { FrameView, GroupView, PageView, PartView } from '@/api/client';
import { Placing } from './placing';
import { nearest } from './ResizeEdge';
import { USUAL_WORDS } from './model';

const group = (id: string, way: GroupView['way']): GroupView => ({
  kind: 'group',
  id,
  heading: id,
  way,
});
const text = (id: string): PartView => ({ kind: 'text', id, heading: id });
const within = (part: string, around: string): FrameView => ({
  part,
  width: 'FULL',
  words: USUAL_WORDS,
  hidden: false,
  within: around,
});
const page = (parts: PartView[], frames: FrameView[] = []): PageView => ({
  name: 'Quays',
  parts,
  frames,
  messages: [],
  every: [],
});

describe('parts on a page', () => {
  it('stand in their groups, and what is in a group that is gone stands on the page', () => {
    const placing = new Placing(
      page([text('a'), group('g', 'OPEN'), text('b')], [within('b', 'g'), within('a', 'gone')]),
    );
    expect(placing.inside(undefined).map(({ id }) => id)).toEqual(['a', 'g']);
    expect(placing.inside('g').map(({ id }) => id)).toEqual(['b']);
  });

  it('share a bar where groups that are tabs stand next to each other', () => {
    const placing = new Placing(
      page([group('one', 'TAB'), group('two', 'TAB'), text('a'), group('three', 'TAB')]),
    );
    expect(
      placing
        .placed(undefined)
        .map((one) => ('part' in one ? one.part.id : one.tabs.map(({ id }) => id))),
    ).toEqual([['one', 'two'], 'a', ['three']]);
  });

  it('are found in the group around them, so that the right tab is open', () => {
    const tab = group('one', 'TAB');
    const placing = new Placing(page([tab, text('a')], [within('a', 'one')]));
    expect(placing.holds(tab, 'a')).toBe(true);
    expect(placing.holds(tab, 'b')).toBe(false);
  });

  it('are pressed with the first harmless button below', () => {
    const placing = new Placing(
      page([
        text('a'),
        { kind: 'button', id: 'scrap', heading: 'Scrap', manner: 'DANGEROUS' },
        { kind: 'button', id: 'save', heading: 'Save', manner: 'MAIN' },
      ]),
    );
    expect(placing.buttonBelow('a')).toBe('save');
  });

  it('take the width that comes nearest', () => {
    expect([0.1, 0.4, 0.45, 0.6, 0.9].map(nearest)).toEqual([
      'THIRD',
      'THIRD',
      'HALF',
      'TWO_THIRDS',
      'FULL',
    ]);
  });
});
