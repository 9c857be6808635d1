import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { type AccessForm, api, type Service, unwrap } from '@/api/client';
import { accessQuery } from '@/api/queries';
import { MONO } from '@/ui/fonts';
import { Problem } from '@/ui/Problem';
import { AccessFields } from './AccessFields';
import { inWords } from './model';

interface Props {
  service: string;
  endpoint: Service['endpoints'][number];
  /** The environment that it is in; nothing is the address of the description. */
  environment?: string;
}

/** One endpoint: where it is, and how it is reached. */
export function EndpointAccess({ service, endpoint, environment = '' }: Props) {
  const queries = useQueryClient();
  const kept = useQuery(accessQuery(service, endpoint.id, environment));
  const [changed, setChanged] = useState<AccessForm>();
  const saving = useMutation({
    mutationFn: (body: AccessForm) =>
      unwrap(
        api.PUT('/api/services/{service}/endpoints/{endpoint}/access', {
          params: { path: { service, endpoint: endpoint.id }, query: { environment } },
          body,
        }),
      ),
    onSuccess: (saved) => {
      queries.setQueryData(accessQuery(service, endpoint.id, environment).queryKey, saved);
      setChanged(undefined);
    },
  });
  return (
    <Box
      component="section"
      aria-label={`Endpoint ${endpoint.id}${environment && ` in ${environment}`}`}
      sx={{ borderTop: '1px solid', borderColor: 'line', py: 0.75 }}
    >
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
        <Box sx={{ flex: 1, minWidth: 260 }}>
          <Typography>
            <strong>{endpoint.id}</strong>, {endpoint.protocol}
          </Typography>
          <Typography sx={{ fontFamily: MONO, fontSize: 12, overflowWrap: 'anywhere' }}>
            {endpoint.address || 'no address'}
          </Typography>
        </Box>
        <Typography sx={{ color: 'text.secondary' }}>
          {kept.data ? `Reached as: ${inWords(kept.data)}` : ''}
        </Typography>
        {!changed && (
          <Button
            variant="outlined"
            disabled={!kept.data}
            onClick={() => {
              setChanged(kept.data);
            }}
          >
            Change access
          </Button>
        )}
      </Box>
      {kept.error && <Problem error={kept.error} />}
      {changed && (
        <Box
          component="form"
          onSubmit={(event) => {
            event.preventDefault();
            saving.mutate(changed);
          }}
          sx={{ mt: 1 }}
        >
          <AccessFields
            soap={endpoint.protocol.startsWith('SOAP')}
            form={changed}
            onChange={setChanged}
          />
          {saving.error && <Problem error={saving.error} />}
          <Box sx={{ display: 'flex', gap: 1, py: 1, alignItems: 'center' }}>
            <Button type="submit" variant="contained" disabled={saving.isPending}>
              Save access
            </Button>
            <Button
              onClick={() => {
                setChanged(undefined);
                saving.reset();
              }}
            >
              Cancel
            </Button>
            <Typography variant="body2" sx={{ color: 'text.secondary' }}>
              Secrets are kept encrypted on the server and never come back to a browser.
            </Typography>
          </Box>
        </Box>
      )}
    </Box>
  );
}
