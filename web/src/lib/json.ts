import type { Json } from '@/api/client';

/** Values as the server sends them: records, lists, simple values, and bytes under $binary. */
export interface Binary {
  mediaType: string;
  size: number;
  base64: string;
}

export function isRecord(json: Json): json is Record<string, Json> {
  return typeof json === 'object' && json !== null && !Array.isArray(json);
}

export function asBinary(json: Json): Binary | undefined {
  if (!isRecord(json)) return undefined;
  const inside = json.$binary;
  return isRecord(inside) ? (inside as unknown as Binary) : undefined;
}

export const pathKey = (path: readonly string[]) => path.join('\u001f');

/** What people read: arrivals › vessel › name. */
export const pathText = (path: readonly string[]) => path.join(' › ');

export function startsWith(path: readonly string[], prefix: readonly string[]) {
  return prefix.length <= path.length && prefix.every((step, index) => path[index] === step);
}

/** Which item of each list is looked at, by the list's path. */
export type Steps = Readonly<Record<string, number>>;

/** Whether a step of a path cuts a text: a pattern between slashes, with a g for every match. */
export function isCut(step: string) {
  return /^\/.+\/g?$/s.test(step);
}

/** A step that picks the item of a list by one of its fields: key=LOA. */
export function selectorIn(step: string) {
  const at = step.indexOf('=');
  return at > 0 && !isCut(step)
    ? { field: step.slice(0, at), value: step.slice(at + 1) }
    : undefined;
}

/** The value at a path, through the looked-at or picked item of each list on the way. */
export function valueAt(root: Json, path: readonly string[], steps: Steps): Json {
  let here: Json = root;
  for (let i = 0; i < path.length; i++) {
    const name = path[i];
    const selector = name === undefined ? undefined : selectorIn(name);
    if (Array.isArray(here) && selector) {
      here = here.find((one) => isRecord(one) && String(one[selector.field]) === selector.value);
      continue;
    }
    if (Array.isArray(here)) here = here[steps[pathKey(path.slice(0, i))] ?? 0];
    if (!isRecord(here) || name === undefined) return undefined;
    here = here[name];
  }
  return here;
}

/** The same JSON with one value set; undefined takes it out, and records left empty with it. */
export function withValue(root: Json, path: readonly string[], value: Json): Record<string, Json> {
  const record = isRecord(root) ? { ...root } : {};
  const [first, ...rest] = path;
  if (first === undefined) return record;
  const inside = Array.isArray(record[first]) ? record[first][0] : record[first];
  const next = rest.length === 0 ? value : withValue(inside, rest, value);
  if (next === undefined || (isRecord(next) && Object.keys(next).length === 0)) {
    return Object.fromEntries(Object.entries(record).filter(([name]) => name !== first));
  }
  return { ...record, [first]: next };
}

/** Both records in one, where the second one has the say. */
export function joined(first: Json, second: Json): Json {
  return isRecord(first) && isRecord(second) ? { ...first, ...second } : first;
}

export function bytesText(size: number) {
  if (size < 1024) return `${size} B`;
  return size < 1024 * 1024
    ? `${(size / 1024).toFixed(1)} kB`
    : `${(size / 1024 / 1024).toFixed(1)} MB`;
}
