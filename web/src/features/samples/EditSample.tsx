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

function Form(props: {
  sample: SampleLine;
  operation: Operation;
  answer: Json;
  onClose: () => void;
}) {
  const { sample, operation, onClose } = props;
  const queries = useQueryClient();
  const [answer, setAnswer] = useState(props.answer);
  const fields = useMemo(
    () =>
      operation.comesBack.filter(
        ({ path, derived }) => derived === undefined && path.every((step) => isName(step)),
      ),
    [operation],
  );
  const sheet: Sheet = {
    goesIn: fields,
    comesBack: [],
    parameters: answer,
    answer: undefined,
    used: none,
    cut: {},
    alone: true,
  };
  const saving = useMutation({
    mutationFn: () =>
      unwrap(
        api.PUT(`${base}/content`, {
          params: {
            path: { service: sample.service, operation: sample.operation, name: sample.name },
          },
          body: { answer: wire(answer) },
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
      <Box sx={{ flex: 1, minHeight: 0 }}>
        <FieldSheet
          label={`Answer of ${sample.name}`}
          sheet={sheet}
          note={null}
          canTick={never}
          onUse={nothing}
          onParameter={(path: Path, value: Json, steps: Steps) => {
            setAnswer((before: Json) => withValue(before, path, value, steps));
          }}
          onRemove={(path: Path, steps: Steps) => {
            setAnswer((before: Json) => withoutItem(before, path, steps));
          }}
          onSend={save}
        />
      </Box>
      {saving.error && <Problem error={saving.error} />}
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
        <Button
          variant="contained"
          loading={saving.isPending}
          disabled={answer === props.answer}
          onClick={save}
        >
          Keep it
        </Button>
        <Button onClick={onClose}>Leave it</Button>
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          What is pinned as a check is then checked against this.
        </Typography>
      </Box>
    </>
  );
}

/** The answer of a sample in a field sheet, to be changed by hand. */
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
    <Dialog
      open
      onClose={onClose}
      fullWidth
      maxWidth="lg"
      aria-label={`Change the answer of ${sample.name}`}
    >
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
          {({ answer }) => (
            <Fetched query={operation} what="Fetching the operation">
              {(known) => (
                <Form sample={sample} operation={known} answer={answer as Json} onClose={onClose} />
              )}
            </Fetched>
          )}
        </Fetched>
      </Box>
    </Dialog>
  );
}
