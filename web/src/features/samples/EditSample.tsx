import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { api, type Json, type Operation, type SampleLine, unwrap, wire } from '@/api/client';
import { operationQuery, samplesQuery } from '@/api/queries';
import { isName, type Path, type Steps, withoutItem, withValue } from '@/lib/json';
import { FieldSheet } from '@/sheet/FieldSheet';
import type { Sheet } from '@/sheet/model';
import { Fetched } from '@/ui/Fetched';
import { Problem } from '@/ui/Problem';

const nothing = () => undefined;
const never = () => false;
const none: ReadonlySet<string> = new Set();

const base = '/api/services/{service}/operations/{operation}/samples/{name}' as const;

type Side = 'in' | 'out';

interface Content {
  parameters: Json;
  /** Nothing where a failure came back. */
  answer: Json;
}

function sheetOf(operation: Operation, side: Side, values: Json): Sheet {
  const fields = side === 'in' ? operation.goesIn : operation.comesBack;
  return {
    goesIn: fields.filter(
      ({ path, derived }) => derived === undefined && path.every((step) => isName(step)),
    ),
    comesBack: [],
    parameters: values,
    answer: undefined,
    used: none,
    cut: {},
    alone: side,
  };
}

function Form(props: {
  sample: SampleLine;
  operation: Operation;
  content: Content;
  onClose: () => void;
}) {
  const { sample, operation, onClose } = props;
  const queries = useQueryClient();
  const [content, setContent] = useState(props.content);
  const failed = props.content.answer === undefined;
  const [side, setSide] = useState<Side>(failed ? 'in' : 'out');
  const values = side === 'in' ? content.parameters : content.answer;
  const sheet = useMemo(() => sheetOf(operation, side, values), [operation, side, values]);
  const change = (how: (before: Json) => Json) => {
    setContent((before) =>
      side === 'in'
        ? { ...before, parameters: how(before.parameters) }
        : { ...before, answer: how(before.answer) },
    );
  };
  const saving = useMutation({
    mutationFn: () =>
      unwrap(
        api.PUT(`${base}/content`, {
          params: {
            path: { service: sample.service, operation: sample.operation, name: sample.name },
          },
          body: {
            parameters: wire(content.parameters),
            ...(!failed && { answer: wire(content.answer) }),
          },
        }),
      ),
    onSuccess: (all) => {
      queries.setQueryData(samplesQuery.queryKey, all);
      onClose();
    },
  });
  const save = () => {
    saving.mutate();
  };
  return (
    <>
      <Box role="group" aria-label="Which message" sx={{ display: 'flex', gap: 0.5 }}>
        <Button
          aria-pressed={side === 'in'}
          variant={side === 'in' ? 'outlined' : 'text'}
          onClick={() => {
            setSide('in');
          }}
        >
          What was sent
        </Button>
        <Button
          aria-pressed={side === 'out'}
          variant={side === 'out' ? 'outlined' : 'text'}
          disabled={failed}
          onClick={() => {
            setSide('out');
          }}
        >
          {failed ? 'It failed' : 'What came back'}
        </Button>
      </Box>
      <Box sx={{ flex: 1, minHeight: 0 }}>
        <FieldSheet
          key={side}
          label={`${side === 'in' ? 'Request' : 'Answer'} of ${sample.name}`}
          sheet={sheet}
          note={null}
          canTick={never}
          onUse={nothing}
          onParameter={(path: Path, value: Json, steps: Steps) => {
            change((before) => withValue(before, path, value, steps));
          }}
          onRemove={(path: Path, steps: Steps) => {
            change((before) => withoutItem(before, path, steps));
          }}
          onSend={save}
        />
      </Box>
      {saving.error && <Problem error={saving.error} />}
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
        <Button
          variant="contained"
          loading={saving.isPending}
          disabled={content === props.content}
          onClick={save}
        >
          Keep it
        </Button>
        <Button onClick={onClose}>Leave it</Button>
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          What is pinned as a check then asks this, and compares with this.
        </Typography>
      </Box>
    </>
  );
}

/** What was sent and came back in a sample, in a field sheet, to be changed by hand. */
export function EditSample({ sample, onClose }: { sample: SampleLine; onClose: () => void }) {
  const operation = useQuery(operationQuery(sample.service, sample.operation));
  const content = useQuery({
    queryKey: ['samples', sample.service, sample.operation, sample.name, sample.recordedAt],
    queryFn: () =>
      unwrap(
        api.GET(`${base}/content`, {
          params: {
            path: { service: sample.service, operation: sample.operation, name: sample.name },
          },
        }),
      ),
    gcTime: 0,
  });
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="lg" aria-label={`Change ${sample.name}`}>
      <Box
        sx={{
          p: 2.5,
          display: 'flex',
          flexDirection: 'column',
          gap: 1.5,
          height: 'min(80vh, 720px)',
        }}
      >
        <Typography variant="h2">
          {sample.name} of {sample.operationName}
        </Typography>
        <Fetched query={content} what="Fetching the sample">
          {({ parameters, answer }) => (
            <Fetched query={operation} what="Fetching the operation">
              {(known) => (
                <Form
                  sample={sample}
                  operation={known}
                  content={{ parameters: parameters as Json, answer: answer as Json }}
                  onClose={onClose}
                />
              )}
            </Fetched>
          )}
        </Fetched>
      </Box>
    </Dialog>
  );
}
