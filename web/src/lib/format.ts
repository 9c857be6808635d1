import type { Json } from '@/api/client';
import { asBinary, bytesText, isRecord } from '@/lib/json';

/** A value in one line, for rows and cells. */
export function inLine(value: Json): string {
  if (value === undefined) return '';
  if (value === null) return 'null';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (Array.isArray(value)) return value.map(inLine).join(', ');
  const binary = asBinary(value);
  if (binary) return `${binary.mediaType}, ${bytesText(binary.size)}`;
  if (isRecord(value)) {
    return Object.entries(value)
      .map(([name, inside]) => `${name}: ${inLine(inside)}`)
      .join(', ');
  }
  return String(value);
}

const DATE = /^(\d{4})-(\d{2})-(\d{2})/;
const DATE_TIME = /^(\d{4})-(\d{2})-(\d{2})T(\d{2}):(\d{2})/;
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/**
 * A value as a finished page shows it. Times stay in the zone they came in: nobody at a harbour
 * wants them moved.
 */
export function shown(value: Json, format: string): string {
  if (value === null || value === undefined) return '';
  if (Array.isArray(value)) return value.map((one) => shown(one, format)).join(', ');
  if (typeof value === 'string') {
    const time = DATE_TIME.exec(value);
    if (format === 'DATE_TIME' && time) {
      return `${Number(time[3])} ${MONTHS[Number(time[2]) - 1]} ${time[1]}, ${time[4]}:${time[5]}`;
    }
    const date = DATE.exec(value);
    if ((format === 'DATE' || format === 'DATE_TIME') && date) {
      return `${Number(date[3])} ${MONTHS[Number(date[2]) - 1]} ${date[1]}`;
    }
    if (format === 'TIME') return value.slice(0, 5);
  }
  return inLine(value);
}

export function millis(took: number) {
  return took < 10_000 ? `${took} ms` : `${(took / 1000).toFixed(1)} s`;
}

export function count(number: number, one: string, many = `${one}s`) {
  return `${number.toLocaleString('en')} ${number === 1 ? one : many}`;
}
