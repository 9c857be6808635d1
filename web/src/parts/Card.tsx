import Box from '@mui/material/Box';
import { useState } from 'react';
import type { CellView, ColumnView, LineView, RowsView } from '@/api/client';
import { byKeyboard } from '@/lib/pressed';
import { Cell } from './Cell';
import { InnerRows, InnerRowsToggle } from './InnerRows';
import { lookedInto } from './lookedInto';
import { isPicked, type PageUse } from './model';
import { RowButtons } from './RowButtons';
import { choosable } from './RowTools';

interface Placed {
  column: ColumnView;
  cell: CellView | undefined;
}

/** A picture stands before a row, the last number behind it, the first of the others over it. */
function placed(columns: ColumnView[], { cells }: LineView) {
  const all: Placed[] = columns.map((column, at) => ({ column, cell: cells[at] }));
  const picture = all.find(({ column }) => column.display === 'PICTURE');
  const number = all.filter(({ column }) => column.display === 'NUMBER').at(-1);
  const [main, ...others] = all.filter((one) => one !== picture && one !== number);
  return { picture, number, main, others };
}

interface LineProps {
  part: string;
  one: Placed;
  use: PageUse;
  row: number;
  labelled?: boolean;
  /** Whether the rows in it are seen, if there are any, and what changes that. */
  open: boolean;
  onToggle: () => void;
}

function Line({ part, one: { column, cell }, use, row, labelled, open, onToggle }: LineProps) {
  if (!cell || (cell.text === '' && cell.value === null && !use.building)) return null;
  return (
    <Box
      component="span"
      tabIndex={use.building ? 0 : undefined}
      onClick={
        use.onPick
          ? (event: React.MouseEvent) => {
              if (use.building || event.altKey) event.stopPropagation();
              use.onPick?.({ part, item: column.id, row });
            }
          : undefined
      }
      onFocus={
        use.building
          ? byKeyboard((event: React.FocusEvent) => {
              event.stopPropagation();
              if (!isPicked(use.picked, part, column.id)) use.onPick?.({ part, item: column.id });
            })
          : undefined
      }
      {...lookedInto(use, () => use.onPick?.({ part, item: column.id, row }))}
      sx={
        isPicked(use.picked, part, column.id) && (use.building || use.picked?.row === row)
          ? { bgcolor: 'shallow' }
          : {}
      }
    >
      {labelled && (
        <Box component="span" sx={{ color: 'text.secondary' }}>
          {column.label}{' '}
        </Box>
      )}
      {column.display === 'ROWS' ? (
        <InnerRowsToggle cell={cell} column={column} open={open} onToggle={onToggle} />
      ) : (
        <Cell cell={cell} column={column} />
      )}
    </Box>
  );
}

interface CardProps {
  part: string;
  rows: RowsView;
  row: LineView;
  use: PageUse;
}

/** A row that stands by itself, and in it the rows inside it that are open. */
export function Card({ part, rows, row, use }: CardProps) {
  const [opened, setOpened] = useState<string>();
  const { picture, number, main, others } = placed(rows.columns, row);
  const line = (one: Placed) => ({
    part,
    use,
    row: row.number,
    one,
    open: opened === one.column.id,
    onToggle: () => {
      setOpened(opened === one.column.id ? undefined : one.column.id);
    },
  });
  const inside = rows.columns.findIndex(({ id }) => id === opened);
  return (
    <Box
      component="li"
      {...(rows.choosing && !use.building ? { role: 'option' } : {})}
      {...choosable(part, rows, row.number, use)}
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        alignItems: 'center',
        gap: 1.5,
        py: 1,
        px: 0.5,
        borderTop: '1px solid',
        borderColor: 'line',
        ...(rows.chosen === row.number ? { bgcolor: 'shallow' } : {}),
        ...(rows.choosing && !use.building ? { '&:hover': { bgcolor: 'shallow' } } : {}),
      }}
    >
      {picture && <Line {...line(picture)} />}
      <Box sx={{ flex: 1, minWidth: 0 }}>
        {main && (
          <Box sx={{ fontWeight: 600, overflowWrap: 'anywhere' }}>
            <Line {...line(main)} />
          </Box>
        )}
        <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2 }}>
          {others.map((one) => (
            <Line key={one.column.id} {...line(one)} labelled />
          ))}
        </Box>
      </Box>
      {number && (
        <Box sx={{ fontSize: 18, whiteSpace: 'nowrap', textAlign: 'right' }}>
          <Line {...line(number)} />
          <Box sx={{ fontSize: 12, color: 'text.secondary' }}>{number.column.label}</Box>
        </Box>
      )}
      {rows.buttons.length > 0 && <RowButtons rows={rows} row={row} use={use} />}
      {rows.columns[inside] && row.cells[inside]?.inside && (
        <Box sx={{ flexBasis: '100%', minWidth: 0 }}>
          <InnerRows cell={row.cells[inside]} column={rows.columns[inside]} />
        </Box>
      )}
    </Box>
  );
}
