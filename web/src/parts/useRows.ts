import { useCallback, useRef } from 'react';
import type { LineView, RowsView } from '@/api/client';
import type { PageUse } from './model';
import { WINDOW } from './useRun';

/** The rows of a part by their place; those that are not here yet are fetched when needed. */
export function useRows(part: string, rows: RowsView, use: PageUse) {
  const fetched = use.fetched.get(part);
  const at = (place: number): LineView | undefined =>
    rows.rows[place - rows.from] ?? fetched?.get(place);
  // Nothing is asked for twice as long as the rows are the same.
  const asked = useRef<{ of: RowsView; windows: Set<number> }>(undefined);
  const { onRows } = use;
  const need = useCallback(
    (from: number, to: number) => {
      if (asked.current?.of !== rows) asked.current = { of: rows, windows: new Set() };
      const { windows } = asked.current;
      const here = { from: rows.from, to: rows.from + rows.rows.length };
      for (let window = from - (from % WINDOW); window < to; window += WINDOW) {
        const inside =
          Math.max(from, window) >= here.from && Math.min(to, window + WINDOW) <= here.to;
        if (inside || windows.has(window)) continue;
        windows.add(window);
        onRows?.(part, window);
      }
    },
    [rows, part, onRows],
  );
  return { at, need };
}
