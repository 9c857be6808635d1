import type { KeyboardEvent } from 'react';
import { type FieldRow, parentKey, type Row, type ViewAction } from './model';

/** What the keys of a sheet act on. */
export interface SheetKeys {
  rows: Row[];
  activeIndex: number;
  onActivate: (index: number) => void;
  onView: (action: ViewAction) => void;
  onUse: (row: FieldRow) => void;
  onEdit: (index: number) => HTMLElement | null | undefined;
  onFind: () => HTMLElement | null | undefined;
  onRemove: (row: FieldRow) => void;
  onMove: (row: FieldRow, by: number) => void;
  onSend: () => void;
}

const PAGE = 15;

/** The index of the field so many rows away; heads are passed over, and the ends hold. */
export function moveBy(rows: Row[], from: number, by: number) {
  const step = Math.sign(by);
  let index = from;
  let left = Math.abs(by);
  for (let i = from + step; left > 0 && i >= 0 && i < rows.length; i += step) {
    if (rows[i]?.kind === 'field') {
      index = i;
      left--;
    }
  }
  return index;
}

function edit(element: HTMLElement | null | undefined) {
  if (!element) return;
  element.focus();
  if (element instanceof HTMLButtonElement) element.click();
}

function sideways(keys: SheetKeys, row: FieldRow, right: boolean) {
  if (row.open !== undefined && row.open !== right) {
    keys.onView({ type: 'toggle', key: row.key });
  } else if (right) {
    if (row.open) keys.onActivate(moveBy(keys.rows, keys.activeIndex, 1));
  } else {
    const parent = parentKey(row);
    const index = keys.rows.findIndex((other) => other.key === parent);
    if (index >= 0) keys.onActivate(index);
  }
}

/** Adds, takes out or goes through the items of a repeated field; false for other keys. */
function itemKey(event: KeyboardEvent, keys: SheetKeys, row: FieldRow) {
  if (!event.altKey || row.items === undefined) return false;
  const step = (to: number) => {
    keys.onView({ type: 'step', side: row.side, path: row.field.path, to });
  };
  const most = row.side === 'in' ? Math.max(row.loaded - 1, row.at) : row.loaded - 1;
  switch (event.key) {
    case 'PageUp':
      step(Math.max(0, row.at - 1));
      return true;
    case 'PageDown':
      step(Math.min(most, row.at + 1));
      return true;
    case '+':
      if (row.side === 'in') step(row.loaded);
      return row.side === 'in';
    case '-':
      if (row.side === 'in') keys.onRemove(row);
      return row.side === 'in';
    default:
      return false;
  }
}

/** Does what a key means in a sheet; false if it means nothing here. */
export function sheetKey(event: KeyboardEvent, keys: SheetKeys): boolean {
  const row = keys.rows[keys.activeIndex];
  if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) {
    keys.onSend();
    return true;
  }
  if (event.target !== event.currentTarget) return false;
  if (event.key === '/') {
    keys.onFind()?.focus();
    return true;
  }
  if (row?.kind !== 'field') return false;
  if (itemKey(event, keys, row)) return true;
  if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
    keys.onMove(row, event.key === 'ArrowUp' ? -1 : 1);
    return true;
  }
  const moves: Record<string, number> = {
    ArrowDown: 1,
    ArrowUp: -1,
    PageDown: PAGE,
    PageUp: -PAGE,
    Home: -keys.rows.length,
    End: keys.rows.length,
  };
  const by = moves[event.key];
  if (by !== undefined) {
    keys.onActivate(moveBy(keys.rows, keys.activeIndex, by));
    return true;
  }
  switch (event.key) {
    case 'ArrowRight':
    case 'ArrowLeft':
      sideways(keys, row, event.key === 'ArrowRight');
      return true;
    case ' ':
      keys.onUse(row);
      return true;
    case 'Enter':
      edit(keys.onEdit(keys.activeIndex));
      return true;
    default:
      return false;
  }
}
