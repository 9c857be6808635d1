import { describe, expect, it } from 'vitest';
import type { OfferedColumn, TableDraft } from '@/api/client';
import { asText, isTableFile, offerOf, wishOf, withColumn, withTable } from './model';

const column = (name: string, more: Partial<OfferedColumn> = {}): OfferedColumn => ({
  name,
  header: name,
  type: 'TEXT',
  unit: '',
  key: false,
  required: true,
  codes: [],
  ...more,
});

const draft: TableDraft = {
  id: 'd',
  file: 'Berth book.xlsx',
  sheets: [
    { sheet: 'Berths', header: 1, rows: 24, first: [['N01'], ['North'], ['10.5', 'unknown']] },
    { sheet: 'Basins', header: 1, rows: 4, first: [['North']] },
  ],
  offer: {
    name: 'Berth book',
    tables: [
      {
        name: 'Berth',
        several: 'Berths',
        sheet: 'Berths',
        style: { decimalComma: false, monthFirst: false },
        changes: [],
        columns: [
          column('code', { key: true }),
          column('basin', { reference: { table: 'Basin', column: 'basin' } }),
          column('depth', { type: 'DECIMAL', unit: 'm' }),
        ],
      },
      {
        name: 'Basin',
        several: 'Basins',
        sheet: 'Basins',
        style: { decimalComma: false, monthFirst: false },
        changes: [],
        columns: [column('basin', { key: true })],
      },
    ],
  },
};

describe('what is wished of a file of tables', () => {
  it('is at first what is proposed', () => {
    const wish = wishOf(draft);
    expect(offerOf(wish)).toEqual(draft.offer);
    expect(wish.tables[0]?.columns[2]?.first).toEqual(['10.5', 'unknown']);
  });

  it('refers to no table that is left out', () => {
    const wish = withTable(wishOf(draft), 1, (table) => ({ ...table, on: false }));
    const offer = offerOf(wish);
    expect(offer.tables).toHaveLength(1);
    expect(offer.tables[0]?.columns[1]).not.toHaveProperty('reference');
  });

  it('keeps what was left out, to be taken back', () => {
    const off = withTable(wishOf(draft), 0, (table) =>
      withColumn(table, 2, (one) => ({ ...one, on: false })),
    );
    expect(offerOf(off).tables[0]?.columns).toHaveLength(2);
    const back = withTable(off, 0, (table) =>
      withColumn(table, 2, (one) => ({ ...one, on: true })),
    );
    expect(offerOf(back)).toEqual(draft.offer);
  });

  it('takes columns with wrong cells as texts', () => {
    const offer = offerOf(asText(wishOf(draft), [{ table: 'Berth', column: 'depth' }]));
    expect(offer.tables[0]?.columns[2]).toMatchObject({ type: 'TEXT', unit: '', required: false });
    expect(offer.tables[0]?.columns[0]).toEqual(draft.offer.tables[0]?.columns[0]);
  });

  it('knows files of tables by their names', () => {
    expect(['a.csv', 'B.XLSX', 'c.ods', 'd.wsdl', 'csv'].map(isTableFile)).toEqual([
      true,
      true,
      true,
      false,
      false,
    ]);
  });
});
