import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { CardsView, CellView, ColumnView, LineView } from '@/api/client';
import { byKeyboard } from '@/lib/pressed';
import { Cell } from './Cell';
import { Emptiness } from './Emptiness';
import { lookedInto } from './lookedInto';
import { isPicked, type PageUse, type PartProps } from './model';
import { RowButtons } from './RowButtons';
import { choosable, RowTools } from './RowTools';
import { useRows } from './useRows';

/** So many cards more at a time. */
const STEP = 50;

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
}

function Line({ part, one: { column, cell }, use, row, labelled }: LineProps) {
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
      <Cell cell={cell} column={column} />
    </Box>
  );
}

/** Rows that stand by themselves. */
export function CardsPart({ part, use, words }: PartProps<CardsView>) {
  const { rows } = part;
  const { at, need } = useRows(part.id, rows, use);
  const [most, setMost] = useState(STEP);
  const end = Math.min(most, rows.total);
  const drawn = Array.from({ length: end }, (_, place) => at(place)).filter((row) => !!row);
  return (
    <Box>
      <RowTools part={part.id} heading={part.heading} rows={rows} use={use} />
      {rows.all === 0 && <Emptiness content={rows.content} words={words} />}
      <Box
        component="ul"
        role={rows.choosing && !use.building ? 'listbox' : 'list'}
        aria-label={part.heading}
        sx={{ listStyle: 'none', m: 0, p: 0 }}
      >
        {drawn.map((row) => {
          const { picture, number, main, others } = placed(rows.columns, row);
          const line = { part: part.id, use, row: row.number };
          return (
            <Box
              key={row.number}
              component="li"
              {...(rows.choosing && !use.building ? { role: 'option' } : {})}
              {...choosable(part.id, rows, row.number, use)}
              sx={{
                display: 'flex',
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
              {picture && <Line {...line} one={picture} />}
              <Box sx={{ flex: 1, minWidth: 0 }}>
                {main && (
                  <Box sx={{ fontWeight: 600, overflowWrap: 'anywhere' }}>
                    <Line {...line} one={main} />
                  </Box>
                )}
                <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2 }}>
                  {others.map((one) => (
                    <Line key={one.column.id} {...line} one={one} labelled />
                  ))}
                </Box>
              </Box>
              {number && (
                <Box sx={{ fontSize: 18, whiteSpace: 'nowrap', textAlign: 'right' }}>
                  <Line {...line} one={number} />
                  <Box sx={{ fontSize: 12, color: 'text.secondary' }}>{number.column.label}</Box>
                </Box>
              )}
              {rows.buttons.length > 0 && <RowButtons rows={rows} row={row} use={use} />}
            </Box>
          );
        })}
      </Box>
      {end < rows.total && (
        <Button
          sx={{ mt: 1 }}
          onClick={() => {
            need(end, Math.min(end + STEP, rows.total));
            setMost(end + STEP);
          }}
        >
          Show {Math.min(STEP, rows.total - end)} more
        </Button>
      )}
    </Box>
  );
}
