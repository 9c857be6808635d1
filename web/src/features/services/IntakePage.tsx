import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import Button from '@mui/material/Button';
import { useMutation } from '@tanstack/react-query';
import { useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { ApiProblem, type Catalogue, type Progress } from '@/api/client';
import { count } from '@/lib/format';
import { bytesText } from '@/lib/json';
import { isTableFile } from '@/features/tables/model';
import { look } from '@/features/tables/queries';
import { useFrame } from '@/ui/frame';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';
import { CatalogueList } from './components/CatalogueList';
import { FirstSteps } from './components/FirstSteps';
import { IntakeBox } from './components/IntakeBox';
import { IntakeResult } from './components/IntakeResult';
import { Lately } from './components/Lately';
import { type Given, readIntake } from './intake';

/** What has to do with credentials or a certificate, and is mended by giving them. */
const ACCESS_WANTED = [
  'EXCHANGE_LOGIN_WANTED',
  'EXCHANGE_SERVER_UNTRUSTED',
  'SERVER_ADDRESS_TELLS_SECRET',
];

const wantsAccess = (error: Error | null) =>
  error instanceof ApiProblem && ACCESS_WANTED.includes(error.code);

/** How far a document has come, in words. */
function progressWords({ address, bytes, length }: Progress) {
  const name = address.slice(address.lastIndexOf('/') + 1) || address;
  return `Fetching ${name}: ${bytesText(bytes)}${length ? ` of ${bytesText(length)}` : ''}`;
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
  const [progress, setProgress] = useState<Progress>();
  /** The list that the description below was picked from, and how it was asked for. */
  const [list, setList] = useState<{ catalogue: Catalogue; given: Given }>();
  const reading = useMutation({
    mutationFn: (given: Given) => {
      stop.current = new AbortController();
      setProgress(undefined);
      return readIntake(given, stop.current.signal, setProgress);
    },
    onSuccess: (found, given) => {
      if (found.catalogue) setList({ catalogue: found.catalogue, given });
    },
  });
  const navigate = useNavigate();
  const looking = useMutation({
    mutationFn: look,
    onSuccess: (draft) => navigate(`/services/offered/new/${draft}`),
  });
  const chosen = reading.variables?.entry ?? reading.variables?.source;
  const pick = (given: Given, address: string) => {
    reading.mutate(
      given.files.length > 0 ? { ...given, entry: address } : { ...given, source: address },
    );
  };
  const read = (given: Given) => {
    setList(undefined);
    const [table] = given.files;
    if (table && given.files.length === 1 && isTableFile(table.name)) {
      reading.reset();
      looking.mutate(table);
      return;
    }
    looking.reset();
    reading.mutate(given);
  };
  return (
    <Box sx={{ p: 2.5, maxWidth: 1080 }}>
      <Typography variant="h1" sx={{ mb: 0.5 }}>
        Read a description
      </Typography>
      <Typography sx={{ color: 'text.secondary', mb: 1.5, maxWidth: '72ch' }}>
        Give the address of a WSDL, OData or OpenAPI description or of a list of them, drop files, a
        folder or a zip here, or paste the text. For a service without one, paste a request that
        works (a curl command or an HTTP message) and its answers below it, or drop a HAR file. Drop
        a spreadsheet to offer its tables as a service. Nothing is taken until you say so.
      </Typography>
      <IntakeBox
        busy={reading.isPending || looking.isPending}
        asked={wantsAccess(reading.error)}
        onRead={read}
      />
      {reading.isIdle && looking.isIdle && (
        <>
          <Lately />
          <FirstSteps onTry={read} />
        </>
      )}
      {list && !reading.data?.description && (
        <CatalogueList
          catalogue={list.catalogue}
          chosen={chosen}
          onChoose={(entry) => {
            pick(list.given, entry.address);
          }}
        />
      )}
      {reading.error && <Problem error={reading.error} />}
      {looking.error && <Problem error={looking.error} />}
      {looking.isPending && <Waiting what="Looking at the tables" />}
      {reading.isPending && (
        <Waiting
          what={progress ? progressWords(progress) : 'Reading the description'}
          {...(progress?.length && { share: progress.bytes / progress.length })}
          onStop={() => {
            stop.current?.abort();
            reading.reset();
          }}
        />
      )}
      {list && reading.data?.description && (
        <Button
          sx={{ mb: 1 }}
          onClick={() => {
            reading.reset();
          }}
        >
          Back to the list of {count(list.catalogue.entries.length, 'service')}
        </Button>
      )}
      {reading.data?.description && (
        <IntakeResult
          key={reading.data.description.edition}
          intake={reading.data.description}
          access={reading.variables.access}
          onPlain={(name) => {
            const { plain = [], ...given } = reading.variables;
            reading.mutate({ ...given, plain: [...plain, name] });
          }}
        />
      )}
    </Box>
  );
}
