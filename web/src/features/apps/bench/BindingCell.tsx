import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { AppEdit, Bench, BenchItem, Choice, FieldView, PageCall } from '@/api/client';
import { InlineEdit } from '@/ui/InlineEdit';
import { startsWith } from '@/lib/json';
import { AS_GIVEN, type FieldRow } from '@/sheet/model';
import { changeEdit, differs, filledBy, isAskable, itemOf, parameterSlot, shownAs } from './model';
import { OnlyHere } from './OnlyHere';
import { ShowIn } from './ShowIn';
import { SourcePicker } from './SourcePicker';

export interface BindingPlace {
  /** What the operation takes, where that is what is filled. */
  fields: FieldView[];
  app: string;
  page: string;
  bench: Bench;
  call: PageCall;
  onEdit: (edit: AppEdit) => void;
}

/** Where it is one of several things, what they are called. */
function alternativesOf(field: FieldView, fields: FieldView[]): Choice[] | undefined {
  if (field.kind !== 'oneOf') return undefined;
  return fields
    .filter(({ path }) => path.length === field.path.length + 1 && startsWith(path, field.path))
    .map(({ name, label }) => ({ code: name, words: label ?? name }));
}

function FilledFrom({ row, place }: { row: FieldRow; place: BindingPlace }) {
  const { app, page, call, onEdit } = place;
  const filled = filledBy(call, row.field.path);
  const slot = parameterSlot(page, call.id, row.field.path);
  const alternatives = alternativesOf(row.field, place.fields);
  const picker = (
    <SourcePicker
      app={app}
      page={page}
      slot={slot}
      label={`${row.field.name} filled from`}
      words={filled?.words ?? ''}
      source={filled?.source}
      empty={row.empty === AS_GIVEN ? AS_GIVEN : 'left out'}
      onFill={(source) => {
        onEdit({ kind: 'fillSlot', slot, ...(source ? { source } : {}) });
      }}
      among={alternatives}
      onAsk={
        isAskable(row.field)
          ? () => {
              onEdit({ kind: 'fillFromInput', page, call: call.id, parameter: row.field.path });
            }
          : undefined
      }
    />
  );
  if (!filled?.likely) return picker;
  const { source } = filled;
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', minWidth: 0, width: '100%' }}>
      {picker}
      <Button
        aria-label={`${row.field.name} was paired because it is likely: ${filled.likely}. It belongs there`}
        title={`Likely: ${filled.likely}. Press if it belongs there.`}
        onClick={() => {
          onEdit({ kind: 'fillSlot', slot, source });
        }}
        sx={{ minWidth: 0, px: 0.75, py: 0, flex: 'none' }}
      >
        likely ✓
      </Button>
    </Box>
  );
}

function ShownAs({ row, place, item }: { row: FieldRow; place: BindingPlace; item: BenchItem }) {
  const { page, onEdit } = place;
  const commit = (label: string) => {
    onEdit(
      item.item === undefined
        ? { kind: 'fillSlot', slot: item.slot, source: { kind: 'fixed', text: label } }
        : changeEdit(page, item, { label }),
    );
  };
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 0.5, minWidth: 0, width: '100%' }}>
      <InlineEdit
        value={item.label}
        prefix={`${item.item === undefined ? 'table' : item.kind} ·`}
        placeholder="no heading"
        label={`Label of ${row.field.name}`}
        onCommit={commit}
      />
      {item.item !== undefined && (differs(item) || Object.keys(item.set).length > 0) && (
        <OnlyHere page={page} item={item} onEdit={onEdit} />
      )}
    </Box>
  );
}

/** Where a parameter is filled from, or what a returned field is shown as. */
export function BindingCell({ row, place }: { row: FieldRow; place: BindingPlace }) {
  if (row.side === 'in') return <FilledFrom row={row} place={place} />;
  const shown = shownAs(place.call, row.field.path);
  if (!shown) return <ShowIn row={row} place={place} />;
  const item = itemOf(place.bench, {
    part: shown.part,
    ...(shown.item === undefined ? {} : { item: shown.item }),
  });
  return item ? <ShownAs row={row} place={place} item={item} /> : null;
}
