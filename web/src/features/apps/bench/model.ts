import type {
  AppEdit,
  Bench,
  BenchItem,
  FieldView,
  Overrides,
  PageCall,
  SlotId,
  Source,
} from '@/api/client';
import { type Path, pathKey, recordOf, startsWith, type Step } from '@/lib/json';
import { type FieldRow, rowKey } from '@/sheet/model';
import type { Picked } from '@/parts/model';

/** What fills a parameter. */
export function filledBy(call: PageCall, path: Path) {
  const key = pathKey(path);
  return call.filled.find((filled) => pathKey(filled.path) === key);
}

/** Whether visitors can be asked for a parameter: one of several things only where it stands once. */
export const isAskable = (field: FieldView) =>
  ['scalar', 'record', 'open'].includes(field.kind) || (field.kind === 'oneOf' && !field.repeats);

/** Where a returned field is shown on the page, first place first. */
export function shownAs(call: PageCall, path: Path) {
  const key = pathKey(path);
  return call.shown.find((shown) => pathKey(shown.path) === key);
}

/** The rows of a call's sheet that are used. */
export function usedRows(call: PageCall): Set<string> {
  return new Set([
    ...call.filled.map(({ path }) => rowKey('in', path)),
    ...call.shown.map(({ path }) => rowKey('out', path)),
  ]);
}

/** The row that fills or is filled by what is picked on the page. */
export function rowOf(call: PageCall, picked: Picked): string | undefined {
  const filled = call.filled.find(
    ({ source }) => source.kind === 'entered' && source.input === picked.item,
  );
  if (filled) return rowKey('in', filled.path);
  const shown = call.shown.find(
    (one) => one.part === picked.part && (one.item ?? undefined) === picked.item,
  );
  return shown && rowKey('out', shown.path);
}

/** What is said of a part, or of a thing in one. */
export function itemOf(bench: Bench, picked: Picked): BenchItem | undefined {
  return bench.items.find(
    (one) => one.part === picked.part && (one.item ?? undefined) === picked.item,
  );
}

/** What on the page belongs to a row. */
export function pickOf(bench: Bench, call: PageCall, row: FieldRow): Picked | undefined {
  if (row.side === 'in') {
    const source = filledBy(call, row.field.path)?.source;
    if (source?.kind !== 'entered') return undefined;
    const found = bench.items.find(({ item }) => item === source.input);
    return found && { part: found.part, item: source.input };
  }
  const shown = shownAs(call, row.field.path);
  return shown && { part: shown.part, ...(shown.item ? { item: shown.item } : {}) };
}

/** The call whose field sheet has what is picked on the page: it shows it, or is filled by it. */
export const callOf = (bench: Bench, picked: Picked): PageCall | undefined =>
  bench.calls.find((call) => rowOf(call, picked) !== undefined);

/** Shows a returned field on the page where it fits, or no longer. */
export function fieldEdit(page: string, call: string, row: FieldRow, used: boolean): AppEdit {
  const { derived, path } = row.field;
  return {
    kind: 'useField',
    page,
    call,
    path: derived === undefined ? path : recordOf(path),
    ...(derived === undefined ? {} : { derived }),
    used,
  };
}

/** A returned field as it is dragged onto the page. */
export interface DraggedField {
  path: Step[];
  derived?: string | undefined;
}

/** Where a returned field is found from inside a part. */
export function sourceIn(call: PageCall, part: string, dragged: DraggedField): Source {
  const rows = call.shown.find((one) => one.part === part && one.item === undefined);
  const { derived, path } = dragged;
  const field: Step[] = derived === undefined ? path : recordOf(path);
  const source: Source =
    rows && startsWith(field, rows.path)
      ? { kind: 'row', path: field.slice(rows.path.length) }
      : { kind: 'returned', call: call.id, path: field };
  return derived === undefined ? source : { kind: 'derived', record: source, field: derived };
}

/** Which parts of the page a field can be shown in, besides where it is. */
export function partsFor(bench: Bench): BenchItem[] {
  return bench.items.filter(
    ({ item, kind }) => item === undefined && (kind === 'table' || kind === 'record'),
  );
}

/** The edit that decides something of a field for all pages. */
export function modelEdit(item: BenchItem, change: Partial<Overrides>): AppEdit | undefined {
  const { field } = item;
  return (
    field && {
      kind: 'setModelField',
      field: field.ref,
      ...(field.type === undefined ? {} : { type: field.type }),
      ...(field.derived === undefined ? {} : { derived: field.derived }),
      set: { ...item.set, ...change },
    }
  );
}

/** Which aspects of a field the page alone has different. */
export const differs = (item: BenchItem) => Object.keys(item.only).length > 0;

/**
 * The edit that follows from changing something where it stands: of the model, unless the page has
 * it different already, or there is no field behind it.
 */
export function changeEdit(page: string, item: BenchItem, change: Partial<Overrides>): AppEdit {
  const here = Object.keys(change).some((aspect) => aspect in item.only);
  const model = here ? undefined : modelEdit(item, change);
  return (
    model ?? {
      kind: 'setOnlyHere',
      page,
      item: item.item ?? '',
      only: { ...item.only, ...change },
    }
  );
}

/** The edit that makes the change of the model one of this page alone. */
export function onlyHereEdit(page: string, item: BenchItem): AppEdit {
  const back = modelEdit({ ...item, set: {} }, {});
  const here: AppEdit = {
    kind: 'setOnlyHere',
    page,
    item: item.item ?? '',
    only: { ...item.set, ...item.only },
  };
  return back ? { kind: 'together', title: 'Have it so only here', edits: [back, here] } : here;
}

export const parameterSlot = (page: string, call: string, parameter: Step[]): SlotId => ({
  kind: 'ofParameter',
  page,
  call,
  parameter,
});

/** What a row of the field sheet of a call is dragged as. */
export const draggedText = (call: string, { path, derived }: DraggedField) =>
  JSON.stringify({ call, field: { path, derived } });

/** The call and the field that were dropped; nothing if something else was. */
export function droppedIn(bench: Bench, text: string) {
  try {
    const { call, field } = JSON.parse(text) as { call: string; field: DraggedField };
    const known = bench.calls.find(({ id }) => id === call);
    return known && { call: known, field };
  } catch {
    // What comes from another window may be anything.
    return undefined;
  }
}

/** What a part, or something in it, is dragged as onto a row of a field sheet. */
export const takingText = ({ part, item }: BenchItem) => JSON.stringify({ part, item });

/**
 * The edit by which a part, or something in it, takes the field of a row: a part shows it too, a
 * column shows it instead, an input begins with it or, of a parameter, fills it. Nothing where that
 * makes no sense.
 */
export function takenEdit(
  page: string,
  bench: Bench,
  call: PageCall,
  row: Pick<FieldRow, 'side' | 'field'>,
  taking: string,
): AppEdit | undefined {
  if (row.field.kind !== 'scalar') return undefined;
  const taker = itemIn(bench, taking);
  if (!taker) return undefined;
  if (row.side === 'in') {
    return taker.kind === 'input' && taker.item !== undefined
      ? {
          kind: 'fillSlot',
          slot: parameterSlot(page, call.id, row.field.path),
          source: { kind: 'entered', input: taker.item },
        }
      : undefined;
  }
  const source = sourceIn(call, taker.part, row.field);
  if (taker.item !== undefined) return { kind: 'fillSlot', slot: taker.slot, source };
  return partsFor(bench).includes(taker)
    ? { kind: 'showField', page, part: taker.part, source }
    : undefined;
}

function itemIn(bench: Bench, taking: string): BenchItem | undefined {
  try {
    return itemOf(bench, JSON.parse(taking) as Picked);
  } catch {
    // What comes from another window may be anything.
    return undefined;
  }
}

type Frame = NonNullable<BenchItem['settings']>['frame'];

/** The same in a group, in rows or, with nothing, on the page itself. */
export const standing = (
  { width, words, buildersOnly }: Frame,
  within: string | undefined,
): Frame => ({ width, words, buildersOnly, ...(within === undefined ? {} : { within }) });

/** How a part stands on the page. */
export const frameOf = (bench: Bench, part: string) =>
  bench.items.find((one) => one.part === part && one.item === undefined)?.settings?.frame;

/**
 * The edit that moves a part where another one stands, or into it if that is a group; nothing if it
 * stays where it is.
 */
export function moveEdit(
  page: string,
  bench: Bench,
  part: string,
  onto: string,
): AppEdit | undefined {
  const parts = bench.items.filter(({ item }) => item === undefined);
  const moved = parts.find((one) => one.part === part);
  const there = parts.find((one) => one.part === onto);
  const frame = moved?.settings?.frame;
  if (!moved || !there || !frame || part === onto) return undefined;
  const wanted =
    there.kind === 'group' && moved.kind !== 'group' ? onto : there.settings?.frame.within;
  if (wanted !== frame.within) {
    return { kind: 'setFrame', page, part, frame: standing(frame, wanted) };
  }
  if (wanted === onto) return undefined;
  const beside = parts.filter((one) => one.settings?.frame.within === frame.within);
  return { kind: 'movePart', page, part, by: beside.indexOf(there) - beside.indexOf(moved) };
}
