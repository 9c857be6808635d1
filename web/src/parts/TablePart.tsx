import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableFooter from '@mui/material/TableFooter';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import TableSortLabel from '@mui/material/TableSortLabel';
import { Fragment, useRef, useState } from 'react';

import type { ColumnView, RowsView, TableView, TotalView } from '@/api/client';
import { unseen } from '@/ui/unseen';
import { byKeyboard } from '@/lib/pressed';
import { Cell } from './Cell';
import { InnerRows, InnerRowsToggle } from './InnerRows';
import { Emptiness } from './Emptiness';
import { isPicked, type PartProps } from './model';
import { RowButtons } from './RowButtons';
import { TOTALS } from './totals';
import { choosable, RowTools, useRowPages } from './RowTools';

/** Only free text may break into lines. */
const lines = ({ display }: ColumnView) =>
  display === 'TEXT' || display === 'LONG_TEXT' ? 'normal' : 'nowrap';
const right = ({ display }: ColumnView) => (display === 'NUMBER' ? 'right' : undefined);

/** Where there is no room for columns, every row stands on its own with its labels. */
const stacked = {
  '@container (max-width: 400px)': {
    display: 'block',
    '& thead': { display: 'none' },
    '& tbody, & tfoot': { display: 'block' },
    '& tr': { display: 'block', borderBottom: '1px solid', borderColor: 'divider', py: 1 },
    '& td': {
      display: 'flex',
      // Numbers would have it the other way round.
      flexDirection: 'row',
      gap: 2,
      justifyContent: 'space-between',
      border: 0,
      py: 0.25,
      textAlign: 'right',
    },
    '& td::before': {
      content: 'attr(data-label)',
      color: 'text.secondary',
      textAlign: 'left',
      flex: 'none',
    },
  },
} as const;

function TotalText({ total }: { total: TotalView | undefined }) {
  return (
    total && (
      <Box
        component="span"
        sx={{ color: 'text.primary', fontSize: 13, fontWeight: 600, whiteSpace: 'nowrap' }}
      >
        <Box component="span" sx={{ color: 'text.secondary', fontWeight: 400 }}>
          {TOTALS[total.total]}{' '}
        </Box>
        {total.text || '–'}
      </Box>
    )
  );
}

/** Rows with columns. */
export function TablePart({ part, use, words }: PartProps<TableView>) {
  const { building, onPick, picked, onArrange } = use;
  const { rows } = part;
  const { drawn, pages } = useRowPages(part.id, rows, use);
  const withButtons = rows.buttons.length > 0;
  const pick =
    (item: string, row?: number) =>
    (event: React.SyntheticEvent<Element, MouseEvent | FocusEvent>) => {
      if (!onPick) return;
      // With Alt a value is only looked into, wherever its row would lead.
      if (building || ('altKey' in event.nativeEvent && event.nativeEvent.altKey)) {
        event.stopPropagation();
      }
      onPick({ part: part.id, item, ...(row === undefined ? {} : { row }) });
    };
  // While it is built all of a column is meant; on a page that runs it is one value.
  const look = (item: string, row?: number) =>
    isPicked(picked, part.id, item) && (building || picked?.row === row)
      ? { bgcolor: 'shallow' }
      : {};
  const [open, setOpen] = useState<ReadonlySet<string>>(new Set());
  const keyOf = (row: number, column: string) => `${String(row)} ${column}`;
  const toggle = (key: string) => {
    setOpen((before) => {
      const after = new Set(before);
      if (!after.delete(key)) after.add(key);
      return after;
    });
  };
  // What was pressed last, as long as the rows do not show it yet.
  const wished = useRef<{ before: RowsView; by: string | undefined; descending: boolean }>(null);
  /** Up, down, and back to the order of the answer. */
  const order = (column: string) => {
    const now = wished.current?.before === rows ? wished.current : rows;
    const again = now.by === column;
    const by = again && now.descending ? undefined : column;
    const descending = again && !now.descending;
    wished.current = { before: rows, by, descending };
    onArrange?.(part.id, { by, descending, find: rows.find });
  };
  return (
    <Box>
      <RowTools part={part.id} heading={part.heading} rows={rows} use={use} />
      {rows.all === 0 && !building && <Emptiness content={rows.content} words={words} />}
      {(building || rows.all > 0) && (
        <Box sx={{ overflowX: 'auto' }}>
          <Table
            size="small"
            aria-label={part.heading}
            sx={{
              ...stacked,
              '& th': { fontWeight: 700, borderColor: 'text.secondary', whiteSpace: 'nowrap' },
              '& td': { borderColor: 'line' },
              '& th, & td': { px: 1 },
            }}
          >
            <TableHead>
              <TableRow>
                {rows.columns.map((column) => (
                  <TableCell
                    key={column.id}
                    align={right(column)}
                    tabIndex={building ? 0 : undefined}
                    onClick={building ? pick(column.id) : undefined}
                    onFocus={building ? byKeyboard(pick(column.id)) : undefined}
                    sortDirection={
                      rows.by === column.id ? (rows.descending ? 'desc' : 'asc') : false
                    }
                    sx={look(column.id)}
                  >
                    {onArrange && rows.all > 1 ? (
                      <TableSortLabel
                        active={rows.by === column.id}
                        direction={rows.by === column.id && rows.descending ? 'desc' : 'asc'}
                        onClick={() => {
                          order(column.id);
                        }}
                      >
                        {column.label}
                      </TableSortLabel>
                    ) : (
                      column.label
                    )}
                  </TableCell>
                ))}
                {withButtons && (
                  <TableCell>
                    <Box component="span" sx={unseen}>
                      What can be done
                    </Box>
                  </TableCell>
                )}
              </TableRow>
            </TableHead>
            <TableBody>
              {drawn.map((row) => (
                <Fragment key={row.number}>
                  <TableRow
                    hover={rows.choosing && !building}
                    selected={rows.chosen === row.number}
                    {...choosable(part.id, rows, row.number, use)}
                  >
                    {rows.columns.map((column, place) => (
                      <TableCell
                        key={column.id}
                        data-label={column.label}
                        align={right(column)}
                        onClick={onPick ? pick(column.id, row.number) : undefined}
                        sx={{ ...look(column.id, row.number), whiteSpace: lines(column) }}
                      >
                        <span>
                          {column.display === 'ROWS' && row.cells[place] ? (
                            <InnerRowsToggle
                              cell={row.cells[place]}
                              column={column}
                              open={open.has(keyOf(row.number, column.id))}
                              onToggle={() => {
                                toggle(keyOf(row.number, column.id));
                              }}
                            />
                          ) : (
                            <Cell cell={row.cells[place]} column={column} />
                          )}
                        </span>
                      </TableCell>
                    ))}
                    {withButtons && (
                      <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
                        <RowButtons rows={rows} row={row} use={use} />
                      </TableCell>
                    )}
                  </TableRow>
                  {rows.columns.map((column, place) => {
                    const cell = row.cells[place];
                    return (
                      cell?.inside &&
                      open.has(keyOf(row.number, column.id)) && (
                        <TableRow key={column.id}>
                          <TableCell
                            colSpan={rows.columns.length + (withButtons ? 1 : 0)}
                            data-label={column.label}
                          >
                            <InnerRows cell={cell} column={column} />
                          </TableCell>
                        </TableRow>
                      )
                    );
                  })}
                </Fragment>
              ))}
            </TableBody>
            {rows.totals.length > 0 && rows.total > 0 && (
              <TableFooter>
                <TableRow>
                  {rows.columns.map((column) => (
                    <TableCell key={column.id} data-label={column.label} align={right(column)}>
                      <TotalText total={rows.totals.find((one) => one.column === column.id)} />
                    </TableCell>
                  ))}
                  {withButtons && <TableCell />}
                </TableRow>
              </TableFooter>
            )}
          </Table>
        </Box>
      )}
      {pages}
    </Box>
  );
}
