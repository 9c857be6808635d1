import { vi } from 'vitest';
import type { ColumnView, InputView, RowsView } from '@/api/client';
import type { PageUse } from './model';

/** A page in use, that remembers what happened to it. */
export function usedPage(over: Partial<PageUse> = {}): PageUse {
  return {
    building: false,
    picked: undefined,
    onPick: undefined,
    typed: {},
    busy: false,
    onStop: undefined,
    onInput: vi.fn(),
    onPress: vi.fn(),
    onChoose: vi.fn(),
    onArrange: vi.fn(),
    onReply: vi.fn(),
    onRows: vi.fn(),
    fetched: new Map(),
    fileOf: undefined,
    ...over,
  };
}

export const anInput = (id: string, over: Partial<InputView> = {}): InputView => ({
  id,
  label: id,
  kind: 'TEXT',
  required: false,
  choices: [],
  value: null,
  help: '',
  several: false,
  reported: false,
  hidden: false,
  ...over,
});

export const aColumn = (
  id: string,
  label: string,
  display: ColumnView['display'] = 'TEXT',
): ColumnView => ({ id, label, display, inside: [] });

/** Rows of texts. */
export const someRows = (
  columns: ColumnView[],
  texts: string[][],
  over: Partial<RowsView> = {},
): RowsView => ({
  columns,
  rows: texts.map((cells, number) => ({
    number,
    cells: cells.map((text) => ({ text, value: null })),
    without: [],
  })),
  from: 0,
  total: texts.length,
  all: texts.length,
  choosing: false,
  descending: false,
  find: '',
  content: 'FILLED',
  buttons: [],
  totals: [],
  ...over,
});
