import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import { useMutation } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import {
  api,
  type AppEdit,
  type Bench,
  type FieldRef,
  type Operation,
  type PageCall,
  unwrap,
} from '@/api/client';
import { pathKey, withValue } from '@/lib/json';
import { AnswerNote } from '@/sheet/AnswerNote';
import { CutButton, CutPanel, textsOf } from '@/sheet/CutPanel';
import { FieldSheet } from '@/sheet/FieldSheet';
import type { FieldRow, Sheet } from '@/sheet/model';
import { SampleMenu } from '@/sheet/SampleMenu';
import { TryOutcome } from '@/sheet/TryOutcome';
import { useCutRows } from '@/sheet/useCutRows';
import { useTry } from '@/sheet/useTry';
import { Problem } from '@/ui/Problem';
import { Wire } from '@/wire/Wire';
import type { Picked } from '@/parts/model';
import { DerivedForm } from '../derived/DerivedForm';
import { BindingCell, type BindingPlace } from './BindingCell';
import { Fold } from './Fold';
import { PairAll } from './PairAll';
import {
  draggedText,
  filledBy,
  isAskable,
  pickOf,
  rowOf,
  fieldEdit,
  takenEdit,
  usedRows,
} from './model';

interface Props {
  app: string;
  page: string;
  bench: Bench;
  call: PageCall;
  operation: Operation;
  picked: Picked | undefined;
  onPick: (picked: Picked) => void;
  onEdit: (edit: AppEdit) => void;
  onFold?: (() => void) | undefined;
}

/**
 * Single fields can be used, what is one of several things can be asked for, and repeated groups
 * become tables.
 */
const canTick = (row: FieldRow) =>
  row.field.kind === 'scalar' ||
  (row.side === 'in' && ['oneOf', 'open'].includes(row.field.kind) && isAskable(row.field)) ||
  (row.side === 'out' && row.field.repeats && row.field.kind !== 'open');

/** The field sheet of a call: what fills its parameters, and where what comes back is shown. */
export function CallSheet({
  app,
  page,
  bench,
  call,
  operation,
  picked,
  onPick,
  onEdit,
  onFold,
}: Props) {
  const attempt = useTry(operation, call.endpoint);
  const show = (name?: string) =>
    unwrap(
      api.PUT('/api/apps/{app}/pages/{page}/calls/{call}/sample', {
        params: { path: { app, page, call: call.id } },
        body: name === undefined ? {} : { sample: name },
      }),
    );
  const showingLast = useMutation({ mutationFn: () => show() });
  /** What is answered to it is what the page shows then. */
  const send = () => {
    if (call.sample === undefined) attempt.send();
    else showingLast.mutate(undefined, { onSuccess: attempt.send });
  };
  const [wireOpen, setWireOpen] = useState(false);
  const [cutting, setCutting] = useState(false);
  const [pairing, setPairing] = useState(false);
  const [active, setActive] = useState<FieldRow>();
  const [deriving, setDeriving] = useState<FieldRef>();
  const paths = useMemo(() => call.shown.map(({ path }) => path), [call]);
  const { rows, derived } = useCutRows(operation.comesBack, attempt.answer, paths);
  const sheet: Sheet = useMemo(() => {
    let parameters = attempt.parameters;
    for (const { path, source } of call.filled) {
      if (source.kind === 'fixed') parameters = withValue(parameters, path, source.text);
    }
    return {
      goesIn: operation.goesIn,
      comesBack: rows,
      derived,
      parameters,
      answer: attempt.answer,
      used: usedRows(call),
      sampled: operation.given !== undefined,
      cut: Object.fromEntries(attempt.cut.map((one) => [pathKey(one.path), one.items])),
    };
  }, [operation, call, rows, derived, attempt.parameters, attempt.answer, attempt.cut]);
  const lit = picked ? rowOf(call, picked) : undefined;
  const place: BindingPlace = { fields: operation.goesIn, app, page, bench, call, onEdit };
  const use = (row: FieldRow) => {
    if (row.side === 'out') {
      onEdit(fieldEdit(page, call.id, row, !row.used));
    } else if (row.used) {
      onEdit({
        kind: 'fillSlot',
        slot: { kind: 'ofParameter', page, call: call.id, parameter: row.field.path },
      });
    } else {
      onEdit({ kind: 'fillFromInput', page, call: call.id, parameter: row.field.path });
    }
  };
  const move = (row: FieldRow, by: number) => {
    const target = pickOf(bench, call, row);
    if (target?.item) onEdit({ kind: 'moveItem', page, item: target.item, by });
  };
  const source = active?.side === 'out' ? active.field.field : undefined;
  return (
    <Box
      onKeyDown={(event) => {
        if (!event.altKey || event.key.toLowerCase() !== 'p') return;
        event.preventDefault();
        setPairing(true);
      }}
      sx={{ display: 'flex', flexDirection: 'column', height: '100%', minHeight: 0 }}
    >
      <Box sx={{ flex: 1, minHeight: 0 }}>
        <FieldSheet
          label={`Fields of ${operation.name}`}
          sheet={sheet}
          note={<AnswerNote attempt={attempt} sample={call.sample} />}
          columns={{
            goesIn: 'filled from',
            comesBack: 'shown as',
            cell: (row) => <BindingCell row={row} place={place} />,
          }}
          lit={new Set(lit ? [lit] : [])}
          canTick={canTick}
          isFixed={(row) => filledBy(call, row.field.path)?.source.kind === 'fixed'}
          onUse={use}
          onMove={move}
          onActive={(row) => {
            setActive(row);
            const target = pickOf(bench, call, row);
            if (target) onPick(target);
          }}
          onParameter={attempt.setParameter}
          onRemove={attempt.removeItem}
          onSend={send}
          onTaken={(row, taking) => {
            const edit = takenEdit(page, bench, call, row, taking);
            if (edit) onEdit(edit);
          }}
          dragText={(row) =>
            row.side === 'out' && row.field.kind === 'scalar'
              ? draggedText(call.id, row.field)
              : undefined
          }
          tools={
            <>
              {onFold ? (
                <Fold name={operation.name} open onToggle={onFold} />
              ) : (
                <Box component="strong" sx={{ mr: 1 }}>
                  {operation.name}
                </Box>
              )}
              <Button
                variant="outlined"
                disabled={attempt.pending}
                onClick={send}
                title="Ctrl+Enter"
              >
                {attempt.pending ? 'Sending…' : 'Send'}
              </Button>
              <Button
                title="Fill the parameters from what is on the page (Alt+P)"
                onClick={() => {
                  setPairing(true);
                }}
              >
                Pair all
              </Button>
              <SampleMenu
                service={operation.service}
                operation={operation.id}
                answered={attempt.answer !== undefined}
                chosen={call.sample ?? null}
                show={show}
                onShown={attempt.restart}
              />
              <CutButton
                open={cutting}
                shown={
                  attempt.origin !== 'generated' &&
                  textsOf(operation.comesBack, attempt.answer).length > 0
                }
                onToggle={() => {
                  setCutting(!cutting);
                }}
              />
              {source && (
                <Button
                  title="A new field made of this one: looked up, cut out, decoded, picked, put together, computed"
                  onClick={() => {
                    setDeriving(source);
                  }}
                >
                  Derive…
                </Button>
              )}
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
            </>
          }
        />
      </Box>
      <Box sx={{ px: 1.5, maxHeight: '45%', overflow: 'auto', flex: 'none' }}>
        {showingLast.error && <Problem error={showingLast.error} />}
        <TryOutcome attempt={attempt} />
        {cutting && (
          <CutPanel
            fields={operation.comesBack}
            answer={attempt.answer}
            used={new Set(paths.map(pathKey))}
            onUse={(path, used) => {
              onEdit({ kind: 'useField', page, call: call.id, path, used });
            }}
          />
        )}
        {wireOpen && attempt.sent && <Wire exchange={attempt.sent.exchange} />}
      </Box>
      {pairing && (
        <PairAll
          app={app}
          page={page}
          of={{ call, fields: operation.goesIn }}
          onEdit={onEdit}
          onClose={() => {
            setPairing(false);
          }}
        />
      )}
      <Dialog
        open={deriving !== undefined}
        onClose={() => {
          setDeriving(undefined);
        }}
        fullWidth
        aria-label="Derive a field"
      >
        {deriving && (
          <DerivedForm
            app={app}
            field={deriving}
            onEdit={onEdit}
            onDone={() => {
              setDeriving(undefined);
            }}
          />
        )}
      </Dialog>
    </Box>
  );
}
