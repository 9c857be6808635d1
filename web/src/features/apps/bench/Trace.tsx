import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Page, TracedCall } from '@/api/client';
import { inLine, millis, shown } from '@/lib/format';
import { isRecord, pathText } from '@/lib/json';
import { FindingList } from '@/ui/FindingList';
import { Mark } from '@/ui/Mark';
import { Wire } from '@/wire/Wire';
import type { LiveState, Picked } from '../live/model';
import { originOf } from './model';

interface Props {
  page: Page;
  state: LiveState;
  picked: Picked | undefined;
}

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

function valueOf(page: Page, state: LiveState, picked: Picked) {
  const content = state.contents[picked.part];
  const record = Array.isArray(content) ? (content[picked.row ?? 0] as unknown) : content;
  const part = page.parts.find((one) => one.id === picked.part);
  const item =
    part && 'items' in part ? part.items.find((one) => one.id === picked.item) : undefined;
  const value = isRecord(record) && item ? record[item.id] : undefined;
  return { part, item, text: item ? shown(value, item.format) : '' };
}

/** How the value that was picked on the page came to be. */
function HowItCame({ page, state, picked }: Props & { picked: Picked }) {
  const origin = originOf(page, picked);
  const { part, item, text } = valueOf(page, state, picked);
  if (!origin || !part || !item) return null;
  const traced = state.trace.find((one) => one.call === origin.call.id);
  return (
    <Box
      component="section"
      aria-label="How this value came to be"
      sx={{ bgcolor: 'shallow', p: 1.5, mb: 2 }}
    >
      <Typography variant="h3">{text || 'empty'}</Typography>
      <Box component="ol" sx={{ m: 0, pl: 2.5 }}>
        <li>
          stands in <strong>{item.label}</strong> of {part.label || `the ${part.kind}`}
          {picked.row !== undefined && `, row ${picked.row + 1}`}
        </li>
        <li>
          which shows the returned field{' '}
          <strong>
            <Mark side="out" />
            {pathText(origin.path)}
          </strong>
        </li>
        <li>
          from the answer of <strong>{traced?.operation ?? origin.call.operation}</strong>
          {traced?.tookMillis !== undefined && ` after ${millis(traced.tookMillis)}`}
        </li>
        <li>
          asked with{' '}
          {traced?.parameters
            .map((one) => `${pathText(one.path)} = ${inLine(one.value)}`)
            .join(', ') || 'no parameters'}
        </li>
      </Box>
    </Box>
  );
}

/** What happened since the last press: each step, each exchange, and how any value came to be. */
export function Trace({ page, state, picked }: Props) {
  return (
    <Box component="section" aria-label="Trace" sx={{ p: 2 }}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        Trace
      </Typography>
      {picked && <HowItCame page={page} state={state} picked={picked} />}
      {state.busy && (
        <Typography sx={{ color: 'text.secondary' }}>Waiting for the service…</Typography>
      )}
      {state.trace.length === 0 && !state.busy && (
        <Typography sx={{ color: 'text.secondary' }}>
          Use the page on the right. Every call shows up here with what it sent; press a value on
          the page to see where it came from.
        </Typography>
      )}
      <Box component="ol" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {state.trace.map((traced, index) => (
          <Step key={traced.exchange ?? index} traced={traced} index={index} />
        ))}
      </Box>
    </Box>
  );
}
