import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { CardsView } from '@/api/client';
import { Card } from './Card';
import { Emptiness } from './Emptiness';
import type { PartProps } from './model';
import { RowTools } from './RowTools';
import { useRows } from './useRows';

/** So many cards more at a time. */
const STEP = 50;

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
        {drawn.map((row) => (
          <Card key={row.number} part={part.id} rows={rows} row={row} use={use} />
        ))}
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
