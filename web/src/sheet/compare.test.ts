import { describe, expect, it } from 'vitest';
import { type Compared, compareLines } from './compare';

const one = (side: Compared['side'], path: Compared['path'], what = 'gone'): Compared => ({
  side,
  path,
  what,
  was: 'text',
  is: '',
});

const told = (all: Compared[]) =>
  compareLines(all).map((line) =>
    line.kind === 'head' ? line.side : `${String(line.level)} ${line.name} ${line.kind}`,
  );

describe('the lines of fields that differ', () => {
  it('stand in their tree, the whole first, then what goes in, then what comes back', () => {
    expect(
      told([
        one('out', ['rows', 'berth']),
        one('in', ['day']),
        one(undefined, []),
        one('out', ['rows', 'vessel', 'name']),
      ]),
    ).toEqual([
      '1 the whole differs',
      'in',
      '1 day differs',
      'out',
      '1 rows way',
      '2 berth differs',
      '2 vessel way',
      '3 name differs',
    ]);
  });

  it('are several for a field that differs in several things, each with a key of its own', () => {
    const lines = compareLines([
      one('out', ['rows'], 'one or several'),
      one('out', ['rows', 'berth'], 'another type'),
      one('out', ['rows', 'berth'], 'needed or not'),
      one('out', [{ cut: 'b', every: false }, 'berth']),
    ]);
    expect(lines.map((line) => (line.kind === 'differs' ? line.one.what : line.kind))).toEqual([
      'head',
      'one or several',
      'another type',
      'needed or not',
      'way',
      'gone',
    ]);
    expect(new Set(lines.map(({ key }) => key)).size).toBe(lines.length);
  });
});
