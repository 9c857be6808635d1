import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableCell from '@mui/material/TableCell';
import TableFooter from '@mui/material/TableFooter';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import TableSortLabel from '@mui/material/TableSortLabel';
import { useEffect, useRef, useState } from 'react';

import type { RowsView, TableView, TotalView } from '@/api/client';
import { unseen } from '@/ui/unseen';
import { byKeyboard } from '@/lib/pressed';
import { Emptiness } from './Emptiness';
import { isPicked, type PartProps } from './model';
import { TOTALS } from './totals';
import { RowTools } from './RowTools';
import { right, TableLine } from './TableLine';
import { BLOCK, useNear } from './useNear';
import { MOST_PRINTED, usePrinting } from './usePrinting';
import { useRows } from './useRows';

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

/** Nothing moves any more after so many milliseconds. */
const SETTLED = 80;

/** Rows with columns. */
export function TablePart({ part, use, words }: PartProps<TableView>) {
  const { building, onPick, picked, onArrange } = use;
  const { rows } = part;
  const { at, need } = useRows(part.id, rows, use);
  const withButtons = rows.buttons.length > 0;
  const columns = rows.columns.length + (withButtons ? 1 : 0);
  // A long table is scrolled in its own place, so that what stands below it is not out of reach.
  const scrolled = rows.total > BLOCK;
  const box = useRef<HTMLDivElement>(null);
  const blocks = useNear(box, rows.total);
  useEffect(() => {
    // What is only scrolled past is not fetched.
    const timer = setTimeout(() => {
      for (const { from, to, isNear } of blocks) if (isNear) need(from, to);
    }, SETTLED);
    return () => {
      clearTimeout(timer);
    };
  }, [blocks, need]);
  const printing = usePrinting(rows.total, at, need);
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
  const lines = (from: number, to: number) =>
    Array.from({ length: to - from }, (_, index) => {
      const row = at(from + index);
      return row ? (
        <TableLine
          key={from + index}
          place={from + index}
          part={part.id}
          rows={rows}
          row={row}
          use={use}
          onPick={onPick ? (item) => pick(item, row.number) : undefined}
          look={(item) => look(item, row.number)}
          isOpen={(column) => open.has(keyOf(row.number, column))}
          onToggle={(column) => {
            toggle(keyOf(row.number, column));
          }}
        />
      ) : (
        <TableRow key={from + index}>
          <TableCell variant="body" colSpan={columns} sx={{ color: 'text.secondary' }}>
            …
          </TableCell>
        </TableRow>
      );
    });
  return (
    <Box>
      <RowTools
        part={part.id}
        heading={part.heading}
        rows={rows}
        use={use}
        onPrint={scrolled && rows.total <= MOST_PRINTED ? printing.begin : undefined}
      />
      {rows.all === 0 && !building && <Emptiness content={rows.content} words={words} />}
      {(building || rows.all > 0) && (
        <Box
          ref={box}
          {...(scrolled && { tabIndex: 0, role: 'group', 'aria-label': `${part.heading}, rows` })}
          sx={{
            overflowX: 'auto',
            ...(scrolled && {
              maxHeight: 'max(320px, 70vh)',
              overflowY: 'auto',
              overscrollBehavior: 'contain',
              '@media print': { maxHeight: 'none', overflow: 'visible' },
            }),
          }}
        >
          <Table
            size="small"
            aria-label={part.heading}
            aria-rowcount={scrolled ? rows.total + 1 : undefined}
            stickyHeader={scrolled}
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
            {blocks.map(({ block, from, to, height, isNear }) => (
              <tbody key={block} data-block={block}>
                {isNear || printing.all ? (
                  lines(from, to)
                ) : (
                  <tr aria-hidden>
                    <td colSpan={columns} style={{ height, padding: 0, border: 0 }} />
                  </tr>
                )}
              </tbody>
            ))}
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
    </Box>
  );
}
