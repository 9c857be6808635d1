import type { SampleLine } from '@/api/client';

/** Pauses between the runs of a check, in minutes, as people say them. */
export const PAUSES = [
  { minutes: 5, words: 'every 5 minutes' },
  { minutes: 60, words: 'every hour' },
  { minutes: 1440, words: 'every day' },
];

export const pauseWords = (minutes: number): string =>
  PAUSES.find((one) => one.minutes === minutes)?.words ?? `every ${minutes.toString()} minutes`;

/** Since when a check has not held: its first run after the last one that did. */
export function failingSince({ runs }: SampleLine): string | undefined {
  const held = runs.findLastIndex(({ holds }) => holds);
  return runs[held + 1]?.at;
}
