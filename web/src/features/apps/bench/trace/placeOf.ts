import type { PageView } from '@/api/client';
import type { Picked } from '@/parts/model';

/** Where on a page something is that was picked, in words, and what stands there. */
export function placeOf(
  page: PageView,
  picked: Picked,
): { words: string; text: string } | undefined {
  const { part, item, row = 0 } = picked;
  const drawn = page.parts.find((one) => one.id === part);
  const inPart = (label: string) => `${label} of ${drawn?.heading || 'the page'}`;
  switch (drawn?.kind) {
    case 'table':
    case 'cards': {
      const { columns, rows } = drawn.rows;
      const at = columns.findIndex(({ id }) => id === item);
      const column = columns[at];
      if (!column) return undefined;
      return {
        words: `${inPart(column.label)}, row ${row + 1}`,
        text: rows.find(({ number }) => number === row)?.cells[at]?.text ?? '',
      };
    }
    case 'record': {
      const field = drawn.fields.find(({ column }) => column.id === item);
      return field && { words: inPart(field.column.label), text: field.cell.text };
    }
    case 'text':
      return { words: 'a text of the page', text: drawn.heading };
    default:
      return undefined;
  }
}
