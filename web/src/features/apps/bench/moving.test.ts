import { USUAL_WORDS } from '@/parts/model';
import { describe, expect, it } from 'vitest';
import type { Bench, BenchItem } from '@/api/client';
import { moveEdit } from './model';

const part = (id: string, kind: string, within?: string): BenchItem =>
  ({
    part: id,
    kind,
    label: id,
    settings: {
      frame: {
        width: 'FULL',
        words: USUAL_WORDS,
        buildersOnly: false,
        ...(within === undefined ? {} : { within }),
      },
    },
  }) as unknown as BenchItem;

const bench = {
  items: [
    part('form', 'form'),
    part('table', 'table'),
    part('more', 'group'),
    part('record', 'record', 'more'),
    part('text', 'text', 'more'),
  ],
} as unknown as Bench;

describe('a part that is dragged onto another one', () => {
  it('takes its place among those that stand with it', () => {
    expect(moveEdit('p', bench, 'form', 'table')).toEqual({
      kind: 'movePart',
      page: 'p',
      part: 'form',
      by: 1,
    });
    expect(moveEdit('p', bench, 'text', 'record')).toMatchObject({ kind: 'movePart', by: -1 });
  });

  it('goes into a group, and out of it onto the page', () => {
    expect(moveEdit('p', bench, 'form', 'more')).toMatchObject({
      kind: 'setFrame',
      frame: { within: 'more' },
    });
    const out = moveEdit('p', bench, 'record', 'form');
    expect(out).toMatchObject({ kind: 'setFrame', part: 'record' });
    expect(out && 'frame' in out && out.frame).not.toHaveProperty('within');
  });

  it('stays where it is on itself and on the group that it is in', () => {
    expect(moveEdit('p', bench, 'form', 'form')).toBeUndefined();
    expect(moveEdit('p', bench, 'record', 'more')).toBeUndefined();
  });
});
