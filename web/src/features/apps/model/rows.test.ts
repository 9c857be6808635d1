import { describe, expect, it } from 'vitest';
import { itemsIn, withMore } from './rows';

describe('codes from rows', () => {
  it('are added below, and what somebody wrote for a code stays', () => {
    const text = withMore('N = the north\n', [
      { code: 'N', words: 'North' },
      { code: 'S', words: 'South' },
      { code: 'X', words: 'X' },
    ]);
    expect(text).toBe('N = the north\nS = South\nX');
    expect(itemsIn(text)).toHaveLength(3);
    expect(withMore('', [{ code: 'S', words: 'South' }])).toBe('S = South');
  });
});
