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

/** A step of a path: a name, or an object that picks an item or cuts a text. */
export type Step =
  | string
  | {
      key?: string | undefined;
      is?: string | undefined;
      at?: number | undefined;
      cut?: string | undefined;
      every?: boolean | undefined;
    };
export type Path = readonly Step[];

/** The same text for the same step; names never start like JSON objects. */
export const stepKey = (step: Step) => (typeof step === 'string' ? step : JSON.stringify(step));

export const pathKey = (path: Path) => path.map(stepKey).join('\u001f');

export const isName = (step: Step | undefined): step is string => typeof step === 'string';

/** What people read: arrivals › vessel › name. */
export const pathText = (path: Path) => path.map(stepText).join(' › ');

export function stepText(step: Step) {
  if (isName(step)) return step;
  if (step.key !== undefined) return `${step.key} = ${step.is ?? ''}`;
  return step.at === undefined ? 'cut out' : `number ${step.at + 1}`;
}

export function startsWith(path: Path, prefix: Path) {
  return (
    prefix.length <= path.length &&
    prefix.every((step, index) => {
      const other = path[index];
      return other !== undefined && stepKey(other) === stepKey(step);
    })
  );
}

/** The name under which the derived fields of a record stand in a sample. */
const DERIVED = '$derived';

/** The record that a derived field is made of. */
export const recordOf = (path: Path) => path.slice(0, path.indexOf(DERIVED));

/** Which item of each list is looked at, by the list's path. */
export type Steps = Readonly<Record<string, number>>;

/** The value at a path, through the looked-at or picked item of each list on the way. */
export function valueAt(root: Json, path: Path, steps: Steps): Json {
  let here: Json = root;
  for (let i = 0; i < path.length; i++) {
    const step = path[i];
    if (step !== undefined && !isName(step)) {
      here = picked(here, step);
      continue;
    }
    const item = steps[pathKey(path.slice(0, i))] ?? 0;
    // What stands alone may be the first of several to come.
    if (Array.isArray(here) || item > 0) here = itemsOf(here)[item];
    if (!isRecord(here) || step === undefined) return undefined;
    here = here[step];
  }
  return here;
}

/** What a step that is no name leads to; what is cut out of a text stands in no sample. */
function picked(here: Json, { key, is, at }: Exclude<Step, string>): Json {
  if (key !== undefined) {
    return itemsOf(here).find((one) => isRecord(one) && String(one[key]) === is);
  }
  return at === undefined ? undefined : itemsOf(here).at(at);
}

function isNothing(value: Json) {
  return value === undefined || (isRecord(value) && Object.keys(value).length === 0);
}

/**
 * The same JSON with one value set; undefined takes it out, and records left empty with it. Where
 * a list is stepped through, the looked-at item is set or added; an item that is left empty stays
 * until the list is sent, so that nobody types into the next one.
 */
export function withValue(
  root: Json,
  path: Path,
  value: Json,
  steps: Steps = {},
): Record<string, Json> {
  return withInside(root, path, 0, value, steps);
}

/** Sets what the steps from one on lead to. */
function withInside(
  root: Json,
  path: Path,
  at: number,
  value: Json,
  steps: Steps,
): Record<string, Json> {
  const record = isRecord(root) ? root : {};
  const name = path[at];
  if (!isName(name)) return record;
  const last = at === path.length - 1;
  const before = record[name];
  const items = itemsOf(before);
  const step = steps[pathKey(path.slice(0, at + 1))] ?? (last ? undefined : 0);
  const inside = items[step ?? 0];
  const next = last ? value : withInside(inside, path, at + 1, value, steps);
  if (step !== undefined && (step > 0 || items.length > 1)) {
    const changed = [...items];
    changed[step] = isNothing(next) ? (last ? '' : {}) : next;
    return { ...record, [name]: changed };
  }
  if (isNothing(next)) {
    return Object.fromEntries(Object.entries(record).filter(([other]) => other !== name));
  }
  return { ...record, [name]: next };
}

/** What may stand several times in a place: a list, one value, or nothing. */
export function itemsOf(value: Json): Json[] {
  return Array.isArray(value) ? value : value === undefined ? [] : [value];
}

/** The same JSON without the looked-at item of a list. */
export function withoutItem(root: Json, path: Path, steps: Steps): Record<string, Json> {
  const key = pathKey(path);
  const left = itemsOf(valueAt(root, path, steps)).filter(
    (_, index) => index !== (steps[key] ?? 0),
  );
  const around = Object.fromEntries(Object.entries(steps).filter(([other]) => other !== key));
  return withValue(root, path, left.length > 1 ? left : left[0], around);
}

/** The same JSON as it is sent: items of lists that were left empty are none. */
export function withoutEmptyItems(json: Json): Json {
  if (Array.isArray(json)) {
    const items = json.map(withoutEmptyItems).filter((item) => item !== '' && !isNothing(item));
    return items.length > 0 ? items : undefined;
  }
  return isRecord(json)
    ? Object.fromEntries(
        Object.entries(json).map(([name, value]) => [name, withoutEmptyItems(value)]),
      )
    : json;
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
