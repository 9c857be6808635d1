import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import type { AppEdit, AppView, Model, ModelType } from '@/api/client';
import { typeQuery } from '@/api/queries';
import { count } from '@/lib/format';
import { InlineEdit } from '@/ui/InlineEdit';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';
import { FieldGrid } from './FieldGrid';
import { alwaysEmpty, diagnostics, type Narrow, narrowed, rowId, setAllEdit } from './rows';

interface Props {
  view: AppView;
  model: Model;
  type: string;
  onEdit: (edit: AppEdit) => void;
}

function Bulk({
  type,
  data,
  ticked,
  onEdit,
}: {
  type: string;
  data: ModelType;
  ticked: ReadonlySet<string>;
  onEdit: (edit: AppEdit) => void;
}) {
  const chosen = data.rows.filter((row) => ticked.has(rowId(row)));
  const empty = alwaysEmpty(data.rows);
  const diagnostic = diagnostics(data.rows);
  return (
    <>
      {chosen.length > 0 && (
        <>
          <Button
            onClick={() => {
              onEdit(setAllEdit(type, 'Hide fields', chosen, { hidden: true }));
            }}
          >
            Hide {count(chosen.length, 'ticked field')}
          </Button>
          <Button
            onClick={() => {
              onEdit(setAllEdit(type, 'Show fields', chosen, { hidden: false }));
            }}
          >
            Show them
          </Button>
        </>
      )}
      {chosen.length === 0 && diagnostic.length > 0 && (
        <Button
          onClick={() => {
            onEdit(setAllEdit(type, 'Hide diagnostics', diagnostic, { hidden: true }));
          }}
        >
          Hide {count(diagnostic.length, 'diagnostic field')}
        </Button>
      )}
      {chosen.length === 0 && empty.length > 0 && (
        <Button
          onClick={() => {
            onEdit(setAllEdit(type, 'Hide what is always empty', empty, { hidden: true }));
          }}
        >
          Hide {count(empty.length, 'field')} always empty
        </Button>
      )}
    </>
  );
}

/** Says that another record type is this one, and takes such shapes apart again. */
function Same({ model, data, onEdit }: { model: Model; data: ModelType; onEdit: Props['onEdit'] }) {
  const others = model.types.filter(({ id }) => id !== data.id);
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline', flexWrap: 'wrap' }}>
      <Box component="span" sx={{ color: 'text.secondary' }}>
        {data.shapes
          .map(({ serviceName, shapeName }) => `${shapeName} of ${serviceName}`)
          .join(', ')}
      </Box>
      {data.shapes.slice(1).map(({ ref, serviceName }) => (
        <Button
          key={`${ref.service}/${ref.shape.name}`}
          onClick={() => {
            onEdit({ kind: 'unpairType', type: data.id, shape: ref });
          }}
        >
          Take {serviceName}’s apart
        </Button>
      ))}
      {others.length > 0 && (
        <TextField
          select
          value=""
          onChange={(event) => {
            onEdit({ kind: 'pairTypes', type: data.id, other: event.target.value });
          }}
          slotProps={{
            select: {
              displayEmpty: true,
              SelectDisplayProps: { 'aria-label': 'The type that it is the same as' },
            },
          }}
          sx={{ '& .MuiSelect-select': { py: 0.25, fontSize: 13 } }}
        >
          <MenuItem value="" disabled>
            is the same as…
          </MenuItem>
          {others.map(({ id, name, shapes }) => (
            <MenuItem key={id} value={id}>
              {name} of {shapes[0]?.serviceName}
            </MenuItem>
          ))}
        </TextField>
      )}
    </Box>
  );
}

/** One record type as a field sheet: set once, right on every page. */
export function TypeSheet({ view, model, type, onEdit }: Props) {
  const { data, error, refetch } = useQuery(typeQuery(view.id, type, view.version));
  const [find, setFind] = useState('');
  const [narrow, setNarrow] = useState<Narrow>('all');
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const rows = useMemo(() => narrowed(data?.rows ?? [], find, narrow), [data, find, narrow]);
  if (error) return <Problem error={error} onRetry={() => void refetch()} />;
  if (!data) return <Waiting what="Fetching the fields" />;
  return (
    <Box sx={{ height: '100%', display: 'flex', flexDirection: 'column' }}>
      <Box
        sx={{ px: 2, pt: 1.5, display: 'flex', gap: 1.5, alignItems: 'baseline', flexWrap: 'wrap' }}
      >
        <Box sx={{ fontSize: 20, fontWeight: 700, minWidth: 0 }}>
          <InlineEdit
            value={data.name}
            label="Name of the record type"
            onCommit={(name) => {
              onEdit({ kind: 'renameType', type, name });
            }}
          />
        </Box>
        <Same model={model} data={data} onEdit={onEdit} />
      </Box>
      <Box
        sx={{ px: 2, py: 0.75, display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}
      >
        <TextField
          placeholder="find a field…"
          value={find}
          onChange={(event) => {
            setFind(event.target.value);
          }}
          slotProps={{ htmlInput: { 'aria-label': 'Find a field', 'data-find': true } }}
          sx={{ width: 165, '& input': { py: 0.5 } }}
        />
        <ToggleButtonGroup
          exclusive
          size="small"
          aria-label="Which fields to show"
          value={narrow}
          onChange={(_, next: Narrow | null) => {
            if (next) setNarrow(next);
          }}
          sx={{ '& .MuiToggleButton-root': { py: 0.25, px: 1, textTransform: 'none' } }}
        >
          <ToggleButton value="used">used</ToggleButton>
          <ToggleButton value="decided">decided here</ToggleButton>
          <ToggleButton value="all">all</ToggleButton>
        </ToggleButtonGroup>
        <Bulk type={type} data={data} ticked={ticked} onEdit={onEdit} />
      </Box>
      <FieldGrid
        app={view.id}
        type={data}
        lists={model.lists}
        rows={rows}
        ticked={ticked}
        onTicked={setTicked}
        onEdit={onEdit}
      />
    </Box>
  );
}
