import Box from '@mui/material/Box';
import { memo, type ReactNode } from 'react';
import type { Json } from '@/api/client';
import { DRAGGED, TAKING } from '@/lib/drag';
import { MONO } from '@/ui/fonts';
import { Mark } from '@/ui/Mark';
import { ItemTools } from './ItemTools';
import { type FieldRow, isTyped, type ViewAction } from './model';
import { Stepper } from './Stepper';
import { ValueInput } from './ValueInput';
import { ValueText } from './ValueText';

interface Props {
  id: string;
  row: FieldRow;
  index: number;
  active: boolean;
  lit: boolean;
  template: string;
  tickable: boolean;
  dragText: string | undefined;
  /** Something that takes the field was dropped on it. */
  onTaken: ((row: FieldRow, taking: string) => void) | undefined;
  binding: ReactNode;
  fixedValue: boolean;
  onView: (action: ViewAction) => void;
  onUse: (row: FieldRow) => void;
  onActivate: (key: string) => void;
  onParameter: (row: FieldRow, value: Json) => void;
  onRemove: (row: FieldRow) => void;
}

const cell = {
  display: 'flex',
  alignItems: 'center',
  minWidth: 0,
  px: 0.75,
  whiteSpace: 'nowrap',
  overflow: 'hidden',
} as const;

function Twisty({ row, onView }: Pick<Props, 'row' | 'onView'>) {
  if (row.open === undefined) return <Box component="span" sx={{ width: 16, flex: 'none' }} />;
  return (
    <Box
      component="button"
      type="button"
      tabIndex={-1}
      aria-label={`${row.open ? 'Shut' : 'Open'} ${row.field.name}`}
      onClick={() => {
        onView({ type: 'toggle', key: row.key });
      }}
      sx={{
        width: 16,
        p: 0,
        border: 0,
        background: 'none',
        color: 'text.secondary',
        font: 'inherit',
        cursor: 'pointer',
        flex: 'none',
      }}
    >
      {row.open ? '−' : '+'}
    </Box>
  );
}

function NameCell({
  row,
  onView,
  onUse,
  tickable,
  dragText,
}: Pick<Props, 'row' | 'onView' | 'onUse' | 'tickable' | 'dragText'>) {
  const { field } = row;
  return (
    <Box
      role="gridcell"
      sx={{ ...cell, pl: `${4 + (row.level - 1) * 16}px`, gap: 0.5 }}
      title={field.documentation}
      draggable={dragText !== undefined}
      onDragStart={(event) => {
        if (dragText !== undefined) event.dataTransfer.setData(DRAGGED, dragText);
      }}
    >
      <Mark side={row.shownAs} />
      <Twisty row={row} onView={onView} />
      {tickable && (
        <Box
          component="input"
          type="checkbox"
          tabIndex={-1}
          aria-label={`Use ${field.name}`}
          checked={row.used}
          onChange={() => {
            onUse(row);
          }}
          sx={{ m: 0, accentColor: 'var(--mui-palette-primary-main)', flex: 'none' }}
        />
      )}
      <Box
        component="span"
        sx={{
          fontFamily: MONO,
          fontSize: 12.5,
          overflow: 'hidden',
          textOverflow: 'ellipsis',
          fontWeight: row.used ? 700 : 400,
        }}
      >
        {field.derived ? <em>{field.name}</em> : field.name}
      </Box>
      {row.items !== undefined && (
        <Box component="span" sx={{ color: row.shownAs === 'in' ? 'goesIn' : 'comesBack' }}>
          ×{row.items.toLocaleString('en')}
        </Box>
      )}
      {field.required && row.side === 'in' && (
        <Box component="span" title="required" sx={{ color: 'goesIn' }}>
          *
        </Box>
      )}
      {(field.recursive || field.more) && (
        <Box component="span" sx={{ color: 'text.secondary', fontSize: 12 }}>
          {field.recursive ? 'holds itself again' : 'goes deeper'}
        </Box>
      )}
    </Box>
  );
}

/** What people call it on pages, where that is more than its name, and what the description says. */
function labelled({ label, name, documentation }: FieldRow['field']) {
  const plain = label === undefined || label.toLowerCase() === name.toLowerCase();
  return plain ? documentation : [label, documentation].filter((words) => words !== '').join(' · ');
}

/** One field: its name in the tree, type, description, binding and value. */
export const SheetRow = memo(function SheetRow(props: Props) {
  const { row, active, lit } = props;
  const { field } = row;
  const editable = row.side === 'in' && isTyped(row);
  const step = (to: number) => {
    props.onView({ type: 'step', side: row.side, path: field.path, to });
  };
  return (
    <Box
      id={props.id}
      role="row"
      aria-level={row.level + 1}
      aria-rowindex={props.index + 1}
      aria-expanded={row.open}
      aria-selected={active}
      onMouseDown={() => {
        props.onActivate(row.key);
      }}
      onDragOver={(event) => {
        if (props.onTaken && event.dataTransfer.types.includes(TAKING)) event.preventDefault();
      }}
      onDrop={(event) => {
        const taking = event.dataTransfer.getData(TAKING);
        if (!props.onTaken || taking === '') return;
        event.preventDefault();
        props.onTaken(row, taking);
      }}
      sx={{
        display: 'grid',
        gridTemplateColumns: props.template,
        height: 28,
        borderBottom: '1px solid',
        borderColor: 'line',
        bgcolor: active || lit ? 'shallow' : undefined,
        boxShadow: active ? 'inset 3px 0 0 var(--mui-palette-primary-main)' : undefined,
        '&:hover': { bgcolor: 'shallow' },
      }}
    >
      <NameCell
        row={row}
        onView={props.onView}
        onUse={props.onUse}
        tickable={props.tickable}
        dragText={props.dragText}
      />
      <Box role="gridcell" className="type" sx={{ ...cell, color: 'text.secondary' }}>
        {field.type}
      </Box>
      <Box role="gridcell" className="words" sx={{ ...cell, color: 'text.secondary' }}>
        <Box
          component="span"
          title={field.documentation}
          sx={{ overflow: 'hidden', textOverflow: 'ellipsis' }}
        >
          {labelled(field)}
        </Box>
      </Box>
      <Box role="gridcell" className="binding" sx={cell}>
        {props.binding}
      </Box>
      <Box role="gridcell" sx={cell}>
        {editable && (
          <ValueInput
            row={row}
            readOnly={props.fixedValue}
            onChange={(value) => {
              props.onParameter(row, value);
            }}
          />
        )}
        {!editable && row.items === undefined && <ValueText row={row} />}
        {row.side === 'out' && row.items !== undefined && (
          <Stepper row={row} steps={row.loaded} onStep={step} />
        )}
        {row.side === 'in' && row.items !== undefined && !props.fixedValue && (
          <ItemTools
            row={row}
            onStep={step}
            onRemove={() => {
              props.onRemove(row);
            }}
          />
        )}
      </Box>
    </Box>
  );
});
