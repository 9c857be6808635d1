import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Collapse from '@mui/material/Collapse';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useEffect, useMemo, useState } from 'react';
import { api, type Json, type Operation, unwrap } from '@/api/client';
import { pathKey, type Step } from '@/lib/json';
import { CutButton, CutPanel, textsOf } from '@/sheet/CutPanel';
import { FieldSheet } from '@/sheet/FieldSheet';
import { type FieldRow, rowKey, type Sheet } from '@/sheet/model';
import { AnswerNote } from '@/sheet/AnswerNote';
import { SampleMenu } from '@/sheet/SampleMenu';
import { TryOutcome } from '@/sheet/TryOutcome';
import { useTry } from '@/sheet/useTry';
import { Problem } from '@/ui/Problem';
import { Wire } from '@/wire/Wire';
import { LeadsTo } from './LeadsTo';
import { LearnButton } from './LearnButton';
import { MakePage } from './MakePage';
import { GivenText } from './GivenText';
import { useMarks } from './useMarks';

/** Trying an operation: type, send, read, tick what matters, make a page of it. */
export function OperationTry({ operation, handed }: { operation: Operation; handed: Json }) {
  const [endpoint, setEndpoint] = useState(operation.endpoint);
  const [ticked, setTicked] = useState<readonly FieldRow[]>([]);
  const [wireOpen, setWireOpen] = useState(false);
  const attempt = useTry(operation, endpoint, handed);
  const [cutting, setCutting] = useState(false);
  /** Fields that are cut out of a text, which stand in no row. */
  const [cutOut, setCutOut] = useState<readonly Step[][]>([]);
  const marks = useMarks(operation);
  const used = useMemo(
    () =>
      new Set([
        ...ticked.map((row) => row.key),
        ...operation.goesIn
          .filter(({ kind, given }) => operation.learns && kind === 'scalar' && !given)
          .map(({ path }) => rowKey('in', path)),
      ]),
    [ticked, operation],
  );
  const sheet: Sheet = useMemo(
    () => ({
      goesIn: operation.goesIn,
      comesBack: operation.comesBack,
      parameters: attempt.parameters,
      answer: attempt.answer,
      used,
      sampled: operation.given !== undefined,
      cut: Object.fromEntries(attempt.cut.map((one) => [pathKey(one.path), one.items])),
    }),
    [operation, attempt.parameters, attempt.answer, attempt.cut, used],
  );
  const { send } = attempt;
  useEffect(() => {
    // Before anything has the focus, the keys of the sheet belong to nobody.
    const sendFromAnywhere = (event: KeyboardEvent) => {
      const sends = event.key === 'Enter' && (event.ctrlKey || event.metaKey);
      if (sends && event.target === document.body) send();
    };
    window.addEventListener('keydown', sendFromAnywhere);
    return () => {
      window.removeEventListener('keydown', sendFromAnywhere);
    };
  }, [send]);
  const tick = (row: FieldRow) => {
    if (row.side === 'in') {
      marks.toggle(row.field);
      return;
    }
    setTicked(
      used.has(row.key) ? ticked.filter((other) => other.key !== row.key) : [...ticked, row],
    );
  };
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', height: '100%' }}>
      <Box sx={{ px: 2.5, pt: 2 }}>
        <Typography variant="h1">{operation.name}</Typography>
        <Typography sx={{ color: 'text.secondary' }}>{operation.documentation}</Typography>
      </Box>
      {operation.given && (
        <GivenText given={operation.given} goesIn={operation.goesIn} onPress={marks.toggle} />
      )}
      <Box sx={{ px: 1.5, flex: 1, minHeight: 260 }}>
        <FieldSheet
          label={`Fields of ${operation.name}`}
          sheet={sheet}
          note={<AnswerNote attempt={attempt} />}
          canTick={(row) =>
            marks.isChoice(row) || (row.side === 'out' && row.field.kind === 'scalar')
          }
          ticksNote={operation.learns ? 'ticked ones are parameters on pages' : undefined}
          onUse={tick}
          onParameter={attempt.setParameter}
          onRemove={attempt.removeItem}
          onSend={attempt.send}
          tools={
            <>
              <Button
                variant="contained"
                disabled={attempt.pending}
                onClick={attempt.send}
                title="Ctrl+Enter"
              >
                {attempt.pending ? 'Sending…' : 'Send'}
              </Button>
              <TextField
                select
                label="over"
                value={endpoint}
                onChange={(event) => {
                  setEndpoint(event.target.value);
                }}
                sx={{ width: 130, '& .MuiSelect-select': { py: 0.5 } }}
              >
                {operation.endpoints.map((one) => (
                  <MenuItem key={one.id} value={one.id}>
                    {one.protocol}
                  </MenuItem>
                ))}
              </TextField>
              <SampleMenu
                service={operation.service}
                operation={operation.id}
                answered={attempt.answer !== undefined}
                show={(name = '') =>
                  unwrap(
                    api.POST('/api/services/{service}/operations/{operation}/samples/{name}/uses', {
                      params: {
                        path: { service: operation.service, operation: operation.id, name },
                      },
                    }),
                  )
                }
                onShown={attempt.restart}
              />
            </>
          }
        />
      </Box>
      <Box
        sx={{
          borderTop: '1px solid',
          borderColor: 'divider',
          px: 2.5,
          py: 1,
          maxHeight: '50%',
          overflow: 'auto',
        }}
      >
        {marks.error && <Problem error={marks.error} />}
        <TryOutcome attempt={attempt} />
        <LeadsTo operation={operation} />
        {cutting && (
          <CutPanel
            fields={operation.comesBack}
            answer={attempt.answer}
            used={new Set(cutOut.map(pathKey))}
            onUse={(path, use) => {
              const others = cutOut.filter((one) => pathKey(one) !== pathKey(path));
              setCutOut(use ? [...others, path] : others);
            }}
          />
        )}
        <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
          <MakePage
            operation={operation}
            endpoint={endpoint}
            fields={[
              ...ticked
                .map((row) => row.field.path)
                .filter((path) => used.has(rowKey('out', path))),
              ...cutOut,
            ]}
          />
          {operation.learns && attempt.sent && attempt.outcome?.answer !== undefined && (
            <LearnButton
              key={attempt.sent.exchange}
              operation={operation}
              exchange={attempt.sent.exchange}
              onLearnt={attempt.stop}
            />
          )}
          <CutButton
            open={cutting}
            shown={
              attempt.sent !== undefined && textsOf(operation.comesBack, attempt.answer).length > 0
            }
            onToggle={() => {
              setCutting(!cutting);
            }}
          />
          {attempt.sent && (
            <Button
              aria-expanded={wireOpen}
              onClick={() => {
                setWireOpen(!wireOpen);
              }}
            >
              {wireOpen ? 'Hide the wire' : 'Show the wire'}
            </Button>
          )}
        </Box>
        <Collapse in={wireOpen && attempt.sent !== undefined} unmountOnExit>
          {attempt.sent && <Wire exchange={attempt.sent.exchange} />}
        </Collapse>
      </Box>
    </Box>
  );
}
