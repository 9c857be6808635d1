import type { OfferedColumn, OfferedTable, TableDraft, TableOffer } from '@/api/client';

/** Whether a file may hold tables, by what it is called. */
export const isTableFile = (name: string) => /\.(csv|tsv|tab|xlsx|xlsm|ods)$/i.test(name);

/** A column that may be offered, and the first values in it. */
export interface WishedColumn {
  on: boolean;
  column: OfferedColumn;
  first: string[];
}

export interface WishedTable {
  on: boolean;
  table: OfferedTable;
  rows: number;
  columns: WishedColumn[];
}

/** What people want to be offered of a file, with what they left out, so that it can come back. */
export interface Wish {
  name: string;
  tables: WishedTable[];
}

/** What is proposed, all of it wished. */
export function wishOf(draft: TableDraft): Wish {
  return {
    name: draft.offer.name,
    tables: draft.offer.tables.map((table) => {
      const seen = draft.sheets.find((sheet) => sheet.sheet === table.sheet);
      return {
        on: true,
        table,
        rows: seen?.rows ?? 0,
        columns: table.columns.map((column, index) => ({
          on: true,
          column,
          first: seen?.first[index] ?? [],
        })),
      };
    }),
  };
}

/** A wish as it is sent: what was left out is not in it, and nothing refers to it. */
export function offerOf(wish: Wish): TableOffer {
  const tables = wish.tables.filter((table) => table.on);
  const offered = (table: string, column: string) =>
    tables.some(
      (one) =>
        one.table.name === table &&
        one.columns.some(({ on, column: { name } }) => on && name === column),
    );
  return {
    name: wish.name.trim(),
    tables: tables.map(({ table, columns }) => ({
      ...table,
      columns: columns
        .filter(({ on }) => on)
        .map(({ column: { reference, ...column } }) => ({
          ...column,
          ...(reference && offered(reference.table, reference.column) && { reference }),
        })),
    })),
  };
}

/** The same wish with one of its tables changed. */
export function withTable(
  wish: Wish,
  index: number,
  change: (table: WishedTable) => WishedTable,
): Wish {
  return {
    ...wish,
    tables: wish.tables.map((table, at) => (at === index ? change(table) : table)),
  };
}

/** The same table with one of its columns changed. */
export function withColumn(
  table: WishedTable,
  index: number,
  change: (column: WishedColumn) => WishedColumn,
): WishedTable {
  return {
    ...table,
    columns: table.columns.map((column, at) => (at === index ? change(column) : column)),
  };
}

/** Columns with wrong cells as plain texts that may be missing: then nothing in them is wrong. */
export function asText(wish: Wish, wrong: { table: string; column: string }[]): Wish {
  return {
    ...wish,
    tables: wish.tables.map((table) => ({
      ...table,
      columns: table.columns.map((one) =>
        wrong.some(
          ({ table: name, column }) => name === table.table.name && column === one.column.name,
        )
          ? {
              ...one,
              column: {
                ...one.column,
                type: 'TEXT' as const,
                codes: [],
                unit: '',
                required: false,
              },
            }
          : one,
      ),
    })),
  };
}
