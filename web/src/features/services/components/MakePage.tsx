import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { api, type Operation, unwrap } from '@/api/client';
import { appQuery, appsQuery } from '@/api/queries';
import { count } from '@/lib/format';
import { useStored } from '@/lib/useStored';
import { Problem } from '@/ui/Problem';

interface Props {
  operation: Operation;
  endpoint: string;
  fields: string[][];
}

const NEW = '';

async function addPage(app: string, props: Props) {
  const target = app
    ? await unwrap(api.GET('/api/apps/{app}', { params: { path: { app } } }))
    : await unwrap(
        api.POST('/api/apps', { body: { name: `${props.operation.serviceName} pages` } }),
      );
  return unwrap(
    api.POST('/api/apps/{app}/edits', {
      params: { path: { app: target.id } },
      body: {
        version: target.version,
        edit: {
          kind: 'addPage',
          service: props.operation.service,
          edition: props.operation.edition,
          operation: props.operation.id,
          endpoint: props.endpoint,
          fields: props.fields,
        },
      },
    }),
  );
}

/** Makes a page from an operation, in an app that is there or a new one. */
export function MakePage(props: Props) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const { data: apps } = useQuery(appsQuery);
  const [stored, setStored] = useStored('app', NEW);
  const chosen = apps?.some((app) => app.id === stored) ? stored : (apps?.at(-1)?.id ?? NEW);
  const making = useMutation({
    mutationFn: () => addPage(chosen, props),
    onSuccess: async (view) => {
      queries.setQueryData(appQuery(view.id).queryKey, view);
      await queries.invalidateQueries({ queryKey: appsQuery.queryKey, exact: true });
      setStored(view.id);
      await navigate(`/apps/${view.id}/pages/${view.app.pages.at(-1)?.id ?? ''}`);
    },
  });
  return (
    <>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
        <Button
          variant="outlined"
          disabled={making.isPending}
          onClick={() => {
            making.mutate();
          }}
        >
          Make a page from this
        </Button>
        {apps && apps.length > 0 && (
          <TextField
            select
            label="in"
            value={chosen}
            onChange={(event) => {
              setStored(event.target.value);
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
        <Typography sx={{ color: 'text.secondary' }}>
          {props.fields.length > 0
            ? `with ${count(props.fields.length, 'ticked field')}`
            : 'with the fields that look most telling; tick some to choose yourself'}
        </Typography>
      </Box>
      {making.error && <Problem error={making.error} />}
    </>
  );
}
