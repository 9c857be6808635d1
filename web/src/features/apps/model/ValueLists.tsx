import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { AppEdit, Model, ValueList } from '@/api/client';
import { count } from '@/lib/format';
import { CodesFromRows } from './CodesFromRows';
import { itemsIn, linesOf, withMore } from './rows';

interface Props {
  app: string;
  model: Model;
  onEdit: (edit: AppEdit) => void;
}

function Editor({
  app,
  list,
  onKeep,
  onRemove,
}: {
  app: string;
  list: ValueList | undefined;
  onKeep: (name: string, text: string) => void;
  onRemove?: () => void;
}) {
  const [name, setName] = useState(list?.name ?? '');
  const [text, setText] = useState(list ? linesOf(list.items) : '');
  const [fromRows, setFromRows] = useState(false);
  const changed = name !== (list?.name ?? '') || text !== (list ? linesOf(list.items) : '');
  return (
    <Box
      component="form"
      aria-label={list?.name ?? 'A new list'}
      onSubmit={(event) => {
        event.preventDefault();
        onKeep(name, text);
        if (!list) {
          setName('');
          setText('');
        }
      }}
      sx={{ display: 'grid', gap: 1, py: 1.5, borderTop: '1px solid', borderColor: 'divider' }}
    >
      <TextField
        label={list ? 'name' : 'a new list'}
        value={name}
        onChange={(event) => {
          setName(event.target.value);
        }}
        sx={{ maxWidth: 320 }}
      />
      <TextField
        multiline
        minRows={3}
        maxRows={12}
        label="codes and their words"
        placeholder={'D = due\nB = at berth'}
        helperText="One line each: the code, an equals sign, the words. Lines of a spreadsheet can be pasted."
        value={text}
        onChange={(event) => {
          setText(event.target.value);
        }}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
        <Button type="submit" variant="outlined" disabled={!changed || name.trim() === ''}>
          Keep it
        </Button>
        <Button
          aria-expanded={fromRows}
          onClick={() => {
            setFromRows(!fromRows);
          }}
        >
          From rows of a call
        </Button>
        {onRemove && <Button onClick={onRemove}>Remove the list</Button>}
        <Typography sx={{ color: 'text.secondary' }}>
          {count(itemsIn(text).length, 'code')}
        </Typography>
      </Box>
      {fromRows && (
        <CodesFromRows
          app={app}
          onTake={(items) => {
            setText(withMore(text, items));
          }}
        />
      )}
    </Box>
  );
}

/** Codes and the words people read for them. */
export function ValueLists({ app, model, onEdit }: Props) {
  return (
    <Box sx={{ p: 2, height: '100%', overflow: 'auto', maxWidth: 640 }}>
      <Typography variant="h1">Value lists</Typography>
      <Typography sx={{ color: 'text.secondary', mb: 1 }}>
        Words for codes: choose a list for a field under “words from”, and every page reads it.
      </Typography>
      {model.lists.map((list) => (
        <Editor
          key={`${list.id} ${linesOf(list.items)}`}
          app={app}
          list={list}
          onKeep={(name, text) => {
            onEdit({ kind: 'putValueList', list: list.id, name, items: itemsIn(text) });
          }}
          onRemove={() => {
            onEdit({ kind: 'removeValueList', list: list.id });
          }}
        />
      ))}
      <Editor
        key={`new ${model.lists.length}`}
        app={app}
        list={undefined}
        onKeep={(name, text) => {
          onEdit({ kind: 'putValueList', name, items: itemsIn(text) });
        }}
      />
    </Box>
  );
}
