import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { api, type AppKeeping, type Upkeep, type UpkeepSettings, unwrap } from '@/api/client';
import { upkeepQuery } from '@/api/queries';
import { count, momentText } from '@/lib/format';
import { bytesText } from '@/lib/json';
import { Fetched } from '@/ui/Fetched';
import { useFrame } from '@/ui/frame';
import { Problem } from '@/ui/Problem';
import { AppsKept } from './AppsKept';

type Setting = 'exchangeDays' | 'exchangeMegabytes' | 'visitorDays' | 'editionDays';

const SETTINGS: { name: Setting; label: string; help: string }[] = [
  {
    name: 'exchangeDays',
    label: 'Keep exchanges for days',
    help: 'What went over the wire; samples made of it stay.',
  },
  {
    name: 'exchangeMegabytes',
    label: 'Keep exchanges up to MB',
    help: 'Above this the oldest go first.',
  },
  {
    name: 'visitorDays',
    label: 'Keep those of visitors for days',
    help: 'What they did on finished pages; it goes earlier than the rest.',
  },
  {
    name: 'editionDays',
    label: 'Keep unused descriptions for days',
    help: 'Those that were read, and that no service, sample or app has.',
  },
];

const went = ({ exchanges, editions }: NonNullable<Upkeep['tidied']>) =>
  exchanges + editions === 0
    ? 'there was nothing to let go'
    : `${count(exchanges, 'exchange')} and ${count(editions, 'description')} went`;

function Settings({ upkeep }: { upkeep: Upkeep }) {
  const queries = useQueryClient();
  const [typed, setTyped] = useState<Partial<Record<Setting, string>>>({});
  const [apps, setApps] = useState<AppKeeping[]>();
  const onSuccess = (data: Upkeep) => {
    setTyped({});
    setApps(undefined);
    queries.setQueryData(upkeepQuery.queryKey, data);
  };
  const save = useMutation({
    mutationFn: (body: UpkeepSettings) => unwrap(api.PUT('/api/upkeep/settings', { body })),
    onSuccess,
  });
  const tidy = useMutation({
    mutationFn: () => unwrap(api.POST('/api/upkeep/tidyings')),
    onSuccess,
  });
  const textOf = (name: Setting) => typed[name] ?? String(upkeep.settings[name] ?? '');
  const wanted = (name: Setting) => Number(textOf(name));
  const ofApps = apps ?? upkeep.settings.apps ?? [];
  const isWrong = (name: Setting) => !Number.isInteger(wanted(name)) || wanted(name) < 1;
  const changed = Object.keys(typed).length > 0 || apps !== undefined;
  const { tidied } = upkeep;
  return (
    <Box
      component="form"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate({
          exchangeDays: wanted('exchangeDays'),
          exchangeMegabytes: wanted('exchangeMegabytes'),
          visitorDays: wanted('visitorDays'),
          apps: ofApps,
          editionDays: wanted('editionDays'),
        });
      }}
    >
      <Typography variant="h2" sx={{ mt: 3, mb: 1.5 }}>
        What goes by itself, once an hour
      </Typography>
      <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap' }}>
        {SETTINGS.map(({ name, label, help }) => (
          <TextField
            key={name}
            type="number"
            label={label}
            value={textOf(name)}
            error={isWrong(name)}
            helperText={isWrong(name) ? 'A whole number from 1 on.' : help}
            onChange={(event) => {
              setTyped({ ...typed, [name]: event.target.value });
            }}
            sx={{ width: 240 }}
          />
        ))}
      </Box>
      <AppsKept apps={ofApps} onChange={setApps} />
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', mt: 1.5 }}>
        <Button
          type="submit"
          variant="contained"
          disabled={
            !changed ||
            SETTINGS.some(({ name }) => isWrong(name)) ||
            ofApps.some((one) => one.days < 1 || one.megabytes < 1)
          }
          loading={save.isPending}
        >
          Save
        </Button>
        <Button
          variant="outlined"
          disabled={changed}
          loading={tidy.isPending}
          onClick={() => {
            tidy.mutate();
          }}
        >
          Let it go now
        </Button>
        <Typography sx={{ color: 'text.secondary' }} role="status">
          {tidied && `Last done ${momentText(tidied.at)}: ${went(tidied)}.`}
        </Typography>
      </Box>
      {save.error && <Problem error={save.error} />}
      {tidy.error && <Problem error={tidy.error} />}
    </Box>
  );
}

function Held({ upkeep }: { upkeep: Upkeep }) {
  return (
    <Table
      size="small"
      aria-label="What is kept"
      sx={{ maxWidth: 640, '& td, & th': { px: 1, py: 0.5, borderColor: 'line' } }}
    >
      <TableHead>
        <TableRow>
          <TableCell>Kept</TableCell>
          <TableCell align="right">How many</TableCell>
          <TableCell align="right">On the disk</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {upkeep.held.map((one) => (
          <TableRow key={one.what}>
            <TableCell>{one.what}</TableCell>
            <TableCell align="right">{one.count.toLocaleString('en')}</TableCell>
            <TableCell align="right">{bytesText(one.bytes)}</TableCell>
          </TableRow>
        ))}
        <TableRow>
          <TableCell sx={{ fontWeight: 600 }}>the whole database</TableCell>
          <TableCell />
          <TableCell align="right" sx={{ fontWeight: 600 }}>
            {bytesText(upkeep.bytes)}
          </TableCell>
        </TableRow>
      </TableBody>
    </Table>
  );
}

/** How much the workspace keeps, and what of it goes by itself. */
export function UpkeepPage() {
  useFrame(useMemo(() => ({ path: [{ words: 'Upkeep' }], tools: null }), []));
  const query = useQuery(upkeepQuery);
  return (
    <Fetched query={query} what="What is kept">
      {(upkeep) => (
        <Box sx={{ p: 2.5, maxWidth: 1080 }}>
          <Typography variant="h1" sx={{ mb: 1.5 }}>
            What the workspace keeps
          </Typography>
          <Held upkeep={upkeep} />
          <Settings upkeep={upkeep} />
        </Box>
      )}
    </Fetched>
  );
}
