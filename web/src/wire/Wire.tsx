import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Switch from '@mui/material/Switch';
import FormControlLabel from '@mui/material/FormControlLabel';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import type { ExchangeView } from '@/api/client';
import { millis } from '@/lib/format';
import { bytesText } from '@/lib/json';
import { Fetched } from '@/ui/Fetched';
import { FindingList } from '@/ui/FindingList';
import { MONO } from '@/ui/fonts';
import { Mark } from '@/ui/Mark';
import { Waiting } from '@/ui/Waiting';
import { layOut } from './layOut';
import { inOther, sameSigns, type Span, spanInOther } from './places';
import { exchangeQuery } from './queries';
import { Headers, Request } from './Request';

const Message = lazy(() => import('./Message'));

/** The body of an answer; places in it are those of its text as it came. */
function AnswerBody({ exchange, pretty, mark, onPlace }: AnswerProps) {
  const body = exchange.responseBody;
  const laidOut = pretty && !exchange.cut ? layOut(body) : body;
  const placed = mark !== undefined || onPlace !== undefined;
  // A place can be told only where nothing but white space was changed.
  const text = placed && !sameSigns(body, laidOut) ? body : laidOut;
  return (
    <Message
      text={text}
      label="Answer body"
      mark={mark && spanInOther(body, text, mark)}
      onPlace={
        onPlace &&
        ((at) => {
          onPlace(inOther(text, body, at));
        })
      }
    />
  );
}

interface AnswerProps extends Places {
  exchange: ExchangeView;
  pretty: boolean;
}

function Answer(props: AnswerProps) {
  const { exchange } = props;
  return (
    <Box component="section" aria-label="Answer" sx={{ minWidth: 0 }}>
      <Typography variant="h3" sx={{ mb: 0.5 }}>
        <Mark side="out" /> Answer
      </Typography>
      <Typography sx={{ fontFamily: MONO, fontSize: 12 }}>
        {exchange.status === undefined ? 'no answer' : `status ${exchange.status}`},{' '}
        {millis(exchange.tookMillis)}, {bytesText(exchange.responseBytes)}
        {exchange.cut && ' (only the start is kept)'}
      </Typography>
      {exchange.failure && <FindingList findings={[exchange.failure]} label="Failure" />}
      <Headers lines={exchange.responseHeaders} label="Answer headers" />
      {exchange.responseBody && <AnswerBody {...props} />}
    </Box>
  );
}

interface Places {
  /** What is looked at in the answer. */
  mark?: Span | undefined;
  /** A place in the answer is pressed. */
  onPlace?: ((at: number) => void) | undefined;
}

interface Props extends Places {
  exchange: string;
}

/** Request and answer as they were sent, each header with its reason. */
export function Wire({ exchange, ...places }: Props) {
  const query = useQuery(exchangeQuery(exchange));
  return (
    <Fetched query={query} what="Fetching the exchange">
      {(data) => <BothMessages data={data} {...places} />}
    </Fetched>
  );
}

function BothMessages({ data, ...places }: Places & { data: ExchangeView }) {
  const [raw, setRaw] = useState(false);
  const [copied, setCopied] = useState(false);
  return (
    <Box sx={{ containerType: 'inline-size' }}>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap', py: 0.5 }}>
        <FormControlLabel
          control={
            <Switch
              size="small"
              checked={raw}
              onChange={(_, on) => {
                setRaw(on);
              }}
            />
          }
          label="as sent, not laid out"
          slotProps={{ typography: { variant: 'body2' } }}
        />
        <Button
          onClick={() => {
            void navigator.clipboard.writeText(data.curl).then(() => {
              setCopied(true);
            });
          }}
        >
          {copied ? 'Copied' : 'Copy as curl'}
        </Button>
        <Button href={`/api/exchanges/${data.id}/har`}>Save as HAR</Button>
      </Box>
      <Suspense fallback={<Waiting what="Opening the messages" />}>
        <Box
          sx={{
            display: 'grid',
            gap: 3,
            gridTemplateColumns: 'minmax(0, 1fr)',
            '@container (min-width: 760px)': {
              gridTemplateColumns: 'minmax(0, 1fr) minmax(0, 1fr)',
            },
          }}
        >
          <Request
            method={data.method}
            address={data.address}
            headers={data.requestHeaders}
            body={data.requestBody}
            pretty={!raw}
          />
          <Answer exchange={data} pretty={!raw} {...places} />
        </Box>
      </Suspense>
    </Box>
  );
}
