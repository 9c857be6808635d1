import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { AppEdit, ModelRow, ModelType } from '@/api/client';
import { valueAt } from '@/lib/json';
import { InlineEdit } from '@/ui/InlineEdit';

interface Props {
  row: ModelRow;
  samples: ModelType['samples'];
  onSet: (change: ModelRow['set']) => void;
  onEdit: (edit: AppEdit) => void;
  /** Changes what a field is derived by, or derives another one from it. */
  onDerive: () => void;
  onRemove: () => void;
}

/** The codes of a field: those its description lists, or else those that come again in the samples. */
function codes({ look, path }: ModelRow, samples: ModelType['samples']) {
  if (look.choices.length > 0) return look.choices;
  const values = samples.map((sample) => valueAt(sample, path, {}));
  const plain = values.filter(isPlain);
  const seen = new Set(plain.map(String));
  if (seen.size === plain.length) return [];
  return [...seen].map((code) => ({ code, words: code }));
}

const isPlain = (value: unknown) =>
  typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean';

/** What is decided of a field beside what its row has room for. */
export function FieldDetail({ row, samples, onSet, onEdit, onDerive, onRemove }: Props) {
  const { look, name } = row;
  const items = row.kind === 'scalar' && row.set.list === undefined ? codes(row, samples) : [];
  return (
    <Box
      component="section"
      aria-label={`More about ${name}`}
      sx={{
        display: 'flex',
        gap: 3,
        alignItems: 'baseline',
        flexWrap: 'wrap',
        px: 2,
        py: 1,
        borderTop: '1px solid',
        borderColor: 'divider',
        color: 'text.secondary',
      }}
    >
      <Box component="strong" sx={{ color: 'text.primary' }}>
        {look.label}
      </Box>
      <span>
        help{' '}
        <InlineEdit
          value={look.help}
          label={`Help for ${name}`}
          placeholder="none"
          onCommit={(help) => {
            onSet({ help });
          }}
        />
      </span>
      <span>
        where empty{' '}
        <InlineEdit
          value={look.empty}
          label={`Words where ${name} is empty`}
          placeholder="nothing"
          onCommit={(empty) => {
            onSet({ empty });
          }}
        />
      </span>
      <span>
        place in its type{' '}
        <InlineEdit
          value={look.order === undefined ? '' : String(look.order)}
          label={`Place of ${name}`}
          placeholder="as described"
          onCommit={(words) => {
            const order = Number.parseInt(words, 10);
            onSet(Number.isNaN(order) ? { order: undefined } : { order });
          }}
        />
      </span>
      {row.documentation && <span>described as: {row.documentation}</span>}
      {row.kind !== 'record' && (
        <Button onClick={onDerive}>{row.rule ? 'Change' : 'Derive a field'}</Button>
      )}
      {row.rule && <Button onClick={onRemove}>Remove</Button>}
      {items.length > 1 && (
        <Button
          onClick={() => {
            onEdit({ kind: 'putValueList', name: look.label, items, words: row.ref });
          }}
        >
          Make a value list of its {items.length} values
        </Button>
      )}
    </Box>
  );
}
