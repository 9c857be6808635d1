import { useEffect, useState } from 'react';

/** More rows than these nobody wants on paper; a file is for that. */
export const MOST_PRINTED = 5_000;

/**
 * Prints a long table with all of its rows, of which the page draws only those near to what is seen.
 *
 * @param at the row at a place, once it is here
 * @param need fetches rows
 */
export function usePrinting(
  rows: number,
  at: (place: number) => unknown,
  need: (from: number, to: number) => void,
) {
  const [all, setAll] = useState(false);
  const here = all && Array.from({ length: rows }, (_, place) => at(place)).every(Boolean);
  useEffect(() => {
    if (all) need(0, rows);
  }, [all, need, rows]);
  useEffect(() => {
    if (!here) return;
    const end = () => {
      setAll(false);
    };
    window.addEventListener('afterprint', end, { once: true });
    // The rows are drawn by now: effects come after that.
    window.print();
    return () => {
      window.removeEventListener('afterprint', end);
    };
  }, [here]);
  return {
    /** Whether all rows are to be drawn. */
    all,
    begin: () => {
      setAll(true);
    },
  };
}
