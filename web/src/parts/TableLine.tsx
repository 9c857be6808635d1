import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import type { SyntheticEvent } from 'react';
import type { ColumnView, LineView, RowsView } from '@/api/client';
import { Cell } from './Cell';
import { InnerRows, InnerRowsToggle } from './InnerRows';
import { lookedInto } from './lookedInto';
import type { PageUse } from './model';
import { RowButtons } from './RowButtons';
import { choosable } from './RowTools';

/** Only free text may break into lines. */
const breaking = ({ display }: ColumnView) =>
  display === 'TEXT' || display === 'LONG_TEXT' ? 'normal' : 'nowrap';

/** Numbers stand under each other. */
export const right = ({ display }: ColumnView) => (display === 'NUMBER' ? 'right' : undefined);

interface Props {
  /** The place of the row among those that are shown. */
  place: number;
  part: string;
  rows: RowsView;
  row: LineView;
  use: PageUse;
  onPick:
    | ((column: string) => (event: SyntheticEvent<Element, MouseEvent | FocusEvent>) => void)
    | undefined;
  look: (column: string) => object;
  isOpen: (column: string) => boolean;
  onToggle: (column: string) => void;
}

/** A row of a table, and under it the rows inside it that are open. */
export function TableLine(props: Props) {
  const { place, part, rows, row, use, onPick, look, isOpen, onToggle } = props;
  const withButtons = rows.buttons.length > 0;
  return (
    <>
      <TableRow
        hover={rows.choosing && !use.building}
        selected={rows.chosen === row.number}
        aria-rowindex={place + 2}
        {...choosable(part, rows, row.number, use)}
      >
        {rows.columns.map((column, index) => (
          <TableCell
            key={column.id}
            variant="body"
            data-label={column.label}
            align={right(column)}
            onClick={onPick?.(column.id)}
            {...lookedInto(use, () => use.onPick?.({ part, item: column.id, row: row.number }))}
            sx={{ ...look(column.id), whiteSpace: breaking(column) }}
          >
            <span>
              {column.display === 'ROWS' && row.cells[index] ? (
                <InnerRowsToggle
                  cell={row.cells[index]}
                  column={column}
                  open={isOpen(column.id)}
                  onToggle={() => {
                    onToggle(column.id);
                  }}
                />
              ) : (
                <Cell cell={row.cells[index]} column={column} />
              )}
            </span>
          </TableCell>
        ))}
        {withButtons && (
          <TableCell variant="body" align="right" sx={{ whiteSpace: 'nowrap' }}>
            <RowButtons rows={rows} row={row} use={use} />
          </TableCell>
        )}
      </TableRow>
      {rows.columns.map((column, index) => {
        const cell = row.cells[index];
        return (
          cell?.inside &&
          isOpen(column.id) && (
            <TableRow key={column.id}>
              <TableCell
                variant="body"
                colSpan={rows.columns.length + (withButtons ? 1 : 0)}
                data-label={column.label}
              >
                <InnerRows cell={cell} column={column} />
              </TableCell>
            </TableRow>
          )
        );
      })}
    </>
  );
}
