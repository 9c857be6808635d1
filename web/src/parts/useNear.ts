import { type RefObject, useEffect, useState } from 'react';

/** Rows that are drawn and put away together. */
export const BLOCK = 50;

/** As high as a row is taken to be before it was drawn. */
const ROW = 33;

/** So near to what is seen rows are drawn already. */
const NEAR = '600px';

interface Seen {
  near: ReadonlySet<number>;
  /** Of blocks that were drawn before, so that nothing jumps when they are put away. */
  heights: ReadonlyMap<number, number>;
}

function after({ near, heights }: Seen, entries: IntersectionObserverEntry[]): Seen {
  const seen = { near: new Set(near), heights: new Map(heights) };
  for (const { target, isIntersecting, boundingClientRect } of entries) {
    const block = Number((target as HTMLElement).dataset.block);
    if (isIntersecting) seen.near.add(block);
    else if (seen.near.delete(block)) seen.heights.set(block, boundingClientRect.height);
  }
  return seen;
}

/**
 * Which blocks of a long table are near to what is seen of it.
 *
 * @param box what is scrolled; the blocks are the bodies of the table in it, numbered as its data
 * @param rows how many there are in all
 */
export function useNear(box: RefObject<HTMLElement | null>, rows: number) {
  const [seen, setSeen] = useState<Seen>({ near: new Set(), heights: new Map() });
  const scrolled = rows > BLOCK;
  const blocks = Math.ceil(rows / BLOCK);
  useEffect(() => {
    if (!scrolled || !box.current) return;
    const observer = new IntersectionObserver(
      (entries) => {
        setSeen((before) => after(before, entries));
      },
      { root: box.current, rootMargin: NEAR },
    );
    box.current.querySelectorAll('tbody[data-block]').forEach((body) => {
      observer.observe(body);
    });
    return () => {
      observer.disconnect();
    };
  }, [box, scrolled, blocks]);
  return Array.from({ length: blocks }, (_, block) => {
    const from = block * BLOCK;
    const to = Math.min(from + BLOCK, rows);
    const height = seen.heights.get(block) ?? (to - from) * ROW;
    return { block, from, to, height, isNear: !scrolled || seen.near.has(block) };
  });
}
