import { describe, expect, it } from 'vitest';
import { inLine, shown } from './format';
import { asBinary, bytesText, joined, pathKey, startsWith, valueAt, withValue } from './json';

describe('values in JSON', () => {
  const root = { a: [{ b: 1 }, { b: 2, c: [{ d: 'x' }] }] };

  it('are found through the item that is looked at', () => {
    expect(valueAt(root, ['a', 'b'], {})).toBe(1);
    expect(valueAt(root, ['a', 'b'], { a: 1 })).toBe(2);
    expect(valueAt(root, ['a', 'c', 'd'], { a: 1 })).toBe('x');
    expect(valueAt(root, ['a', 'c', 'd'], {})).toBeUndefined();
    expect(valueAt(root, ['a', 'b', 'z'], {})).toBeUndefined();
    expect(valueAt(root, ['a', 'b=2', 'b'], {})).toBe(2);
    expect(valueAt(root, ['a', 'b=7', 'b'], {})).toBeUndefined();
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

  it('keep their zone and their meaning on a page', () => {
    expect(shown('2031-05-14T23:40:00Z', 'DATE_TIME')).toBe('14 May 2031, 23:40');
    expect(shown('2031-05-14', 'DATE')).toBe('14 May 2031');
    expect(shown('06:40:00', 'TIME')).toBe('06:40');
    expect(shown('soon', 'DATE_TIME')).toBe('soon');
    expect(shown(['2031-05-14', null], 'DATE')).toBe('14 May 2031, ');
    expect(bytesText(3 << 20)).toBe('3.0 MB');
  });
});
