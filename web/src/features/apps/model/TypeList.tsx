import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Model } from '@/api/client';
import { count } from '@/lib/format';

interface Props {
  app: string;
  model: Model;
  chosen: string;
  onChoose: (id: string) => void;
}

function Line({
  words,
  note,
  chosen,
  onChoose,
}: {
  words: string;
  note: string;
  chosen: boolean;
  onChoose: () => void;
}) {
  return (
    <Box
      component="button"
      type="button"
      aria-current={chosen ? 'true' : undefined}
      onClick={onChoose}
      sx={{
        display: 'block',
        width: '100%',
        textAlign: 'left',
        font: 'inherit',
        color: 'inherit',
        background: 'none',
        border: 0,
        borderLeft: '4px solid',
        borderColor: chosen ? 'primary.main' : 'transparent',
        bgcolor: chosen ? 'shallow' : undefined,
        py: 0.75,
        px: 1.5,
        cursor: 'pointer',
        '&:hover': { bgcolor: 'shallow' },
      }}
    >
      <strong>{words}</strong>
      <Typography component="span" sx={{ display: 'block', color: 'text.secondary', fontSize: 12 }}>
        {note}
      </Typography>
    </Box>
  );
}

/** The record types in use, and the value lists. */
export function TypeList({ model, chosen, onChoose }: Props) {
  const [find, setFind] = useState('');
  const wanted = find.toLowerCase();
  const types = model.types.filter(
    ({ name, shapes }) =>
      name.toLowerCase().includes(wanted) ||
      shapes.some(({ serviceName }) => serviceName.toLowerCase().includes(wanted)),
  );
  return (
    <Box sx={{ height: '100%', overflow: 'auto' }} component="nav" aria-label="Record types">
      <Box sx={{ p: 1.25 }}>
        <TextField
          fullWidth
          placeholder="find a type or a service…"
          value={find}
          onChange={(event) => {
            setFind(event.target.value);
          }}
          slotProps={{ htmlInput: { 'aria-label': 'Find a record type' } }}
        />
      </Box>
      {types.map((type) => (
        <Line
          key={type.id}
          words={type.name}
          chosen={chosen === type.id}
          note={[
            [...new Set(type.shapes.map(({ serviceName }) => serviceName))].join(' and '),
            type.pages > 0 ? `on ${count(type.pages, 'page')}` : 'on no page',
            type.changed + type.derived > 0 ? `${type.changed + type.derived} decided` : '',
          ]
            .filter((words) => words !== '')
            .join(' · ')}
          onChoose={() => {
            onChoose(type.id);
          }}
        />
      ))}
      {model.types.length === 0 && (
        <Typography sx={{ color: 'text.secondary', px: 1.5, pb: 1 }}>
          No record types yet: they come in as pages show their fields.
        </Typography>
      )}
      <Line
        words="Value lists"
        note={count(model.lists.length, 'list')}
        chosen={chosen === 'lists'}
        onChoose={() => {
          onChoose('lists');
        }}
      />
    </Box>
  );
}
