import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Origin, TracedCall } from '@/api/client';
import { inLine, millis } from '@/lib/format';
import { pathText } from '@/lib/json';
import type { Picked } from '@/parts/model';
import { MONO } from '@/ui/fonts';
import { Mark } from '@/ui/Mark';
import { originQuery } from './queries';
import { type RunAt, RunWire } from './RunWire';

type InAnswer = NonNullable<Origin['answer']>;

/** The piece of the answer that a value was read from. */
function Piece({ mark }: { mark: NonNullable<InAnswer['mark']> }) {
  const end = mark.from + Math.min(mark.end - mark.start, mark.line.length - mark.from);
  return (
    <Box
      component="code"
      sx={{
        display: 'block',
        fontFamily: MONO,
        fontSize: 12,
        overflowWrap: 'anywhere',
        bgcolor: 'background.paper',
        px: 1,
        py: 0.5,
        my: 0.5,
      }}
    >
      {mark.line.slice(0, mark.from)}
      <Box
        component="mark"
        sx={{
          bgcolor: 'shallow',
          color: 'inherit',
          outline: '2px solid',
          outlineColor: 'comesBack',
          borderRadius: '2px',
        }}
      >
        {mark.line.slice(mark.from, end)}
      </Box>
      {mark.line.slice(end)}
    </Box>
  );
}

interface StationProps {
  at: RunAt;
  origin: Origin;
  calls: TracedCall[];
  onPick: (picked: Picked) => void;
}

/** A value in an answer: the field, its bytes, and what the service was asked with. */
function FromAnswer({
  at,
  answer,
  how,
  calls,
  onPick,
}: Omit<StationProps, 'origin'> & { answer: InAnswer; how: string }) {
  const [open, setOpen] = useState(false);
  const traced = calls.find((one) => one.exchange === answer.exchange);
  return (
    <>
      <li>
        the returned field{' '}
        <strong>
          <Mark side="out" />
          {pathText(answer.place)}
        </strong>{' '}
        in the answer of <strong>{answer.operation}</strong>
        {traced?.tookMillis !== undefined && ` after ${millis(traced.tookMillis)}`}
        {how !== '' && (
          <>
            {' by '}
            <Box component="code" sx={{ fontFamily: MONO, fontSize: 12 }}>
              {how}
            </Box>
          </>
        )}
        {answer.mark && <Piece mark={answer.mark} />}
        {answer.exchange !== undefined && !answer.mark && (
          <Box sx={{ color: 'text.secondary' }}>
            Where it stands in the bytes cannot be told: they were not kept whole, came in a later
            part, or are made of several.
          </Box>
        )}
        {answer.exchange !== undefined && (
          <Button
            size="small"
            aria-expanded={open}
            onClick={() => {
              setOpen(!open);
            }}
          >
            {open ? 'Hide the wire' : 'Show it in the wire'}
          </Button>
        )}
        {open && answer.exchange !== undefined && (
          <RunWire at={at} exchange={answer.exchange} mark={answer.mark} onPick={onPick} />
        )}
      </li>
      {traced && (
        <li>
          asked with {traced.parameters.length === 0 && 'no parameters'}
          {traced.parameters.map((one) => (
            <Box key={pathText(one.path)}>
              <Mark side="in" /> {pathText(one.path)} = <strong>{inLine(one.value)}</strong>, from{' '}
              {one.from}
            </Box>
          ))}
        </li>
      )}
    </>
  );
}

/** Where a value comes from, and in turn what that is made of. */
function Station({ origin, ...props }: StationProps) {
  return (
    <>
      {origin.answer ? (
        <FromAnswer answer={origin.answer} how={origin.how} {...props} />
      ) : (
        <li>
          <strong>{origin.source}</strong>
          {origin.how !== '' && (
            <Box component="code" sx={{ fontFamily: MONO, fontSize: 12, display: 'block' }}>
              {origin.how}
            </Box>
          )}
          {origin.value !== undefined && origin.value !== '' && ` = ${origin.value}`}
        </li>
      )}
      {origin.from.length > 0 && (
        <li>
          made of
          <Box component="ol" sx={{ m: 0, pl: 2.5 }}>
            {origin.from.map((one, index) => (
              <Station key={index} origin={one} {...props} />
            ))}
          </Box>
        </li>
      )}
    </>
  );
}

interface Props {
  at: RunAt;
  picked: Picked;
  /** Where it stands on the page, in words. */
  words: string;
  /** What stands there. */
  text: string;
  calls: TracedCall[];
  onPick: (picked: Picked) => void;
}

/** How the value that was pressed on the page came to be. */
export function WayOfValue({ at, picked, words, text, calls, onPick }: Props) {
  const owner = picked.item ?? picked.part;
  const { data } = useQuery(originQuery(at.run, at.turn, owner, picked.row));
  if (!data) return null;
  return (
    <Box
      component="section"
      aria-label="How this value came to be"
      sx={{ borderLeft: '4px solid', borderColor: 'comesBack', pl: 1.5, mb: 2 }}
    >
      <Typography variant="h3">{text || 'empty'}</Typography>
      <Box component="ol" sx={{ m: 0, pl: 2.5 }}>
        <li>stands in {words}</li>
        <Station
          key={`${owner} ${String(picked.row)}`}
          at={at}
          origin={data}
          calls={calls}
          onPick={onPick}
        />
      </Box>
    </Box>
  );
}
