import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { skipToken, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, type AppEdit, type Operation, unwrap } from '@/api/client';
import { appQuery, appsQuery } from '@/api/queries';
import { count } from '@/lib/format';
import type { Step } from '@/lib/json';
import { useLastApp } from '@/lib/lastApp';
import { Problem } from '@/ui/Problem';

interface Props {
  operation: Operation;
  endpoint: string;
  fields: Step[][];
}

const NEW = '';

/** What a page can start as. */
const WAYS = {
  form: 'form and answer',
  list: 'list and record',
  edit: 'list, record and changes',
} as const;
type Way = keyof typeof WAYS;

/** @param page the page to add to; empty for a new one */
async function addTo(app: string, page: string, way: Way, props: Props) {
  const target = app
    ? await unwrap(api.GET('/api/apps/{app}', { params: { path: { app } } }))
    : await unwrap(
        api.POST('/api/apps', { body: { name: `${props.operation.serviceName} pages` } }),
      );
  const { service, edition, id: operation } = props.operation;
  const what = { service, edition, operation, endpoint: props.endpoint, fields: props.fields };
  const edit: AppEdit = page
    ? { kind: 'addCall', page, ...what }
    : way === 'form'
      ? { kind: 'addPage', ...what }
      : { kind: 'addPages', ...what, edits: way === 'edit' };
  const view = await unwrap(
    api.POST('/api/apps/{app}/edits', {
      params: { path: { app: target.id } },
      body: { version: target.version, edit },
    }),
  );
  return { view, made: page || (view.pages[target.pages.length]?.id ?? '') };
}

/** Makes a page from an operation, in an app that is there or a new one. */
export function MakePage(props: Props) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const { data: apps } = useQuery(appsQuery);
  const [stored, setStored] = useLastApp();
  const [anew, setAnew] = useState(false);
  // The app that was worked on last; never one that somebody else may be in the middle of.
  const known = apps?.some((app) => app.id === stored) ? stored : NEW;
  const chosen = anew ? NEW : known;
  const { data: app } = useQuery({
    ...appQuery(chosen),
    ...(chosen === NEW ? { queryFn: skipToken } : {}),
  });
  const [wished, setWished] = useState(NEW);
  const pages = chosen === NEW ? [] : (app?.pages ?? []);
  const page = pages.some((one) => one.id === wished) ? wished : NEW;
  const [way, setWay] = useState<Way>('form');
  const listed = props.operation.comesBack.some(({ repeats }) => repeats);
  const ways = listed ? way : 'form';
  const making = useMutation({
    mutationFn: () => addTo(chosen, page, ways, props),
    onSuccess: async ({ view, made }) => {
      queries.setQueryData(appQuery(view.id).queryKey, view);
      await queries.invalidateQueries({ queryKey: appsQuery.queryKey, exact: true });
      setStored(view.id);
      await navigate(`/apps/${view.id}/pages/${made}`);
    },
  });
  return (
    <>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
        <Button
          variant="outlined"
          sx={{ flex: 'none' }}
          disabled={making.isPending}
          onClick={() => {
            making.mutate();
          }}
        >
          {page ? 'Add this to the page' : 'Make a page from this'}
        </Button>
        {apps && apps.length > 0 && (
          <TextField
            select
            label="in"
            value={chosen}
            onChange={(event) => {
              setAnew(event.target.value === NEW);
              if (event.target.value !== NEW) setStored(event.target.value);
            }}
            sx={{ minWidth: 130, '& .MuiSelect-select': { py: 0.5 } }}
            slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          >
            {apps.map((app) => (
              <MenuItem key={app.id} value={app.id}>
                {app.name}
              </MenuItem>
            ))}
            <MenuItem value={NEW}>a new app</MenuItem>
          </TextField>
        )}
        {pages.length > 0 && (
          <TextField
            select
            label="on"
            value={page}
            onChange={(event) => {
              setWished(event.target.value);
            }}
            sx={{ minWidth: 130, '& .MuiSelect-select': { py: 0.5 } }}
            slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          >
            <MenuItem value={NEW}>a new page</MenuItem>
            {pages.map((one) => (
              <MenuItem key={one.id} value={one.id}>
                {one.name}
              </MenuItem>
            ))}
          </TextField>
        )}
        {listed && page === NEW && (
          <TextField
            select
            label="as"
            value={way}
            onChange={(event) => {
              setWay(event.target.value as Way);
            }}
            sx={{ minWidth: 190, '& .MuiSelect-select': { py: 0.5 } }}
          >
            {(Object.keys(WAYS) as Way[]).map((one) => (
              <MenuItem key={one} value={one}>
                {WAYS[one]}
              </MenuItem>
            ))}
          </TextField>
        )}
        <Typography sx={{ color: 'text.secondary' }}>
          {props.fields.length > 0
            ? `with ${count(props.fields.length, 'ticked field')}`
            : 'with the most telling fields; tick some to choose yourself'}
        </Typography>
      </Box>
      {making.error && <Problem error={making.error} />}
    </>
  );
}
