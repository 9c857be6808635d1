import type { Input, Item, Mapping, Operation, Page, PageCall, Part } from '@/api/client';
import { pathKey } from '@/lib/json';
import { type FieldRow, rowKey } from '@/sheet/model';
import type { Picked } from '../live/model';

/** Where a returned field is shown: the part, and the column or field of it. */
export interface Shown {
  part: Part;
  item: Item | undefined;
  position: number;
}

const itemsOf = (part: Part): Item[] =>
  part.kind === 'table' || part.kind === 'record' ? part.items : [];

export function inputsOf(page: Page): { form: string; input: Input }[] {
  return page.parts.flatMap((part) =>
    part.kind === 'form' ? part.inputs.map((input) => ({ form: part.id, input })) : [],
  );
}

function pathOf(mapping: Mapping, side: 'in' | 'out') {
  const end = side === 'in' ? mapping.target : mapping.source;
  return 'path' in end ? end.path : undefined;
}

/** The mapping to a parameter. */
export function filledBy(call: PageCall, path: readonly string[]) {
  const key = pathKey(path);
  return call.goesIn.find((mapping) => pathKey(pathOf(mapping, 'in') ?? []) === key)?.source;
}

/** Where a returned field is shown on the page, first place first. */
export function shownAs(page: Page, call: PageCall, path: readonly string[]): Shown | undefined {
  const key = pathKey(path);
  for (const mapping of call.comesBack) {
    if (pathKey(pathOf(mapping, 'out') ?? []) !== key) continue;
    const { target } = mapping;
    if (target.kind === 'parameter') continue;
    const part = page.parts.find((one) => one.id === target.part);
    if (!part) continue;
    if (target.kind === 'rows') return { part, item: undefined, position: 0 };
    const position = itemsOf(part).findIndex((item) => item.id === target.item);
    return { part, item: itemsOf(part)[position], position };
  }
  return undefined;
}

/** The rows of a call's sheet that are used. */
export function usedRows(call: PageCall): Set<string> {
  const used = new Set<string>();
  for (const mapping of call.goesIn) {
    const path = pathOf(mapping, 'in');
    if (path) used.add(rowKey('in', path));
  }
  for (const mapping of call.comesBack) {
    const path = pathOf(mapping, 'out');
    if (path) used.add(rowKey('out', path));
  }
  return used;
}

/** The row that fills or is filled by what is picked on the page. */
export function rowOf(call: PageCall, picked: Picked): string | undefined {
  for (const mapping of call.goesIn) {
    if (mapping.source.kind === 'entered' && mapping.source.input === picked.item) {
      return rowKey('in', pathOf(mapping, 'in') ?? []);
    }
  }
  for (const mapping of call.comesBack) {
    const { target } = mapping;
    const hit =
      target.kind === 'item'
        ? target.part === picked.part && target.item === picked.item
        : target.kind === 'rows' && target.part === picked.part && picked.item === undefined;
    if (hit) return rowKey('out', pathOf(mapping, 'out') ?? []);
  }
  return undefined;
}

/** What on the page belongs to a row. */
export function pickOf(page: Page, call: PageCall, row: FieldRow): Picked | undefined {
  if (row.side === 'in') {
    const source = filledBy(call, row.field.path);
    if (source?.kind !== 'entered') return undefined;
    const found = inputsOf(page).find(({ input }) => input.id === source.input);
    return found && { part: found.form, item: found.input.id };
  }
  const shown = shownAs(page, call, row.field.path);
  return shown && { part: shown.part.id, ...(shown.item ? { item: shown.item.id } : {}) };
}

export interface Origin {
  call: PageCall;
  path: string[];
}

/** The returned field behind what is picked on the page. */
export function originOf(page: Page, picked: Picked): Origin | undefined {
  for (const call of page.calls) {
    for (const mapping of call.comesBack) {
      const path = pathOf(mapping, 'out');
      if (
        mapping.target.kind === 'item' &&
        mapping.target.part === picked.part &&
        mapping.target.item === picked.item &&
        path
      ) {
        return { call, path };
      }
    }
  }
  return undefined;
}

export const operationName = (operations: (Operation | undefined)[], call: PageCall) =>
  operations.find((one) => one?.id === call.operation && one.service === call.service)?.name ??
  call.operation;
