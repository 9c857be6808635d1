import { expect, test, vi } from 'vitest';
import { gathering } from './gather';

test('what is asked for together is one request, and each gets its own', async () => {
  const ask = vi.fn((keys: string[]) =>
    Promise.resolve(new Map(keys.map((key) => [key, key.toUpperCase()]))),
  );
  const of = gathering(ask);
  expect(await Promise.all([of('berth'), of('crane')])).toEqual(['BERTH', 'CRANE']);
  expect(await of('pilot')).toBe('PILOT');
  expect(ask.mock.calls).toEqual([[['berth', 'crane']], [['pilot']]]);
});

test('what has no answer fails alone, and a failed request fails for all', async () => {
  const part = gathering(() => Promise.resolve(new Map([['berth', 1]])));
  const asked = await Promise.allSettled([part('berth'), part('crane')]);
  expect(asked.map((one) => one.status)).toEqual(['fulfilled', 'rejected']);
  const broken = gathering<number>(() => Promise.reject(new Error('gone')));
  const failed = await Promise.allSettled([broken('berth'), broken('crane')]);
  expect(failed.map((one) => one.status)).toEqual(['rejected', 'rejected']);
});
