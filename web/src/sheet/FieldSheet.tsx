import Box from '@mui/material/Box';
import { useVirtualizer } from '@tanstack/react-virtual';
import { type ReactNode, useId, useMemo, useReducer, useRef, useState } from 'react';
import type { Json } from '@/api/client';
import { type Path, pathKey, type Steps } from '@/lib/json';
import {
  changeView,
  type FieldRow,
  type HeadRow,
  type Row,
  type Sheet,
  startView,
  visibleRows,
} from './model';
import { moveBy, type SheetKeys, sheetKey } from './keys';
import { SheetRow } from './SheetRow';
import { SheetTools } from './SheetTools';

export interface SheetColumns {
  /** What stands over the column that says where a field is filled from or shown. */
  goesIn: string;
  comesBack: string;
  cell: (row: FieldRow) => ReactNode;
}

interface Props {
  label: string;
  sheet: Sheet;
  /** Where the values of the answer come from, to stand over them. */
  note: ReactNode;
  /** What ticks mean for parameters, to stand over them. */
  ticksNote?: string | undefined;
  columns?: SheetColumns;
  tools?: ReactNode;
  height?: number | string;
  lit?: ReadonlySet<string>;
  canTick: (row: FieldRow) => boolean;
  isFixed?: (row: FieldRow) => boolean;
  onUse: (row: FieldRow) => void;
  /** Puts in a value, where parameters repeat into the item that is looked at. */
  onParameter: (path: Path, value: Json, steps: Steps) => void;
  /** Takes out the looked-at item of a repeated parameter. */
  onRemove: (path: Path, steps: Steps) => void;
  onMove?: (row: FieldRow, by: number) => void;
  onActive?: (row: FieldRow) => void;
  onSend?: (() => void) | undefined;
  /** What a row is dragged as; nothing for one that cannot be dragged. */
  dragText?: (row: FieldRow) => string | undefined;
  /** Something that takes a field was dropped on its row. */
  onTaken?: (row: FieldRow, taking: string) => void;
}

const WITH_BINDING =
  'minmax(150px, 2fr) minmax(0, 82px) minmax(0, 1.2fr) minmax(120px, 1.3fr) minmax(120px, 1.4fr)';
const PLAIN = 'minmax(210px, 1.5fr) 100px minmax(0, 1.5fr) 0 minmax(170px, 1.3fr)';
const ROW = 28;

const noop = () => undefined;
const nothingLit: ReadonlySet<string> = new Set();

function Head({
  row,
  template,
  note,
  title,
  words,
  alone,
}: {
  row: HeadRow;
  template: string;
  alone: Sheet['alone'];
  note: ReactNode;
  title: string;
  words: string | undefined;
}) {
  const goesIn = row.side === 'in' && alone !== 'out';
  return (
    <Box
      role="row"
      aria-level={1}
      sx={{
        display: 'grid',
        gridTemplateColumns: template,
        height: ROW,
        alignItems: 'end',
        pb: '3px',
        borderBottom: '1px solid',
        borderColor: 'text.secondary',
        bgcolor: 'background.default',
        fontSize: 12,
        color: 'text.secondary',
        '& > *': { px: 0.75, overflow: 'hidden', whiteSpace: 'nowrap', textOverflow: 'ellipsis' },
      }}
    >
      <Box
        role="gridcell"
        sx={{ color: goesIn ? 'goesIn' : 'comesBack', fontWeight: 700, letterSpacing: 0.6 }}
      >
        {goesIn ? '▸ GOES IN' : '◂ COMES BACK'}
      </Box>
      <Box role="gridcell" className="type">
        {row.fields === 0 ? 'nothing' : 'type'}
      </Box>
      <Box role="gridcell" className="words" title={words}>
        {words}
      </Box>
      <Box role="gridcell" className="binding">
        {title}
      </Box>
      <Box role="gridcell">value {note}</Box>
    </Box>
  );
}

/** Rows of fields with live values beside them: to try, to pick from, to map. */
export function FieldSheet(props: Props) {
  const { sheet, columns } = props;
  const [view, onView] = useReducer(changeView, startView);
  const [activeKey, setActiveKey] = useState<string>();
  const scroller = useRef<HTMLDivElement>(null);
  const grid = useRef<HTMLDivElement>(null);
  const baseId = useId();
  const rows = useMemo(() => visibleRows(sheet, view), [sheet, view]);
  const activeIndex = rows.findIndex((row) => row.key === activeKey);
  // The virtualizer hands out fresh functions; its rows are plain values that the compiler may not cache.
  // eslint-disable-next-line react-hooks/incompatible-library
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 12,
  });
  const template = columns ? WITH_BINDING : PLAIN;
  const rowId = (index: number) => `${baseId}-${index}`;
  const activate = (row: Row | undefined) => {
    if (row?.kind !== 'field') return;
    setActiveKey(row.key);
    props.onActive?.(row);
  };
  /** Where a parameter goes, in the list that it stands in itself too. */
  const itemSteps = (row: FieldRow): Steps =>
    row.field.repeats ? { ...view.asked, [pathKey(row.field.path)]: row.at } : view.asked;
  const remove = (row: FieldRow) => {
    if (props.isFixed?.(row)) return;
    props.onRemove(row.field.path, itemSteps(row));
    onView({ type: 'step', side: 'in', path: row.field.path, to: Math.max(0, row.at - 1) });
  };
  const keys: SheetKeys = {
    rows,
    activeIndex,
    onActivate: (index) => {
      activate(rows[index]);
      virtual.scrollToIndex(index);
    },
    onView,
    onUse: (row) => {
      if (props.canTick(row)) props.onUse(row);
    },
    onEdit: (index) =>
      document.getElementById(rowId(index))?.querySelector<HTMLElement>('[data-edit]'),
    onFind: () => grid.current?.closest('[data-sheet]')?.querySelector<HTMLElement>('[data-find]'),
    onRemove: remove,
    onMove: props.onMove ?? noop,
    onSend: props.onSend ?? noop,
  };
  return (
    <Box
      data-sheet
      sx={{
        display: 'flex',
        flexDirection: 'column',
        height: props.height ?? '100%',
        minHeight: 0,
        containerType: 'inline-size',
      }}
    >
      <SheetTools
        view={view}
        onView={onView}
        onLeave={() => grid.current?.focus()}
        ticks={!sheet.alone}
      >
        {props.tools}
      </SheetTools>
      <Box
        ref={scroller}
        sx={{
          flex: 1,
          minHeight: 0,
          overflow: 'auto',
          borderTop: '1px solid',
          borderColor: 'divider',
          '@container (max-width: 700px)': {
            '& .words': { visibility: 'hidden' },
            '& [role=row]': {
              gridTemplateColumns: columns
                ? 'minmax(140px, 2fr) minmax(0, 78px) 0 minmax(110px, 1.4fr) minmax(110px, 1.4fr)'
                : undefined,
            },
          },
        }}
      >
        <Box
          ref={grid}
          role="treegrid"
          aria-label={props.label}
          aria-rowcount={rows.length}
          aria-activedescendant={activeIndex < 0 ? undefined : rowId(activeIndex)}
          tabIndex={0}
          onKeyDown={(event) => {
            if (sheetKey(event, keys)) event.preventDefault();
          }}
          onFocus={(event) => {
            if (event.target === event.currentTarget && activeIndex < 0)
              activate(rows[moveBy(rows, -1, 1)]);
          }}
          sx={{
            position: 'relative',
            height: virtual.getTotalSize(),
            minWidth: columns ? 440 : 480,
          }}
        >
          {virtual.getVirtualItems().map((item) => {
            const row = rows[item.index];
            if (!row) return null;
            return (
              <Box
                key={row.key}
                role="presentation"
                sx={{ position: 'absolute', insetInline: 0, top: item.start }}
              >
                {row.kind === 'head' ? (
                  <Head
                    row={row}
                    template={template}
                    alone={sheet.alone}
                    note={row.side === 'in' ? null : props.note}
                    words={row.side === 'in' ? props.ticksNote : undefined}
                    title={(row.side === 'in' ? columns?.goesIn : columns?.comesBack) ?? ''}
                  />
                ) : (
                  <SheetRow
                    id={rowId(item.index)}
                    row={row}
                    index={item.index}
                    active={item.index === activeIndex}
                    lit={(props.lit ?? nothingLit).has(row.key)}
                    template={template}
                    tickable={props.canTick(row)}
                    dragText={props.dragText?.(row)}
                    onTaken={props.onTaken}
                    binding={columns?.cell(row)}
                    fixedValue={props.isFixed?.(row) ?? false}
                    onView={onView}
                    onUse={props.onUse}
                    onActivate={() => {
                      activate(row);
                    }}
                    onParameter={(changed, value) => {
                      props.onParameter(changed.field.path, value, itemSteps(changed));
                    }}
                    onRemove={remove}
                  />
                )}
              </Box>
            );
          })}
        </Box>
      </Box>
    </Box>
  );
}
