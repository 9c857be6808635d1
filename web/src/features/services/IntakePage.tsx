import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useMemo, useRef } from 'react';
import { api, ApiProblem, type Intake, unwrap } from '@/api/client';
import { useFrame } from '@/ui/frame';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';
import { IntakeBox, type Given } from './components/IntakeBox';
import { IntakeResult } from './components/IntakeResult';

async function read(given: Given, signal: AbortSignal): Promise<Intake> {
  if (given.files.length === 0) {
    return unwrap(
      api.POST('/api/intakes', {
        body: { source: given.source, ...(given.access && { access: given.access }) },
        signal,
      }),
    );
  }
  const body = new FormData();
  given.files.forEach((file) => {
    body.append('files', file);
  });
  return unwrap(
    api.POST('/api/intakes/files', {
      // The generated types know files only as text; the form itself goes out as it is.
      body: { files: [] },
      bodySerializer: () => body,
      signal,
    }),
  );
}

/** Whether reading failed for the lack of credentials or a certificate. */
function wantsAccess(error: Error | null) {
  return (
    error instanceof ApiProblem &&
    ['EXCHANGE_LOGIN_WANTED', 'EXCHANGE_SERVER_UNTRUSTED'].includes(error.code)
  );
}

/** Where a description comes in: one box, and below it what was found. */
export function IntakePage() {
  useFrame(
    useMemo(
      () => ({ path: [{ words: 'Services' }, { words: 'Read a description' }], tools: null }),
      [],
    ),
  );
  const stop = useRef<AbortController>(null);
  const reading = useMutation({
    mutationFn: (given: Given) => {
      stop.current = new AbortController();
      return read(given, stop.current.signal);
    },
  });
  return (
    <Box sx={{ p: 2.5, maxWidth: 1080 }}>
      <Typography variant="h1" sx={{ mb: 0.5 }}>
        Read a description
      </Typography>
      <Typography sx={{ color: 'text.secondary', mb: 1.5, maxWidth: '72ch' }}>
        Give the address of a WSDL, OData or OpenAPI description, drop its files or a zip of them
        here, or paste its text. For a service without one, paste a request that works (a curl
        command or an HTTP message) and its answers below it, or drop a HAR file. Nothing is taken
        until you say so.
      </Typography>
      <IntakeBox
        busy={reading.isPending}
        asked={wantsAccess(reading.error)}
        onRead={(given) => {
          reading.mutate(given);
        }}
      />
      {reading.error && <Problem error={reading.error} />}
      {reading.isPending && (
        <Waiting
          what="Reading the description"
          onStop={() => {
            stop.current?.abort();
            reading.reset();
          }}
        />
      )}
      {reading.data && (
        <IntakeResult
          key={reading.data.edition}
          intake={reading.data}
          access={reading.variables.access}
        />
      )}
    </Box>
  );
}
