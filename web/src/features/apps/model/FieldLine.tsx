import Box from '@mui/material/Box';
import { Link } from 'react-router';
import type { AppEdit, ModelRow, ModelType, ValueList } from '@/api/client';
import { InlineEdit } from '@/ui/InlineEdit';
import { MONO } from '@/ui/fonts';
import { FormatMenu } from '../look/FormatMenu';
import { pairsFor, setEdit } from './rows';

/** field, label, type, shown as, unit, words, marks, value, used at */
export const TEMPLATE =
  'minmax(130px, 1.5fr) minmax(100px, 1.2fr) 84px 116px 40px 92px 158px minmax(90px, 1.2fr) minmax(84px, 1fr)';

interface Props {
  id: string;
  app: string;
  type: ModelType;
  lists: ValueList[];
  row: ModelRow;
  sample: number;
  active: boolean;
  ticked: boolean;
  onTick: (row: ModelRow) => void;
  onActive: () => void;
  onDerive: (row: ModelRow) => void;
  onEdit: (edit: AppEdit) => void;
}

const cell = {
  display: 'flex',
  alignItems: 'center',
  minWidth: 0,
  px: 0.75,
  overflow: 'hidden',
  whiteSpace: 'nowrap',
} as const;

const plain = {
  font: 'inherit',
  fontSize: 12,
  color: 'inherit',
  background: 'none',
  border: 0,
  p: 0,
  cursor: 'pointer',
} as const;

const small = {
  font: 'inherit',
  fontSize: 12,
  color: 'text.primary',
  border: '1px solid',
  borderColor: 'divider',
  borderRadius: '3px',
  bgcolor: 'background.paper',
  maxWidth: '100%',
} as const;

/** What a field is besides a value: pressed where it is so. */
function Mark({
  words,
  title,
  on,
  onPress,
}: {
  words: string;
  title?: string;
  on: boolean;
  onPress: () => void;
}) {
  return (
    <Box
      component="button"
      type="button"
      tabIndex={-1}
      aria-pressed={on}
      title={title}
      onClick={onPress}
      sx={{
        ...plain,
        mr: 0.75,
        color: on ? 'primary.main' : 'text.secondary',
        fontWeight: on ? 700 : 400,
        textDecoration: on ? 'underline' : 'none',
      }}
    >
      {words}
    </Box>
  );
}

function NameCell({
  row,
  ticked,
  onTick,
  onDerive,
}: Pick<Props, 'row' | 'ticked' | 'onTick' | 'onDerive'>) {
  return (
    <Box role="gridcell" sx={{ ...cell, gap: 0.75 }} title={row.documentation}>
      <input
        type="checkbox"
        tabIndex={-1}
        aria-label={`Tick ${row.name}`}
        checked={ticked}
        onChange={() => {
          onTick(row);
        }}
        style={{ margin: 0, flex: 'none' }}
      />
      <Box
        component="span"
        sx={{ fontFamily: MONO, fontSize: 12.5, overflow: 'hidden', textOverflow: 'ellipsis' }}
      >
        {row.rule ? <em>{row.name}</em> : row.name}
      </Box>
      {row.repeats && <span>×</span>}
      <Box
        component="button"
        type="button"
        tabIndex={-1}
        aria-label={row.rule ? `Change ${row.name}` : `Derive a field from ${row.name}`}
        onClick={() => {
          onDerive(row);
        }}
        sx={{ ...plain, color: 'primary.main', opacity: 0, '[role=row]:hover &': { opacity: 1 } }}
      >
        {row.rule ? 'change' : 'derive'}
      </Box>
    </Box>
  );
}

/** Which value list gives the words of a field, or which field of another shape is the same. */
function WordsCell({ type, lists, row, onEdit }: Pick<Props, 'type' | 'lists' | 'row' | 'onEdit'>) {
  const pairs = type.shapes.length > 1 && !row.rule ? pairsFor(type.rows, row) : [];
  const first = row.same[0];
  if (type.shapes.length > 1 && !row.rule) {
    if (first) return <span title={`one field with ${first.name}`}>= {first.name}</span>;
    return (
      <Box
        component="select"
        tabIndex={-1}
        aria-label={`${row.name} is the same as`}
        value=""
        onChange={(event: React.ChangeEvent<HTMLSelectElement>) => {
          const other = pairs[Number(event.target.value)];
          if (other) onEdit({ kind: 'pairFields', type: type.id, field: row.ref, other });
        }}
        sx={small}
      >
        <option value="">same as…</option>
        {pairs.map(({ name }, index) => (
          <option key={name} value={index}>
            {name}
          </option>
        ))}
      </Box>
    );
  }
  if (lists.length === 0) return null;
  return (
    <Box
      component="select"
      tabIndex={-1}
      aria-label={`Words for ${row.name}`}
      title={lists.find(({ id }) => id === row.set.list)?.name}
      value={row.set.list ?? ''}
      onChange={(event: React.ChangeEvent<HTMLSelectElement>) => {
        const list = event.target.value;
        onEdit(setEdit(type.id, row, list === '' ? withoutList(row) : { list }));
      }}
      sx={small}
    >
      <option value="">no list</option>
      {lists.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </Box>
  );
}

/** Nothing in the place of a list takes it away. */
const withoutList = ({ set }: ModelRow) => ({ ...set, list: undefined });

/** A field of a record type: what was decided of it, its value, and where it is used. */
export function FieldLine(props: Props) {
  const { app, type, row, sample, active, onEdit, onActive } = props;
  const set = (change: ModelRow['set']) => {
    onEdit(setEdit(type.id, row, change));
  };
  const value = row.shown[sample] ?? row.shown[0] ?? '';
  const simple = row.kind !== 'record';
  return (
    <Box
      id={props.id}
      role="row"
      aria-selected={active}
      onMouseDown={onActive}
      sx={{
        display: 'grid',
        gridTemplateColumns: TEMPLATE,
        height: 30,
        borderBottom: '1px solid',
        borderColor: 'line',
        bgcolor: active ? 'shallow' : undefined,
        color: row.look.hidden ? 'text.secondary' : undefined,
        boxShadow: active ? 'inset 3px 0 0 var(--mui-palette-primary-main)' : undefined,
        '&:hover': { bgcolor: 'shallow' },
      }}
    >
      <NameCell {...props} />
      <Box role="gridcell" sx={cell}>
        <InlineEdit
          value={row.look.label}
          label={`Label of ${row.name}`}
          onCommit={(label) => {
            set({ label });
          }}
        />
      </Box>
      <Box
        role="gridcell"
        sx={{ ...cell, color: 'text.secondary', fontSize: 12 }}
        title={row.type || 'record'}
      >
        {row.type || 'record'}
      </Box>
      <Box role="gridcell" sx={cell}>
        {simple && (
          <FormatMenu
            look={row.look}
            label={`${row.name} shown as`}
            onFormat={(format) => {
              set({ format });
            }}
          />
        )}
      </Box>
      <Box role="gridcell" sx={cell}>
        {simple && (
          <InlineEdit
            value={row.look.unit}
            label={`Unit of ${row.name}`}
            placeholder="–"
            onCommit={(unit) => {
              set({ unit });
            }}
          />
        )}
      </Box>
      <Box role="gridcell" sx={cell}>
        {simple && <WordsCell {...props} />}
      </Box>
      <Box role="gridcell" sx={cell}>
        <Mark
          words="key"
          on={row.look.key}
          onPress={() => {
            set({ key: !row.look.key });
          }}
        />
        <Mark
          words="title"
          on={row.look.title}
          onPress={() => {
            set({ title: !row.look.title });
          }}
        />
        <Mark
          words="hidden"
          on={row.look.hidden}
          onPress={() => {
            set({ hidden: !row.look.hidden });
          }}
        />
        <Mark
          words="personal"
          title="Tells of a person: its values are not kept in the log and in samples"
          on={row.look.personal}
          onPress={() => {
            set({ personal: !row.look.personal });
          }}
        />
      </Box>
      <Box role="gridcell" sx={cell} title={value}>
        <Box component="span" sx={{ overflow: 'hidden', textOverflow: 'ellipsis' }}>
          {simple ? value || '–' : ''}
        </Box>
      </Box>
      <Box
        role="gridcell"
        sx={{ ...cell, gap: 0.75, '& a': { color: 'inherit', fontSize: 12.5 } }}
        title={row.usedAt.map(({ pageName }) => pageName).join(', ')}
      >
        {row.usedAt.slice(0, 3).map(({ page, pageName, item }) => (
          <Link key={item} to={`/apps/${app}/pages/${page}?pick=${item}`} tabIndex={-1}>
            {pageName}
          </Link>
        ))}
        {row.usedAt.length > 3 && <span>+{row.usedAt.length - 3}</span>}
      </Box>
    </Box>
  );
}
