import Box from '@mui/material/Box';
import Dialog from '@mui/material/Dialog';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useId, useRef, useState } from 'react';
import type { AppEdit, ModelRow, ModelType, ValueList } from '@/api/client';
import { DerivedForm } from '../derived/DerivedForm';
import { FieldDetail } from './FieldDetail';
import { FieldLine, TEMPLATE } from './FieldLine';
import { rowId, setEdit } from './rows';

interface Props {
  app: string;
  type: ModelType;
  lists: ValueList[];
  rows: ModelRow[];
  ticked: ReadonlySet<string>;
  onTicked: (ticked: ReadonlySet<string>) => void;
  onEdit: (edit: AppEdit) => void;
}

const ROW = 30;
const PAGE = 15;

/** Where a key of the grid leads to from a row. */
function moved(key: string, from: number, count: number): number | undefined {
  const by: Record<string, number> = {
    ArrowDown: 1,
    ArrowUp: -1,
    PageDown: PAGE,
    PageUp: -PAGE,
    Home: -count,
    End: count,
  };
  const step = by[key];
  return step === undefined ? undefined : Math.min(count - 1, Math.max(0, from + step));
}

function Pager({
  words,
  label,
  disabled,
  onPress,
}: {
  words: string;
  label: string;
  disabled: boolean;
  onPress: () => void;
}) {
  return (
    <Box
      component="button"
      type="button"
      aria-label={label}
      disabled={disabled}
      onClick={onPress}
      sx={{ font: 'inherit', border: 0, bgcolor: 'transparent', px: 0.75, cursor: 'pointer' }}
    >
      {words}
    </Box>
  );
}

/** The fields of a record type, row by row, with their values in a sample. */
export function FieldGrid({ app, type, lists, rows, ticked, onTicked, onEdit }: Props) {
  const [active, setActive] = useState(0);
  const [sample, setSample] = useState(0);
  const [deriving, setDeriving] = useState<ModelRow>();
  const scroller = useRef<HTMLDivElement>(null);
  const baseId = useId();
  const samples = Math.max(...type.rows.map(({ shown }) => shown.length), 0);
  // eslint-disable-next-line react-hooks/incompatible-library -- its rows are plain values
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 12,
  });
  const tick = (row: ModelRow) => {
    const next = new Set(ticked);
    if (!next.delete(rowId(row))) next.add(rowId(row));
    onTicked(next);
  };
  const at = Math.min(active, rows.length - 1);
  const press = (event: React.KeyboardEvent<HTMLElement>) => {
    const row = rows[at];
    if (event.target !== event.currentTarget || !row) return;
    const to = event.altKey ? undefined : moved(event.key, at, rows.length);
    if (to !== undefined) {
      setActive(to);
      virtual.scrollToIndex(to);
    } else if (event.key === ' ') {
      tick(row);
    } else if (event.key === 'Enter') {
      document
        .getElementById(`${baseId}-${at}`)
        ?.querySelector<HTMLElement>('[data-edit]')
        ?.click();
    } else if (event.key === 'h') {
      onEdit(setEdit(type.id, row, { hidden: !row.look.hidden }));
    } else if (event.key === 'p') {
      onEdit(setEdit(type.id, row, { personal: !row.look.personal }));
    } else if (event.altKey && (event.key === 'PageDown' || event.key === 'PageUp')) {
      setSample(Math.min(samples - 1, Math.max(0, sample + (event.key === 'PageDown' ? 1 : -1))));
    } else return;
    event.preventDefault();
  };
  return (
    <>
      <Box ref={scroller} sx={{ flex: 1, minHeight: 0, overflow: 'auto' }}>
        <Box
          role="grid"
          aria-label={`Fields of ${type.name}`}
          aria-rowcount={rows.length + 1}
          aria-activedescendant={rows.length > 0 ? `${baseId}-${at}` : undefined}
          tabIndex={0}
          onKeyDown={press}
          sx={{ minWidth: 860, outlineOffset: -2 }}
        >
          <Box
            role="row"
            sx={{
              display: 'grid',
              gridTemplateColumns: TEMPLATE,
              position: 'sticky',
              top: 0,
              zIndex: 1,
              bgcolor: 'background.default',
              borderBottom: '1px solid',
              borderColor: 'text.secondary',
              fontSize: 12,
              color: 'text.secondary',
              '& > *': { px: 0.75, py: 0.5, whiteSpace: 'nowrap' },
            }}
          >
            {['field', 'label', 'type', 'shown as', 'unit', 'words from', 'is'].map((words) => (
              <Box key={words} role="columnheader">
                {words}
              </Box>
            ))}
            <Box role="columnheader">
              value
              {samples > 1 && (
                <>
                  <Pager
                    words="‹"
                    label="Previous sample"
                    disabled={sample === 0}
                    onPress={() => {
                      setSample(sample - 1);
                    }}
                  />
                  {sample + 1} of {samples}
                  <Pager
                    words="›"
                    label="Next sample"
                    disabled={sample >= samples - 1}
                    onPress={() => {
                      setSample(sample + 1);
                    }}
                  />
                </>
              )}
            </Box>
            <Box role="columnheader">used at</Box>
          </Box>
          <Box sx={{ position: 'relative', height: virtual.getTotalSize() }} role="presentation">
            {virtual.getVirtualItems().map((item) => {
              const row = rows[item.index];
              return (
                row && (
                  <Box
                    key={rowId(row)}
                    role="presentation"
                    sx={{ position: 'absolute', insetInline: 0, top: item.start }}
                  >
                    <FieldLine
                      id={`${baseId}-${item.index}`}
                      app={app}
                      type={type}
                      lists={lists}
                      row={row}
                      sample={sample}
                      active={item.index === at}
                      ticked={ticked.has(rowId(row))}
                      onTick={tick}
                      onActive={() => {
                        setActive(item.index);
                      }}
                      onDerive={setDeriving}
                      onEdit={onEdit}
                    />
                  </Box>
                )
              );
            })}
          </Box>
        </Box>
      </Box>
      {rows[at] && (
        <FieldDetail
          row={rows[at]}
          samples={type.samples}
          onSet={(change) => {
            if (rows[at]) onEdit(setEdit(type.id, rows[at], change));
          }}
          onEdit={onEdit}
          onDerive={() => {
            setDeriving(rows[at]);
          }}
          onRemove={() => {
            if (rows[at]) {
              onEdit({ kind: 'removeDerivedField', type: type.id, name: rows[at].name });
            }
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
            field={deriving.ref}
            {...(deriving.rule ? { known: { name: deriving.name, rule: deriving.rule } } : {})}
            onEdit={onEdit}
            onDone={() => {
              setDeriving(undefined);
            }}
          />
        )}
      </Dialog>
    </>
  );
}
