import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MuiLink from '@mui/material/Link';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { type AccessForm, api, type Intake, type Service, unwrap } from '@/api/client';
import { servicesQuery } from '@/api/queries';
import { count } from '@/lib/format';
import { FindingList } from '@/ui/FindingList';
import { Clamped } from '@/ui/Clamped';
import { Problem } from '@/ui/Problem';
import { isSameServer } from '../access/model';
import { usualEndpoint } from '../intake';
import { OperationTable } from './OperationTable';

/** Of more operations than this most people want only some. */
const FEW = 40;

/** A description may tell what can be asked, but not where. */
const NO_ENDPOINT = 'none';

/** What it took to read the description is kept for the endpoints of the same server. */
async function keepAccess(service: Service, access: AccessForm | undefined) {
  if (!access) return;
  const here = service.endpoints.filter((one) => isSameServer(one.address, service.source));
  for (const { id } of here) {
    await unwrap(
      api.PUT('/api/services/{service}/endpoints/{endpoint}/access', {
        params: { path: { service: service.id, endpoint: id } },
        body: access,
      }),
    );
  }
}

function useTake(access: AccessForm | undefined) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  return useMutation({
    mutationFn: async (body: { edition: string; operations: string[]; endpoint: string }) => {
      const service = await unwrap(api.POST('/api/services', { body }));
      await keepAccess(service, access);
      return service;
    },
    onSuccess: async (service, { operations }) => {
      await queries.invalidateQueries({ queryKey: servicesQuery.queryKey });
      const [only, ...others] = operations;
      const sheet = only && others.length === 0 ? `/operations/${encodeURIComponent(only)}` : '';
      await navigate(`/services/${service.id}${sheet}`);
    },
  });
}

/** What was found in a description, and the one button that takes what is ticked. */
export function IntakeResult({
  intake,
  access,
  onPlain,
}: {
  intake: Intake;
  access: AccessForm | undefined;
  /** Reads it once more, with the values of a name, which are no secrets. */
  onPlain: (name: string) => void;
}) {
  const [ticked, setTicked] = useState(
    () => new Set(intake.operations.length > FEW ? [] : intake.operations.map((one) => one.id)),
  );
  const [endpoint, setEndpoint] = useState(usualEndpoint(intake.endpoints)?.id ?? NO_ENDPOINT);
  const take = useTake(access);
  return (
    <Box
      component="section"
      aria-label="What was found"
      sx={{ borderTop: '1px solid', borderColor: 'divider', pt: 1.5 }}
    >
      <Typography variant="h2">{intake.name}</Typography>
      <Clamped text={intake.documentation} lines={3} />
      <Typography sx={{ color: 'text.secondary' }}>
        {intake.format}, {count(intake.documents.length, 'document')},{' '}
        {count(intake.operations.length, 'operation')} over{' '}
        {count(intake.endpoints.length, 'endpoint')}.
        {intake.takenAs &&
          ' This description is in the workspace already; taking it again adds what is ticked.'}
      </Typography>
      {intake.editionOf && (
        <Typography sx={{ mt: 0.5 }}>
          The workspace has another edition of it.{' '}
          <Box
            component={Link}
            to={`/services/${intake.editionOf}/editions?to=${intake.edition}`}
            sx={{ color: 'primary.main', fontWeight: 600 }}
          >
            Compare the two
          </Box>{' '}
          before you take anything.
        </Typography>
      )}
      <FindingList findings={intake.findings} label="Findings in the description" />
      {intake.leftOut.length > 0 && (
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center', mb: 1.5 }}>
          <Typography variant="body2">Is one of them no secret? Read again with</Typography>
          {intake.leftOut.map((name) => (
            <Button
              key={name}
              size="small"
              variant="outlined"
              onClick={() => {
                onPlain(name);
              }}
            >
              {name}
            </Button>
          ))}
        </Box>
      )}
      <OperationTable
        edition={intake.edition}
        operations={intake.operations}
        endpoints={intake.endpoints}
        ticked={ticked}
        onTick={setTicked}
        name={({ id, name }) => (
          <MuiLink
            component="button"
            type="button"
            title={`Take ${name} alone and open it`}
            disabled={take.isPending}
            onClick={() => {
              take.mutate({ edition: intake.edition, operations: [id], endpoint });
            }}
            sx={{ fontWeight: 600, textAlign: 'left', overflowWrap: 'anywhere' }}
          >
            {name}
          </MuiLink>
        )}
      />
      <Box
        sx={{
          display: 'flex',
          gap: 1.5,
          alignItems: 'center',
          position: 'sticky',
          bottom: 0,
          py: 1.5,
          bgcolor: 'background.default',
        }}
      >
        <Button
          variant="contained"
          disabled={ticked.size === 0 || take.isPending}
          onClick={() => {
            take.mutate({ edition: intake.edition, operations: [...ticked], endpoint });
          }}
        >
          Take {count(ticked.size, 'operation')}
        </Button>
        {intake.endpoints.length > 0 && (
          <TextField
            select
            label="over"
            value={endpoint}
            onChange={(event) => {
              setEndpoint(event.target.value);
            }}
            sx={{ minWidth: 320 }}
          >
            {intake.endpoints.map((one) => (
              <MenuItem key={one.id} value={one.id}>
                {one.protocol} at {one.address || 'no address'} ({one.id})
              </MenuItem>
            ))}
          </TextField>
        )}
      </Box>
      {take.error && <Problem error={take.error} />}
    </Box>
  );
}
