import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Run, TraceEntry, TracedCall } from '@/api/client';
import { inLine, millis } from '@/lib/format';
import { pathText } from '@/lib/json';
import type { Picked } from '@/parts/model';
import { FindingList } from '@/ui/FindingList';
import { MONO } from '@/ui/fonts';
import { Mark } from '@/ui/Mark';
import { placeOf } from './placeOf';
import { type RunAt, RunWire } from './RunWire';
import { WayOfValue } from './WayOfValue';

interface CallProps {
  at: RunAt;
  traced: TracedCall;
  /** When it left, and when all was over, after the press. */
  from: number;
  total: number;
  onPick: (picked: Picked) => void;
}

/** A call on the way: how long it took beside the others, what went in and what came back. */
function CallEntry({ at, traced, from, total, onPick }: CallProps) {
  const [open, setOpen] = useState(false);
  const took = traced.tookMillis ?? 0;
  const share = (part: number) => `${(100 * part) / Math.max(total, 1)}%`;
  return (
    <>
      <Box sx={{ color: traced.failed ? 'error.main' : 'text.secondary' }}>
        {traced.failed ? 'failed' : 'answered'}
        {traced.status !== undefined && `, status ${traced.status}`}
        {traced.tookMillis !== undefined && ` after ${millis(traced.tookMillis)}`}
      </Box>
      <Box aria-hidden sx={{ height: 4, my: 0.5, bgcolor: 'line', position: 'relative' }}>
        <Box
          sx={{
            position: 'absolute',
            height: 4,
            minWidth: 3,
            left: share(Math.min(from, total)),
            width: share(took),
            bgcolor: traced.failed ? 'error.main' : 'comesBack',
          }}
        />
      </Box>
      <FindingList findings={traced.findings} label="Findings" />
      <Button
        size="small"
        aria-expanded={open}
        onClick={() => {
          setOpen(!open);
        }}
      >
        {open ? 'Hide what went in and out' : 'What went in and out'}
      </Button>
      {open && (
        <>
          <Box
            component="ul"
            aria-label="Parameters sent"
            sx={{ listStyle: 'none', pl: 0, m: 0, color: 'text.secondary' }}
          >
            {traced.parameters.map((parameter) => (
              <li key={pathText(parameter.path)}>
                <Mark side="in" /> {pathText(parameter.path)} ={' '}
                <strong>{inLine(parameter.value)}</strong>, from {parameter.from}
              </li>
            ))}
            {traced.parameters.length === 0 && <li>no parameters</li>}
          </Box>
          {traced.exchange && <RunWire at={at} exchange={traced.exchange} onPick={onPick} />}
        </>
      )}
    </>
  );
}

interface EntryProps {
  at: RunAt;
  entry: TraceEntry;
  total: number;
  onPick: (picked: Picked) => void;
}

function Entry({ at, entry, total, onPick }: EntryProps) {
  const event = entry.kind === 'EVENT';
  return (
    <Box
      component="li"
      sx={{
        display: 'grid',
        gridTemplateColumns: '62px minmax(0, 1fr)',
        columnGap: 1,
        py: 0.25,
        ...(event && { pt: 0.75 }),
      }}
    >
      <Box
        sx={{
          fontFamily: MONO,
          fontSize: 12,
          color: 'text.secondary',
          textAlign: 'right',
          pt: '2px',
        }}
      >
        {millis(entry.atMillis)}
      </Box>
      <Box sx={{ overflowWrap: 'anywhere' }}>
        <Box
          sx={{
            ...(event && { fontWeight: 600 }),
            ...(entry.kind === 'PASSED_OVER' && { color: 'text.secondary' }),
          }}
        >
          {!event && '→ '}
          {entry.words}
        </Box>
        {entry.call && (
          <CallEntry
            at={at}
            traced={entry.call}
            from={entry.atMillis}
            total={total}
            onPick={onPick}
          />
        )}
      </Box>
    </Box>
  );
}

/** When all was over, after the press. */
const lasted = (trace: TraceEntry[]) =>
  Math.max(0, ...trace.map(({ atMillis, call }) => atMillis + (call?.tookMillis ?? 0)));

interface Props {
  run: Run | undefined;
  /** How many events there were. */
  turn: number;
  busy: boolean;
  picked: Picked | undefined;
  onPick: (picked: Picked) => void;
}

/** What happened since the last press, in its order, and how any value came to be. */
export function Trace({ run, turn, busy, picked, onPick }: Props) {
  const trace = run?.trace ?? [];
  const at = run && { run: run.run, turn };
  const place = run && picked && placeOf(run.page, picked);
  const total = lasted(trace);
  return (
    <Box component="section" aria-label="Trace" sx={{ p: 2 }}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        Trace
      </Typography>
      {at && place && (
        <WayOfValue
          at={at}
          picked={picked}
          {...place}
          calls={trace.flatMap(({ call }) => (call ? [call] : []))}
          onPick={onPick}
        />
      )}
      {busy && <Typography sx={{ color: 'text.secondary' }}>Waiting for the service…</Typography>}
      {trace.length === 0 && !busy && (
        <Typography sx={{ color: 'text.secondary' }}>
          Use the page on the right. What happens then is told here step by step, each call with
          what it sent; press a value on the page to see where it came from, with Alt if its row
          leads to another page.
        </Typography>
      )}
      <Box component="ol" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {at &&
          trace.map((entry, index) => (
            <Entry key={`${turn} ${index}`} at={at} entry={entry} total={total} onPick={onPick} />
          ))}
      </Box>
    </Box>
  );
}
