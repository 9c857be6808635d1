import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import type { AppEdit, Operation, Page, PageCall } from '@/api/client';
import { pathKey, withValue } from '@/lib/json';
import { AnswerNote } from '@/sheet/AnswerNote';
import { CutButton, CutPanel, textsOf } from '@/sheet/CutPanel';
import { FieldSheet } from '@/sheet/FieldSheet';
import type { FieldRow, Sheet } from '@/sheet/model';
import { TryOutcome } from '@/sheet/TryOutcome';
import { useCutRows } from '@/sheet/useCutRows';
import { useTry } from '@/sheet/useTry';
import { Wire } from '@/wire/Wire';
import type { Picked } from '../live/model';
import { BindingCell } from './BindingCell';
import { filledBy, pickOf, rowOf, shownAs, usedRows } from './model';

interface Props {
  page: Page;
  call: PageCall;
  operation: Operation;
  picked: Picked | undefined;
  onPick: (picked: Picked) => void;
  onEdit: (edit: AppEdit) => void;
}

/** Single fields can be used, and repeated groups, which become tables. */
const canTick = (row: FieldRow) =>
  row.field.kind === 'scalar' ||
  (row.side === 'out' && row.field.repeats && row.field.kind !== 'open');

/** The paths of everything that a call shows. */
function returnedPaths(call: PageCall) {
  return call.comesBack.flatMap(({ source }) => (source.kind === 'returned' ? [source.path] : []));
}

/** The field sheet of a call: what fills its parameters, and where what comes back is shown. */
export function CallSheet({ page, call, operation, picked, onPick, onEdit }: Props) {
  const attempt = useTry(operation, call.endpoint);
  const [wireOpen, setWireOpen] = useState(false);
  const [cutting, setCutting] = useState(false);
  const paths = useMemo(() => returnedPaths(call), [call]);
  const { rows, derived } = useCutRows(operation.comesBack, attempt.answer, paths);
  const sheet: Sheet = useMemo(() => {
    let parameters = attempt.parameters;
    for (const mapping of call.goesIn) {
      if (mapping.source.kind === 'fixed' && mapping.target.kind === 'parameter') {
        parameters = withValue(parameters, mapping.target.path, mapping.source.text);
      }
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
  const where = { page: page.id, call: call.id };
  const use = (row: FieldRow) => {
    if (row.side === 'out') {
      onEdit({ kind: 'useField', ...where, path: row.field.path, used: !row.used });
    } else if (row.used) {
      onEdit({ kind: 'fillParameter', ...where, path: row.field.path });
    } else {
      onEdit({
        kind: 'fillParameter',
        ...where,
        path: row.field.path,
        source: { kind: 'entered', input: row.field.name },
      });
    }
  };
  const move = (row: FieldRow, by: number) => {
    const target = pickOf(page, call, row);
    if (target?.item)
      onEdit({ kind: 'moveItem', page: page.id, part: target.part, item: target.item, by });
  };
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', height: '100%', minHeight: 240 }}>
      <Box sx={{ flex: 1, minHeight: 0 }}>
        <FieldSheet
          label={`Fields of ${operation.name}`}
          sheet={sheet}
          note={<AnswerNote attempt={attempt} />}
          columns={{
            goesIn: 'filled from',
            comesBack: 'shown as',
            cell: (row) => (
              <BindingCell
                row={row}
                page={page}
                where={where}
                source={filledBy(call, row.field.path)}
                shown={row.side === 'out' ? shownAs(page, call, row.field.path) : undefined}
                onEdit={onEdit}
              />
            ),
          }}
          lit={new Set(lit ? [lit] : [])}
          canTick={canTick}
          isFixed={(row) => filledBy(call, row.field.path)?.kind === 'fixed'}
          onUse={use}
          onMove={move}
          onActive={(row) => {
            const target = pickOf(page, call, row);
            if (target) onPick(target);
          }}
          onParameter={attempt.setParameter}
          onRemove={attempt.removeItem}
          onSend={attempt.send}
          tools={
            <>
              <Box component="strong" sx={{ mr: 1 }}>
                {operation.name}
              </Box>
              <Button
                variant="outlined"
                disabled={attempt.pending}
                onClick={attempt.send}
                title="Ctrl+Enter"
              >
                {attempt.pending ? 'Sending…' : 'Send'}
              </Button>
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
        <TryOutcome attempt={attempt} />
        {cutting && (
          <CutPanel
            fields={operation.comesBack}
            answer={attempt.answer}
            used={new Set(paths.map(pathKey))}
            onUse={(path, used) => {
              onEdit({ kind: 'useField', ...where, path, used });
            }}
          />
        )}
        {wireOpen && attempt.sent && <Wire exchange={attempt.sent.exchange} />}
      </Box>
    </Box>
  );
}
