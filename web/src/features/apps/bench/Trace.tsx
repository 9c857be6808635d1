import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Bench, Run, TracedCall } from '@/api/client';
import { inLine, millis } from '@/lib/format';
import { pathText } from '@/lib/json';
import type { Picked } from '@/parts/model';
import { FindingList } from '@/ui/FindingList';
import { Mark } from '@/ui/Mark';
import { Wire } from '@/wire/Wire';
import { itemOf, originOf } from './model';

function Step({ traced, index }: { traced: TracedCall; index: number }) {
  const [open, setOpen] = useState(false);
  return (
    <Box component="li" sx={{ borderTop: '1px solid', borderColor: 'divider', py: 1 }}>
      <Typography>
        {index + 1}. Called <strong>{traced.operation}</strong>:{' '}
        {traced.failed ? (
          <Box component="span" sx={{ color: 'error.main' }}>
            failed
          </Box>
        ) : (
          'answered'
        )}
        {traced.status !== undefined && `, status ${traced.status}`}
        {traced.tookMillis !== undefined && `, ${millis(traced.tookMillis)}`}
      </Typography>
      <Box
        component="ul"
        aria-label="Parameters sent"
        sx={{ listStyle: 'none', pl: 1, m: 0, color: 'text.secondary' }}
      >
        {traced.parameters.map((parameter) => (
          <li key={pathText(parameter.path)}>
            <Mark side="in" /> {pathText(parameter.path)} ={' '}
            <strong>{inLine(parameter.value)}</strong>
          </li>
        ))}
        {traced.parameters.length === 0 && <li>no parameters</li>}
      </Box>
      <FindingList findings={traced.findings} label="Findings" />
      {traced.exchange && (
        <Button
          aria-expanded={open}
          onClick={() => {
            setOpen(!open);
          }}
        >
          {open ? 'Hide the wire' : 'Show the wire'}
        </Button>
      )}
      {open && traced.exchange && <Wire exchange={traced.exchange} />}
    </Box>
  );
}

/** What stands on the page where it is picked, and what people call it. */
function valueOf(run: Run, { part, item, row = 0 }: Picked) {
  const drawn = run.page.parts.find((one) => one.id === part);
  if (drawn?.kind === 'table' || drawn?.kind === 'cards') {
    const { columns, rows } = drawn.rows;
    const at = columns.findIndex(({ id }) => id === item);
    return {
      label: columns[at]?.label,
      heading: drawn.heading,
      text: rows.find(({ number }) => number === row)?.cells[at]?.text ?? '',
    };
  }
  if (drawn?.kind === 'record') {
    const field = drawn.fields.find(({ column }) => column.id === item);
    return { label: field?.column.label, heading: drawn.heading, text: field?.cell.text ?? '' };
  }
  return undefined;
}

/** How the value that was picked on the page came to be. */
function HowItCame({ bench, run, picked }: { bench: Bench; run: Run; picked: Picked }) {
  const origin = originOf(bench, picked);
  const value = valueOf(run, picked);
  const item = itemOf(bench, { part: picked.part, ...(picked.item ? { item: picked.item } : {}) });
  if (!value?.label || !item) return null;
  const traced = run.trace.find((one) => one.call === origin?.call.id);
  return (
    <Box
      component="section"
      aria-label="How this value came to be"
      sx={{ bgcolor: 'shallow', p: 1.5, mb: 2 }}
    >
      <Typography variant="h3">{value.text || 'empty'}</Typography>
      <Box component="ol" sx={{ m: 0, pl: 2.5 }}>
        <li>
          stands in <strong>{value.label}</strong> of {value.heading || 'the page'}
          {picked.row !== undefined && `, row ${picked.row + 1}`}
        </li>
        {origin ? (
          <>
            <li>
              which shows the returned field{' '}
              <strong>
                <Mark side="out" />
                {pathText(origin.path)}
              </strong>
            </li>
            <li>
              from the answer of <strong>{origin.call.operationName}</strong>
              {traced?.tookMillis !== undefined && ` after ${millis(traced.tookMillis)}`}
            </li>
            <li>
              asked with{' '}
              {traced?.parameters
                .map((one) => `${pathText(one.path)} = ${inLine(one.value)}`)
                .join(', ') || 'no parameters'}
            </li>
          </>
        ) : (
          <li>
            which shows <strong>{item.words}</strong>
          </li>
        )}
      </Box>
    </Box>
  );
}

interface Props {
  bench: Bench;
  run: Run | undefined;
  busy: boolean;
  picked: Picked | undefined;
}

/** What happened since the last press: each step, each exchange, and how any value came to be. */
export function Trace({ bench, run, busy, picked }: Props) {
  const trace = run?.trace ?? [];
  return (
    <Box component="section" aria-label="Trace" sx={{ p: 2 }}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        Trace
      </Typography>
      {picked && run && <HowItCame bench={bench} run={run} picked={picked} />}
      {busy && <Typography sx={{ color: 'text.secondary' }}>Waiting for the service…</Typography>}
      {trace.length === 0 && !busy && (
        <Typography sx={{ color: 'text.secondary' }}>
          Use the page on the right. Every call shows up here with what it sent; press a value on
          the page to see where it came from, with Alt if its row leads to another page.
        </Typography>
      )}
      <Box component="ol" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {trace.map((traced, index) => (
          <Step key={traced.exchange ?? index} traced={traced} index={index} />
        ))}
      </Box>
    </Box>
  );
}
