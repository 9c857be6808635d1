import { describe, expect, it } from 'vitest';
import { count, inLine, inWords, millis } from './format';

describe('a value in one line', () => {
  it('is what people would write', () => {
    expect(inLine(undefined)).toBe('');
    expect(inLine(null)).toBe('null');
    expect(inLine(true)).toBe('yes');
    expect(inLine([1, false, 'x'])).toBe('1, no, x');
    expect(inLine({ berth: 'B 3', at: { lat: 54.25 } })).toBe('berth: B 3, at: lat: 54.25');
    expect(inLine([{ item: 'rope', crates: 2 }, { item: 'tar' }])).toBe(
      'item: rope, crates: 2; item: tar',
    );
  });

  it('tells what bytes are instead of showing them', () => {
    const picture = { $binary: { mediaType: 'image/png', size: 2048, base64: 'AAAA' } };
    expect(inLine(picture)).toBe('image/png, 2.0 kB');
    expect(inLine([picture, 7])).toBe('image/png, 2.0 kB, 7');
  });
});

describe('a value in a field sheet', () => {
  it('is a time as people write it, in the zone it came in', () => {
    expect(inWords('2031-05-14T23:40:00+02:00', 'date-time', 'en-GB')).toBe('14 May 2031, 23:40');
    expect(inWords('2031-05-04', 'date', 'en-GB')).toBe('4 May 2031');
    expect(inWords('06:40:30Z', 'time', 'en-GB')).toBe('06:40');
  });

  it('is left as it is where it is not what its type says', () => {
    expect(inWords('soon', 'date-time', 'en-GB')).toBe('soon');
    expect(inWords('2031-05-04T06:40:00Z', 'text')).toBe('2031-05-04T06:40:00Z');
    expect(inWords(null, 'date')).toBe('null');
    expect(inWords('', 'date')).toBe('');
  });
});

describe('counts and times', () => {
  it('have words that fit', () => {
    expect(count(1, 'row')).toBe('1 row');
    expect(count(12_000, 'row')).toBe('12,000 rows');
    expect(count(2, 'match', 'matches')).toBe('2 matches');
    expect(millis(9_999)).toBe('9999 ms');
    expect(millis(12_345)).toBe('12.3 s');
  });
});
