import { describe, expect, it } from 'vitest';
import { inLine } from './format';
import {
  asBinary,
  bytesText,
  joined,
  pathKey,
  startsWith,
  valueAt,
  withoutEmptyItems,
  withoutItem,
  withValue,
} from './json';

describe('values in JSON', () => {
  const root = { a: [{ b: 1 }, { b: 2, c: [{ d: 'x' }] }] };

  it('are found through the item that is looked at', () => {
    expect(valueAt(root, ['a', 'b'], {})).toBe(1);
    expect(valueAt(root, ['a', 'b'], { a: 1 })).toBe(2);
    expect(valueAt(root, ['a', 'c', 'd'], { a: 1 })).toBe('x');
    expect(valueAt(root, ['a', 'c', 'd'], {})).toBeUndefined();
    expect(valueAt(root, ['a', 'b', 'z'], {})).toBeUndefined();
    expect(valueAt(root, ['a', { key: 'b', is: '2' }, 'b'], {})).toBe(2);
    expect(valueAt(root, ['a', { key: 'b', is: '7' }, 'b'], {})).toBeUndefined();
    expect(valueAt(root, ['a', { at: -1 }, 'b'], {})).toBe(2);
  });

  it('are set without touching what was there, and taken out with the records around them', () => {
    const before = { reservation: { basin: 'north' } };
    const set = withValue(before, ['reservation', 'contact', 'name'], 'Ada');
    expect(set).toEqual({ reservation: { basin: 'north', contact: { name: 'Ada' } } });
    expect(before).toEqual({ reservation: { basin: 'north' } });
    expect(withValue(set, ['reservation', 'contact', 'name'], undefined)).toEqual(before);
    expect(withValue(before, ['reservation', 'basin'], undefined)).toEqual({});
    expect(withValue({ tag: ['a', 'b'] }, ['tag'], 'c')).toEqual({ tag: 'c' });
  });

  it('are set in the item of a list that is looked at, which may be a new one', () => {
    const steps = (to: number) => ({ [pathKey(['call', 'tag'])]: to });
    const one = withValue({}, ['call', 'tag'], 'a', steps(0));
    expect(one).toEqual({ call: { tag: 'a' } });
    const two = withValue(one, ['call', 'tag'], 'b', steps(1));
    expect(two).toEqual({ call: { tag: ['a', 'b'] } });
    const emptied = withValue(two, ['call', 'tag'], undefined, steps(0));
    expect(emptied).toEqual({ call: { tag: ['', 'b'] } });
    expect(withoutEmptyItems(emptied)).toEqual({ call: { tag: ['b'] } });
    expect(withoutItem(two, ['call', 'tag'], steps(0))).toEqual({ call: { tag: 'b' } });
    expect(withoutItem(one, ['call', 'tag'], steps(0))).toEqual({});
  });

  it('are set in the looked-at record of several, and the others stay', () => {
    const crew = { crew: [{ name: 'Ada', age: 1 }, { name: 'Bo' }] };
    expect(withValue(crew, ['crew', 'name'], 'Ann')).toEqual({
      crew: [{ name: 'Ann', age: 1 }, { name: 'Bo' }],
    });
    const third = withValue(crew, ['crew', 'name'], 'Cy', { crew: 2 });
    expect(third).toEqual({ crew: [...crew.crew, { name: 'Cy' }] });
    expect(valueAt({ crew: { name: 'Ada' } }, ['crew', 'name'], { crew: 1 })).toBeUndefined();
    expect(withoutItem(crew, ['crew'], { crew: 1 })).toEqual({ crew: { name: 'Ada', age: 1 } });
    const left = withValue(crew, ['crew', 'name'], undefined, { crew: 1 });
    expect(withoutEmptyItems(left)).toEqual({ crew: [{ name: 'Ada', age: 1 }] });
  });

  it('are joined if both are records', () => {
    expect(joined({ a: 1, b: 2 }, { b: 3 })).toEqual({ a: 1, b: 3 });
    expect(joined({ a: 1 }, undefined)).toEqual({ a: 1 });
  });

  it('know their paths', () => {
    expect(startsWith(['a', 'b'], ['a'])).toBe(true);
    expect(startsWith(['ab'], ['a'])).toBe(false);
    expect(pathKey(['a', 'b'])).not.toBe(pathKey(['ab']));
  });
});

describe('values in words', () => {
  it('stand in one line', () => {
    expect(inLine([true, null, 'x'])).toBe('yes, null, x');
    expect(inLine({ a: 1, b: { c: 2 } })).toBe('a: 1, b: c: 2');
    const picture = { $binary: { mediaType: 'image/png', size: 2048, base64: '' } };
    expect(asBinary(picture)?.size).toBe(2048);
    expect(inLine(picture)).toBe('image/png, 2.0 kB');
  });

  it('say how large they are', () => {
    expect(bytesText(3 << 20)).toBe('3.0 MB');
  });
});
