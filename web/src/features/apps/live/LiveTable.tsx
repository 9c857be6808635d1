import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TablePagination from '@mui/material/TablePagination';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Item, Json, TablePart } from '@/api/client';
import { count } from '@/lib/format';
import { isRecord } from '@/lib/json';
import { Cell } from './Cell';
import { isPicked } from './model';
import type { PartProps } from './LivePage';

const ROWS = 50;
/** Only free text may break into lines. */
const lines = (item: Item) => (item.format === 'TEXT' ? 'normal' : 'nowrap');
const right = (item: Item) => (item.format === 'NUMBER' ? 'right' : undefined);

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
export function LiveTable({ part, state, building, picked, onPick }: PartProps<TablePart>) {
  const [at, setAt] = useState(0);
  const content = state.contents[part.id];
  const rows: Json[] = Array.isArray(content) ? content : [];
  const pageAt = at * ROWS < rows.length ? at : 0;
  const pick = (item: Item, row?: number) => (event: React.MouseEvent) => {
    if (!onPick) return;
    event.stopPropagation();
    onPick({ part: part.id, item: item.id, ...(row === undefined ? {} : { row }) });
  };
  const look = (item: Item) => (isPicked(picked, part, item.id) ? { bgcolor: 'shallow' } : {});
  return (
    <Box>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1.5 }}>
        <Typography variant="h2">{part.label}</Typography>
        {content !== undefined && (
          <Typography sx={{ color: 'text.secondary' }}>{count(rows.length, 'row')}</Typography>
        )}
      </Box>
      {content === undefined && !building && (
        <Typography sx={{ color: 'text.secondary' }}>Nothing asked yet.</Typography>
      )}
      {content !== undefined && rows.length === 0 && (
        <Typography sx={{ color: 'text.secondary' }}>Nothing was found.</Typography>
      )}
      {(building || rows.length > 0) && (
        <Box sx={{ overflowX: 'auto' }}>
          <Table
            size="small"
            aria-label={part.label}
            sx={{
              ...stacked,
              '& th': { fontWeight: 700, borderColor: 'text.secondary', whiteSpace: 'nowrap' },
              '& td': { borderColor: 'line' },
              '& th, & td': { px: 1 },
            }}
          >
            <TableHead>
              <TableRow>
                {part.items.map((item) => (
                  <TableCell
                    key={item.id}
                    align={right(item)}
                    onClick={building ? pick(item) : undefined}
                    sx={look(item)}
                  >
                    {item.label}
                  </TableCell>
                ))}
              </TableRow>
            </TableHead>
            <TableBody>
              {rows.slice(pageAt * ROWS, (pageAt + 1) * ROWS).map((row, index) => (
                <TableRow key={index}>
                  {part.items.map((item) => (
                    <TableCell
                      key={item.id}
                      data-label={item.label}
                      align={right(item)}
                      onClick={onPick ? pick(item, pageAt * ROWS + index) : undefined}
                      sx={{ ...look(item), whiteSpace: lines(item) }}
                    >
                      <span>
                        <Cell value={isRecord(row) ? row[item.id] : undefined} item={item} />
                      </span>
                    </TableCell>
                  ))}
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </Box>
      )}
      {rows.length > ROWS && (
        <TablePagination
          component="div"
          count={rows.length}
          page={pageAt}
          rowsPerPage={ROWS}
          rowsPerPageOptions={[ROWS]}
          onPageChange={(_, next) => {
            setAt(next);
          }}
        />
      )}
    </Box>
  );
}
