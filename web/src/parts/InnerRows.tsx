import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import type { CellView, ColumnView } from '@/api/client';
import { Cell } from './Cell';

interface Props {
  cell: CellView;
  column: ColumnView;
}

const alignOf = (display: ColumnView['display']) => (display === 'NUMBER' ? 'right' : 'left');

/** The rows that stand inside a row, as a small table of their own. */
export function InnerRows({ cell, column }: Props) {
  const rows = cell.inside ?? [];
  const more = Number(cell.text) - rows.length;
  return (
    <Box sx={{ borderLeft: '3px solid', borderColor: 'line', pl: 1, overflowX: 'auto' }}>
      <Table size="small" aria-label={column.label}>
        <TableHead>
          <TableRow>
            {column.inside.map(({ label, display }, place) => (
              <TableCell key={place} align={alignOf(display)}>
                {label}
              </TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {rows.map((row, number) => (
            <TableRow key={number}>
              {column.inside.map(({ label, display }, place) => (
                <TableCell key={place} data-label={label} align={alignOf(display)}>
                  <Cell
                    cell={row[place]}
                    column={{ id: `${column.id} ${label}`, label, display, inside: [] }}
                  />
                </TableCell>
              ))}
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {more > 0 && <Box sx={{ color: 'text.secondary', py: 0.5 }}>and {more} more</Box>}
    </Box>
  );
}

interface ToggleProps extends Props {
  open: boolean;
  onToggle: () => void;
}

/** How many rows stand inside, which shows them when it is pressed. */
export function InnerRowsToggle({ cell, column, open, onToggle }: ToggleProps) {
  if (!cell.inside?.length) return <>{cell.text}</>;
  return (
    <Button
      size="small"
      aria-expanded={open}
      aria-label={`${column.label}: ${cell.text}`}
      onClick={(event) => {
        // The row that it stands in is not what is pressed.
        event.stopPropagation();
        onToggle();
      }}
      sx={{ minWidth: 0, py: 0, px: 1 }}
    >
      {cell.text}
      <Box component="span" aria-hidden sx={{ ml: 0.5, fontSize: 10 }}>
        {open ? '▲' : '▼'}
      </Box>
    </Button>
  );
}
