import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TablePagination from '@mui/material/TablePagination';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { ColumnView, TableView } from '@/api/client';
import { count } from '@/lib/format';
import { Cell } from './Cell';
import { Emptiness } from './Emptiness';
import { isPicked, type PartProps } from './model';

const ROWS = 50;
/** Only free text may break into lines. */
const lines = ({ display }: ColumnView) =>
  display === 'TEXT' || display === 'LONG_TEXT' ? 'normal' : 'nowrap';
const right = ({ display }: ColumnView) => (display === 'NUMBER' ? 'right' : undefined);

/** Where there is no room for columns, every row stands on its own with its labels. */
const stacked = {
  '@container (max-width: 400px)': {
    display: 'block',
    '& thead': { display: 'none' },
    '& tbody': { display: 'block' },
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

/** Rows with columns. */
export function TablePart({ part, use }: PartProps<TableView>) {
  const { building, onPick, picked } = use;
  const [at, setAt] = useState(0);
  const pageAt = at * ROWS < part.total ? at : 0;
  const first = pageAt * ROWS;
  const rows = part.rows.slice(first - part.from, first - part.from + ROWS);
  const pick = (item: string, row?: number) => (event: React.SyntheticEvent) => {
    if (!onPick) return;
    event.stopPropagation();
    onPick({ part: part.id, item, ...(row === undefined ? {} : { row }) });
  };
  const look = (item: string) => (isPicked(picked, part.id, item) ? { bgcolor: 'shallow' } : {});
  return (
    <Box>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1.5 }}>
        <Typography variant="h2">{part.heading}</Typography>
        {(part.content === 'FILLED' || part.content === 'EMPTY') && (
          <Typography sx={{ color: 'text.secondary' }}>{count(part.total, 'row')}</Typography>
        )}
      </Box>
      {part.total === 0 && !building && <Emptiness content={part.content} />}
      {(building || part.total > 0) && (
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
                {part.columns.map((column) => (
                  <TableCell
                    key={column.id}
                    align={right(column)}
                    tabIndex={building ? 0 : undefined}
                    onClick={building ? pick(column.id) : undefined}
                    onFocus={building ? pick(column.id) : undefined}
                    sx={look(column.id)}
                  >
                    {column.label}
                  </TableCell>
                ))}
              </TableRow>
            </TableHead>
            <TableBody>
              {rows.map((row, index) => (
                <TableRow key={first + index} selected={part.chosen === first + index}>
                  {part.columns.map((column, place) => (
                    <TableCell
                      key={column.id}
                      data-label={column.label}
                      align={right(column)}
                      onClick={onPick ? pick(column.id, first + index) : undefined}
                      sx={{ ...look(column.id), whiteSpace: lines(column) }}
                    >
                      <span>
                        <Cell cell={row[place]} column={column} />
                      </span>
                    </TableCell>
                  ))}
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </Box>
      )}
      {part.total > ROWS && (
        <TablePagination
          component="div"
          count={part.total}
          page={pageAt}
          rowsPerPage={ROWS}
          rowsPerPageOptions={[ROWS]}
          onPageChange={(_, next) => {
            const wanted = next * ROWS;
            const here =
              wanted >= part.from &&
              Math.min(wanted + ROWS, part.total) <= part.from + part.rows.length;
            if (!here) use.onRows?.(part.id, wanted);
            setAt(next);
          }}
        />
      )}
    </Box>
  );
}
