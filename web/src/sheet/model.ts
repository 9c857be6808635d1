import type { FieldView, Json } from '@/api/client';
import {
  isRecord,
  itemsOf,
  isName,
  type Path,
  pathKey,
  startsWith,
  type Steps,
  valueAt,
} from '@/lib/json';

export type Side = 'in' | 'out';
export type Filter = 'all' | 'values' | 'used';

/** A row of the field sheet: a field, with what is known of it right now. */
export interface FieldRow {
  kind: 'field';
  key: string;
  side: Side;
  /** The side that it is shown as: an answer that is typed is edited as what goes in. */
  shownAs: Side;
  field: FieldView;
  level: number;
  open: boolean | undefined;
  value: Json;
  /** For a repeated field: how many items there are and which one is looked at. */
  items: number | undefined;
  /** How many of the items are here. */
  loaded: number;
  at: number;
  used: boolean;
  /** What becomes of a parameter without a value, in words. */
  empty: string;
}

export interface HeadRow {
  kind: 'head';
  key: string;
  side: Side;
  fields: number;
}

export type Row = FieldRow | HeadRow;

export interface Sheet {
  goesIn: FieldView[];
  comesBack: FieldView[];
  parameters: Json;
  answer: Json;
  /** Which fields are used, by row key. */
  used: ReadonlySet<string>;
  /** Whether a sample fills what nobody else does. */
  sampled?: boolean;
  /** Values that stand in no answer but are made of one, by path key. */
  derived?: Readonly<Record<string, Json>>;
  /** The one side that is there, where a message is typed; all of it can be changed. */
  alone?: 'in' | 'out';
  /** Real lengths of lists that were cut, by path key. */
  cut: Readonly<Record<string, number>>;
}

export interface View {
  /** Rows whose state differs from what they start with, by row key. */
  toggled: ReadonlySet<string>;
  /** Which items of what came back are looked at. */
  steps: Steps;
  /** Which items of parameters are looked at. */
  asked: Steps;
  find: string;
  filter: Filter;
}

/** What a parameter without a value is where a sample has one. */
export const AS_GIVEN = 'as given';

export const rowKey = (side: Side, path: Path) => `${side}:${pathKey(path)}`;

/** Groups start open as long as the sheet can be taken in at once; deep ones start shut. */
const OPEN_LEVELS = 2;

function startsOpen(field: FieldView) {
  return field.path.length <= OPEN_LEVELS && !/^diag/i.test(field.name);
}

/** How deep a field stands; picking an item of a list or cutting a text goes no deeper. */
function levelOf(field: FieldView) {
  return field.path.filter((step) => isName(step) && step !== '$derived').length;
}

/** Whether a value is typed in a row: a simple one, or anything that has nothing inside. */
export function isTyped({ field, value }: FieldRow) {
  const open = field.kind === 'open' && !Array.isArray(value) && !isRecord(value);
  return field.kind === 'scalar' || open;
}

function hasInside(field: FieldView) {
  return field.kind !== 'scalar' && field.kind !== 'open' && !field.recursive && !field.more;
}

function matches(field: FieldView, find: string) {
  const wanted = find.toLowerCase();
  return (
    field.name.toLowerCase().includes(wanted) ||
    (field.label ?? '').toLowerCase().includes(wanted) ||
    field.documentation.toLowerCase().includes(wanted) ||
    field.type.toLowerCase().includes(wanted)
  );
}

function hasValue(value: Json) {
  return (
    value !== undefined &&
    value !== null &&
    value !== '' &&
    !(Array.isArray(value) && value.length === 0) &&
    !(isRecord(value) && Object.keys(value).length === 0)
  );
}

/** Which fields a filter or a search lets through, each with everything around it. */
function pruned(fields: FieldView[], keep: (field: FieldView) => boolean): Set<string> {
  const kept = new Set<string>();
  for (const field of fields) {
    if (!keep(field)) continue;
    for (let i = 1; i <= field.path.length; i++) kept.add(pathKey(field.path.slice(0, i)));
  }
  return kept;
}

function sideRows(sheet: Sheet, view: View, side: Side): Row[] {
  const fields = side === 'in' ? sheet.goesIn : sheet.comesBack;
  const root = side === 'in' ? sheet.parameters : sheet.answer;
  const steps = stepsOf(view, side);
  const narrowed = view.find !== '' || view.filter !== 'all';
  const kept = narrowed
    ? pruned(
        fields,
        (field) =>
          (view.find === '' || matches(field, view.find)) &&
          (view.filter !== 'used' || sheet.used.has(rowKey(side, field.path))) &&
          (view.filter !== 'values' || hasValue(valueAt(root, field.path, steps))),
      )
    : undefined;
  const rows: Row[] = [{ kind: 'head', key: `${side}:`, side, fields: fields.length }];
  let shut: Path | undefined;
  for (const field of fields) {
    if (shut && startsWith(field.path, shut)) continue;
    shut = undefined;
    if (kept && !kept.has(pathKey(field.path))) continue;
    const key = rowKey(side, field.path);
    const inside = hasInside(field);
    // What was searched for is shown, whatever is shut.
    const open = inside ? narrowed || startsOpen(field) !== view.toggled.has(key) : undefined;
    if (inside && !open) shut = field.path;
    const found = sheet.derived?.[pathKey(field.path)] ?? valueAt(root, field.path, steps);
    const list = side === 'in' && field.repeats ? itemsOf(found) : found;
    const loaded = Array.isArray(list) ? list.length : 0;
    // A parameter may be looked at where its next item goes.
    const most = side === 'in' ? loaded : Math.max(0, loaded - 1);
    const at = Math.min(steps[pathKey(field.path)] ?? 0, most);
    rows.push({
      kind: 'field',
      key,
      side,
      shownAs: sheet.alone ?? side,
      field,
      level: levelOf(field),
      open,
      value: side === 'in' && Array.isArray(list) ? list[at] : found,
      items: field.repeats
        ? ((side === 'out' ? sheet.cut[pathKey(field.path)] : undefined) ?? loaded)
        : undefined,
      loaded,
      at,
      used: sheet.used.has(key),
      empty: field.required ? 'needed' : sheet.sampled ? AS_GIVEN : 'left out',
    });
  }
  return rows;
}

/** The rows to show, flat and in order. */
export function visibleRows(sheet: Sheet, view: View): Row[] {
  return [...sideRows(sheet, view, 'in'), ...(sheet.alone ? [] : sideRows(sheet, view, 'out'))];
}

/** The row around another one, for moving out of a group. */
export function parentKey(row: FieldRow) {
  const around = row.field.path.slice(0, -1);
  const picked = around.findIndex((step) => !isName(step) || step === '$derived');
  return around.length > 0
    ? rowKey(row.side, picked < 0 ? around : around.slice(0, picked))
    : undefined;
}

export type ViewAction =
  | { type: 'toggle'; key: string }
  | { type: 'step'; side: Side; path: Path; to: number }
  | { type: 'find'; text: string }
  | { type: 'filter'; filter: Filter };

export const startView: View = {
  toggled: new Set(),
  steps: {},
  asked: {},
  find: '',
  filter: 'all',
};

/** Which items are looked at on a side. */
export function stepsOf(view: View, side: Side): Steps {
  return side === 'in' ? view.asked : view.steps;
}

export function changeView(view: View, action: ViewAction): View {
  switch (action.type) {
    case 'toggle': {
      const toggled = new Set(view.toggled);
      if (!toggled.delete(action.key)) toggled.add(action.key);
      return { ...view, toggled };
    }
    case 'step': {
      // Going to another item starts at the first one of the lists inside it.
      const prefix = pathKey(action.path);
      const others = Object.entries(stepsOf(view, action.side)).filter(
        ([key]) => !key.startsWith(prefix),
      );
      const steps = { ...Object.fromEntries(others), [prefix]: action.to };
      return action.side === 'in' ? { ...view, asked: steps } : { ...view, steps };
    }
    case 'find':
      return { ...view, find: action.text };
    case 'filter':
      return { ...view, filter: action.filter };
  }
}
