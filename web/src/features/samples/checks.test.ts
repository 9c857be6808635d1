import { expect, test } from 'vitest';
import type { SampleLine } from '@/api/client';
import { failingSince, pauseWords } from './checks';

const sample = (...held: boolean[]) =>
  ({
    runs: held.map((holds, index) => ({
      at: `2031-05-14T0${String(index)}:00Z`,
      holds,
      tookMillis: 1,
    })),
  }) as unknown as SampleLine;

test('a check fails since the first run after the last one that held', () => {
  expect(failingSince(sample(false, true, false, false))).toBe('2031-05-14T02:00Z');
  expect(failingSince(sample(false, false))).toBe('2031-05-14T00:00Z');
  expect(failingSince(sample(false, true))).toBeUndefined();
  expect(failingSince(sample())).toBeUndefined();
});

test('pauses have words', () => {
  expect(pauseWords(60)).toBe('every hour');
  expect(pauseWords(7)).toBe('every 7 minutes');
});
