import type { Json } from '@/api/client';
import { asBinary, bytesText, isRecord } from '@/lib/json';

/** A value in one line, for rows and cells. */
export function inLine(value: Json): string {
  if (value === undefined) return '';
  if (value === null) return 'null';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (Array.isArray(value)) {
    // Where the items have commas of their own something stronger stands between them.
    const records = value.some((one) => isRecord(one) && !asBinary(one));
    return value.map(inLine).join(records ? '; ' : ', ');
  }
  const binary = asBinary(value);
  if (binary) return `${binary.mediaType}, ${bytesText(binary.size)}`;
  if (isRecord(value)) {
    return Object.entries(value)
      .map(([name, inside]) => `${name}: ${inLine(inside)}`)
      .join(', ');
  }
  return String(value);
}

/** A day, a time or both, as they are written in messages; a zone is of no interest to the eye. */
const WRITTEN =
  /^(?:(\d{4})-(\d{2})-(\d{2}))?T?(?:(\d{2}):(\d{2})(?::\d{2}(?:\.\d+)?)?)?(?:Z|[+-]\d{2}:\d{2})?$/;

/** How the fields of a sheet that hold times are written, in the language of the browser. */
const STYLES: Record<string, Intl.DateTimeFormatOptions> = {
  date: { dateStyle: 'medium' },
  time: { timeStyle: 'short' },
  'date-time': { dateStyle: 'medium', timeStyle: 'short' },
};

/**
 * A value in one line as people read it. Times stay in the zone they came in: nobody at a harbour
 * wants them moved.
 *
 * @param type what the field sheet calls the type of the field
 */
export function inWords(value: Json, type: string, language?: string): string {
  const style = STYLES[type];
  const parts = style && typeof value === 'string' ? WRITTEN.exec(value) : null;
  if (!parts || value === '') return inLine(value);
  const [, year = 1970, month = 1, day = 1, hour = 0, minute = 0] = parts.map(Number).map(known);
  const time = new Date(Date.UTC(year, month - 1, day, hour, minute));
  return Number.isNaN(time.getTime())
    ? inLine(value)
    : new Intl.DateTimeFormat(language, { ...style, timeZone: 'UTC' }).format(time);
}

const known = (number: number) => (Number.isNaN(number) ? undefined : number);

export function millis(took: number) {
  return took < 10_000 ? `${took} ms` : `${(took / 1000).toFixed(1)} s`;
}

export function count(number: number, one: string, many = `${one}s`) {
  return `${number.toLocaleString('en')} ${number === 1 ? one : many}`;
}

const MOMENT = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' });
const DAY = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium' });

/** A moment as the person's browser writes it. */
export const momentText = (at: string) => MOMENT.format(new Date(at));

/** The day of it alone. */
export const dayText = (at: string) => DAY.format(new Date(at));
