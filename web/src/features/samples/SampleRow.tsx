import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, type SampleCheck, type SampleLine, type Samples, unwrap } from '@/api/client';
import { samplesQuery, servicesQuery } from '@/api/queries';
import { momentText } from '@/lib/format';
import { Problem } from '@/ui/Problem';
import { EditSample } from './EditSample';
import { failingSince, pauseWords, PAUSES } from './checks';
import { Deviations } from './Deviations';
import { SampleMessages } from './SampleMessages';
import { RunsChart } from './RunsChart';

const NEW: SampleCheck = { values: false, ignored: [], unordered: [], tolerance: 0 };

function state(sample: SampleLine): { words: string; colour: string } {
  const { check, verdict } = sample;
  if (!check) return { words: 'a sample only', colour: 'text.secondary' };
  const what = check.values ? 'values' : 'shape';
  if (!verdict) return { words: `${what}: not run yet`, colour: 'text.secondary' };
  return verdict.holds
    ? { words: `${what}: holds, ${verdict.tookMillis} ms`, colour: 'success.main' }
    : {
        words: `${what}: differs since ${momentText(failingSince(sample) ?? verdict.at)}`,
        colour: 'error.main',
      };
}

/** A sample: shown, pinned as a check, run, recorded again or removed. */
export function SampleRow({ sample }: { sample: SampleLine }) {
  const queries = useQueryClient();
  const [anchor, setAnchor] = useState<HTMLElement>();
  const [open, setOpen] = useState(false);
  const [editing, setEditing] = useState(false);
  const [wired, setWired] = useState(false);
  const { service, operation, name, check, verdict } = sample;
  const params = { path: { service, operation, name } };
  const doing = useMutation({
    mutationFn: (act: () => Promise<Samples>) => act(),
    onSuccess: (all) => {
      queries.setQueryData(samplesQuery.queryKey, all);
      void queries.invalidateQueries({ queryKey: servicesQuery.queryKey });
    },
  });
  const base = '/api/services/{service}/operations/{operation}/samples/{name}' as const;
  const act = (one: () => Promise<Samples>) => () => {
    setAnchor(undefined);
    doing.mutate(one);
  };
  const pin = (next: SampleCheck | undefined) => () =>
    unwrap(api.PUT(`${base}/check`, { params, body: next === undefined ? {} : { check: next } }));
  const run = () => unwrap(api.POST(`${base}/verdicts`, { params }));
  const every = (everyMinutes?: number) => () =>
    unwrap(
      api.PUT(`${base}/schedule`, {
        params,
        body: everyMinutes === undefined ? {} : { everyMinutes },
      }),
    );
  const { words, colour } = state(sample);
  return (
    <Box
      role="group"
      aria-label={name}
      sx={{ borderTop: '1px solid', borderColor: 'divider', py: 0.75 }}
    >
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'baseline', flexWrap: 'wrap' }}>
        <Box sx={{ flex: '1 1 220px', minWidth: 0 }}>
          <strong>{name}</strong>{' '}
          <Box component="span" sx={{ color: 'text.secondary' }}>
            of{' '}
            <Box
              component={Link}
              to={`/services/${service}/operations/${encodeURIComponent(operation)}`}
              sx={{ color: 'inherit' }}
            >
              {sample.operationName}
            </Box>
          </Box>
        </Box>
        <Box sx={{ color: 'text.secondary', flex: '0 0 190px' }}>
          {sample.origin === 'MADE' ? 'made up' : 'recorded'} {momentText(sample.recordedAt)}
        </Box>
        <Box sx={{ color: colour, flex: '0 0 170px' }}>
          {words}
          {sample.runs.length > 1 && <RunsChart name={name} runs={sample.runs} />}
          {sample.everyMinutes !== undefined && (
            <Box sx={{ color: 'text.secondary', fontSize: 12.5 }}>
              runs {pauseWords(sample.everyMinutes)}
            </Box>
          )}
        </Box>
        <Box sx={{ flex: '0 0 290px', textAlign: 'right' }}>
          {verdict && !verdict.holds && (
            <Button
              aria-expanded={open}
              onClick={() => {
                setOpen(!open);
              }}
            >
              What differs
            </Button>
          )}
          {check ? (
            <Button loading={doing.isPending} onClick={act(run)}>
              Run
            </Button>
          ) : (
            <Button onClick={act(pin(NEW))}>Pin as check</Button>
          )}
          <Button
            aria-label={`More for ${name}`}
            aria-haspopup="menu"
            onClick={(event) => {
              setAnchor(event.currentTarget);
            }}
          >
            More
          </Button>
        </Box>
      </Box>
      <Menu
        open={anchor !== undefined}
        anchorEl={anchor ?? null}
        onClose={() => {
          setAnchor(undefined);
        }}
        slotProps={{ list: { dense: true } }}
      >
        <MenuItem onClick={act(() => unwrap(api.POST(`${base}/uses`, { params })))}>
          Show it in field sheets and on pages
        </MenuItem>
        <MenuItem onClick={act(() => unwrap(api.POST(`${base}/recordings`, { params })))}>
          Record it again
        </MenuItem>
        <MenuItem
          onClick={() => {
            setAnchor(undefined);
            setEditing(true);
          }}
        >
          Change it…
        </MenuItem>
        <MenuItem
          onClick={() => {
            setAnchor(undefined);
            setWired(true);
          }}
        >
          What went over the wire
        </MenuItem>
        {check && !check.values && (
          <MenuItem onClick={act(pin({ ...check, values: true }))}>Check the values too</MenuItem>
        )}
        {check?.values && (
          <MenuItem onClick={act(pin({ ...check, values: false }))}>Check the shape only</MenuItem>
        )}
        {check &&
          PAUSES.filter(({ minutes }) => minutes !== sample.everyMinutes).map((one) => (
            <MenuItem key={one.minutes} onClick={act(every(one.minutes))}>
              Run it {one.words}
            </MenuItem>
          ))}
        {sample.everyMinutes !== undefined && (
          <MenuItem onClick={act(every())}>Run it only when I say so</MenuItem>
        )}
        {check && <MenuItem onClick={act(pin(undefined))}>No check any more</MenuItem>}
        <MenuItem onClick={act(() => unwrap(api.DELETE(base, { params })))}>Remove</MenuItem>
      </Menu>
      {editing && (
        <EditSample
          sample={sample}
          onClose={() => {
            setEditing(false);
          }}
        />
      )}
      {wired && (
        <SampleMessages
          sample={sample}
          onClose={() => {
            setWired(false);
          }}
        />
      )}
      {doing.error && <Problem error={doing.error} />}
      {open && verdict && !verdict.holds && (
        <Deviations
          verdict={verdict}
          onIgnore={
            check &&
            ((field) => {
              doing.mutate(async () => {
                await pin({ ...check, ignored: [...check.ignored, field] })();
                return run();
              });
            })
          }
          onTake={act(() => unwrap(api.POST(`${base}/recordings`, { params })))}
        />
      )}
    </Box>
  );
}
