import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, type Import, type Json, unwrap, wire } from '@/api/client';
import { appsQuery, servicesQuery } from '@/api/queries';
import { count } from '@/lib/format';
import { FileButton } from '@/ui/FileButton';
import { Problem } from '@/ui/Problem';

const STATES: Record<Import['services'][number]['state'], string> = {
  HERE: 'is here already',
  INCLUDED: 'comes with the file',
  MISSING: 'is only named in the file',
};

interface Looked {
  file: Json;
  view: Import;
}

function Found({ looked, onClose }: { looked: Looked; onClose: () => void }) {
  const { view, file } = looked;
  const queries = useQueryClient();
  const navigate = useNavigate();
  const services = useQuery(servicesQuery);
  const [chosen, setChosen] = useState<Record<string, string>>({});
  const missing = view.services.filter(
    ({ state, service }) => state === 'MISSING' && !chosen[service],
  );
  const taking = useMutation({
    mutationFn: () =>
      unwrap(
        api.POST('/api/app-files', {
          body: {
            file: wire(file),
            services: Object.fromEntries(Object.entries(chosen).filter(([, id]) => id !== '')),
          },
        }),
      ),
    onSuccess: (app) => {
      void queries.invalidateQueries({ queryKey: appsQuery.queryKey });
      void queries.invalidateQueries({ queryKey: servicesQuery.queryKey });
      void navigate(`/apps/${app.id}/releases`);
    },
  });
  return (
    <Box sx={{ borderTop: '1px solid', borderColor: 'divider', pt: 1.5, mt: 1.5 }}>
      <Typography variant="h3" sx={{ mb: 1 }}>
        {view.name}: {count(view.pages.length, 'page')}, {count(view.services.length, 'service')}
      </Typography>
      {view.services.map((service) => (
        <Box
          key={service.service}
          sx={{ display: 'flex', alignItems: 'center', gap: 1.5, py: 0.5, flexWrap: 'wrap' }}
        >
          <Box sx={{ flex: 1, minWidth: 200 }}>
            <strong>{service.name}</strong> {STATES[service.state]}
            {service.state === 'MISSING' && service.source && (
              <Box sx={{ color: 'text.secondary', overflowWrap: 'anywhere' }}>
                Its description is at {service.source}
              </Box>
            )}
          </Box>
          <TextField
            select
            label="Use"
            value={chosen[service.service] ?? ''}
            onChange={(event) => {
              setChosen({ ...chosen, [service.service]: event.target.value });
            }}
            slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
            sx={{ width: 220 }}
          >
            <MenuItem value="">
              {service.state === 'MISSING' ? 'choose a service' : 'what the file says'}
            </MenuItem>
            {services.data?.map(({ id, name }) => (
              <MenuItem key={id} value={id}>
                {name}
              </MenuItem>
            ))}
          </TextField>
        </Box>
      ))}
      {taking.error && <Problem error={taking.error} />}
      <Box sx={{ display: 'flex', gap: 1, mt: 1.5 }}>
        <Button
          variant="contained"
          disabled={missing.length > 0}
          loading={taking.isPending}
          onClick={() => {
            taking.mutate();
          }}
        >
          Bring it in
        </Button>
        <Button onClick={onClose}>Leave it</Button>
      </Box>
    </Box>
  );
}

/** Brings an app that was saved as a file; shows first what is in it. */
export function ImportApp() {
  const [looked, setLooked] = useState<Looked>();
  const looking = useMutation({
    mutationFn: async (chosen: File) => {
      const file = JSON.parse(await chosen.text()) as Json;
      const view = await unwrap(api.POST('/api/app-files/looks', { body: wire(file) }));
      return { file, view };
    },
    onSuccess: setLooked,
  });
  return (
    <Box component="section" aria-label="Bring an app" sx={{ mt: 4 }}>
      <Typography variant="h2" sx={{ mb: 0.75 }}>
        Bring an app
      </Typography>
      <Typography sx={{ color: 'text.secondary', mb: 1 }}>
        An app that was saved as a file, here or elsewhere. You see what is in it before anything
        changes.
      </Typography>
      <FileButton
        label="App file"
        accept="application/json,.json"
        loading={looking.isPending}
        onFile={(file) => {
          looking.mutate(file);
        }}
      >
        Choose a file…
      </FileButton>
      {looking.error &&
        (looking.error instanceof SyntaxError ? (
          <Typography role="alert" sx={{ color: 'error.main', mt: 1 }}>
            This file is not JSON, so it is no app ({looking.error.message}). Choose another one.
          </Typography>
        ) : (
          <Problem error={looking.error} />
        ))}
      {looked && (
        <Found
          looked={looked}
          onClose={() => {
            setLooked(undefined);
          }}
        />
      )}
    </Box>
  );
}
