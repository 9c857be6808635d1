import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { pathText } from '@/lib/json';
import type { Picked } from '@/parts/model';
import { Wire } from '@/wire/Wire';
import type { Span } from '@/wire/places';
import { seenQuery } from './queries';

export interface RunAt {
  run: string;
  /** How many events there were: each may change what is seen where. */
  turn: number;
}

interface SeenProps {
  at: RunAt;
  exchange: string;
  place: number;
  onPick: (picked: Picked) => void;
}

/** What is made of the place in the answer that was pressed. */
function Seen({ at, exchange, place, onPick }: SeenProps) {
  const { data } = useQuery(seenQuery(at.run, at.turn, exchange, place));
  if (!data) return null;
  if (!data.field) return <>No field is read from there.</>;
  return (
    <>
      <strong>{pathText(data.field)}</strong>
      {data.shown.length === 0 ? ' is not shown on the page.' : ' is shown in '}
      {data.shown.map(({ part, item, row, words }) => (
        <Button
          key={words}
          size="small"
          onClick={() => {
            onPick({
              part,
              ...(item === undefined ? {} : { item }),
              ...(row === undefined ? {} : { row }),
            });
          }}
        >
          {words}
        </Button>
      ))}
    </>
  );
}

interface Props {
  at: RunAt;
  exchange: string;
  mark?: Span | undefined;
  onPick: (picked: Picked) => void;
}

/** What went over the wire while a page ran: press a value in it to see where it is shown. */
export function RunWire({ at, exchange, mark, onPick }: Props) {
  const [place, setPlace] = useState<number>();
  return (
    <>
      <Wire exchange={exchange} mark={mark} onPlace={setPlace} />
      <Box
        aria-live="polite"
        sx={{
          position: 'sticky',
          bottom: 0,
          bgcolor: 'background.default',
          color: 'text.secondary',
          py: 0.75,
        }}
      >
        {place === undefined ? (
          'Press a value in the answer to see where it is shown.'
        ) : (
          <Seen at={at} exchange={exchange} place={place} onPick={onPick} />
        )}
      </Box>
    </>
  );
}
