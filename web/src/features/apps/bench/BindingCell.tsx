import Box from '@mui/material/Box';
import type { AppEdit, Page, Source } from '@/api/client';
import { AS_GIVEN, type FieldRow } from '@/sheet/model';
import { InlineEdit } from '@/ui/InlineEdit';
import { inputsOf, type Shown } from './model';

interface Props {
  row: FieldRow;
  page: Page;
  where: { page: string; call: string };
  source: Source | undefined;
  shown: Shown | undefined;
  onEdit: (edit: AppEdit) => void;
}

const LEFT_OUT = 'left out';
const FIXED = 'fixed';
const NEW = 'new';

function FilledFrom({ row, page, where, source, onEdit }: Props) {
  const path = row.field.path;
  const fill = (next: Source | undefined) => {
    onEdit({ kind: 'fillParameter', ...where, path, ...(next ? { source: next } : {}) });
  };
  const value =
    source === undefined ? LEFT_OUT : source.kind === 'entered' ? `input:${source.input}` : FIXED;
  return (
    <Box sx={{ display: 'flex', gap: 0.75, minWidth: 0, width: '100%' }}>
      <Box
        component="select"
        aria-label={`${row.field.name} filled from`}
        value={value}
        onKeyDown={(event: React.KeyboardEvent) => {
          event.stopPropagation();
        }}
        onChange={(event: React.ChangeEvent<HTMLSelectElement>) => {
          const chosen = event.target.value;
          if (chosen === LEFT_OUT) fill(undefined);
          else if (chosen === FIXED)
            fill({ kind: 'fixed', text: typeof row.value === 'string' ? row.value : '' });
          else
            fill({
              kind: 'entered',
              input: chosen === NEW ? `new ${row.field.name}` : chosen.slice('input:'.length),
            });
        }}
        sx={{
          font: 'inherit',
          fontSize: 12.5,
          height: 24,
          minWidth: 0,
          flex: source?.kind === 'fixed' ? 'none' : 1,
          color: source ? 'text.primary' : 'text.secondary',
          border: '1px solid',
          borderColor: 'divider',
          borderRadius: '3px',
          bgcolor: 'background.paper',
          textOverflow: 'ellipsis',
        }}
      >
        <option value={LEFT_OUT}>
          {row.empty === AS_GIVEN ? `— ${AS_GIVEN} —` : '— left out —'}
        </option>
        {inputsOf(page).map(({ input }) => (
          <option key={input.id} value={`input:${input.id}`}>
            {input.label} (form)
          </option>
        ))}
        {source?.kind !== 'entered' && <option value={NEW}>a new form field</option>}
        <option value={FIXED}>fixed</option>
      </Box>
      {source?.kind === 'fixed' && (
        <InlineEdit
          value={source.text}
          label={`Fixed value of ${row.field.name}`}
          placeholder="nothing"
          onCommit={(text) => {
            fill({ kind: 'fixed', text });
          }}
        />
      )}
    </Box>
  );
}

/** Where a parameter is filled from, or what a returned field is shown as. */
export function BindingCell(props: Props) {
  const { row, shown, where, onEdit } = props;
  if (row.side === 'in') return row.field.kind === 'scalar' ? <FilledFrom {...props} /> : null;
  if (!shown) return null;
  const words = shown.item ? shown.item.label : shown.part.label;
  const kind = shown.item
    ? shown.part.kind === 'table'
      ? `column ${shown.position + 1}`
      : `line ${shown.position + 1}`
    : 'table';
  return (
    <InlineEdit
      value={words}
      prefix={`${kind} ·`}
      placeholder="no heading"
      label={`Label of ${row.field.name}`}
      onCommit={(label) => {
        onEdit({
          kind: 'relabel',
          page: where.page,
          part: shown.part.id,
          ...(shown.item ? { item: shown.item.id } : {}),
          label,
        });
      }}
    />
  );
}
