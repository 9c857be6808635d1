import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { FolioEntry, PartView } from '@/api/client';
import { benchQuery } from '@/api/queries';
import { Problem } from '@/ui/Problem';

interface Props {
  entry: FolioEntry;
  app: string;
  onChange: (figure: FolioEntry['figure']) => void;
}

const NONE = '';

/** What a part has to say in a line: how many rows it has, or its words. */
function wordsOf(part: PartView): string | undefined {
  switch (part.kind) {
    case 'table':
    case 'cards':
      return `how many rows ${part.heading || 'the list'} has`;
    case 'text':
      return `“${part.heading}”`;
    default:
      return undefined;
  }
}

function FigureDialog({ entry, app, onChange, onClose }: Props & { onClose: () => void }) {
  const { data, error } = useQuery(benchQuery(app, entry.page, 0));
  const [part, setPart] = useState(entry.figure?.part ?? NONE);
  const [words, setWords] = useState(entry.figure?.words ?? '');
  const choices = (data?.page.parts ?? []).flatMap((one) => {
    const said = wordsOf(one);
    return said === undefined ? [] : [{ id: one.id, said }];
  });
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <DialogTitle>A live figure beside {entry.name}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 2, pt: '8px !important' }}>
        {error && <Problem error={error} />}
        <TextField
          select
          label="What it says"
          value={choices.some(({ id }) => id === part) ? part : NONE}
          onChange={(event) => {
            setPart(event.target.value);
          }}
        >
          <MenuItem value={NONE}>nothing</MenuItem>
          {choices.map(({ id, said }) => (
            <MenuItem key={id} value={id}>
              {said}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          label="Words behind it"
          placeholder="due today"
          value={words}
          onChange={(event) => {
            setWords(event.target.value);
          }}
        />
        <Box sx={{ color: 'text.secondary' }}>
          The page is opened for it, once a minute at most, as a visitor would open it.
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave it</Button>
        <Button
          variant="contained"
          onClick={() => {
            onChange(part === NONE ? undefined : { part, words: words.trim() });
            onClose();
          }}
        >
          Show it
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** Chooses what is told live beside an entry. */
export function FigureMenu(props: Props) {
  const [open, setOpen] = useState(false);
  if (props.entry.page === '') return null;
  return (
    <>
      <Button
        aria-label={`Figure beside ${props.entry.name}`}
        onClick={() => {
          setOpen(true);
        }}
      >
        {props.entry.figure ? 'Figure…' : '+ Figure'}
      </Button>
      {open && (
        <FigureDialog
          {...props}
          onClose={() => {
            setOpen(false);
          }}
        />
      )}
    </>
  );
}
