import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type Samples, unwrap } from '@/api/client';
import { FileButton } from '@/ui/FileButton';
import { Problem } from '@/ui/Problem';

interface Props {
  service: string;
  operation: string;
  onKept: (all: Samples) => void;
  onClose: () => void;
}

/** Takes an answer that somebody has, pasted or from a file, as a sample. */
export function GiveSample({ service, operation, onKept, onClose }: Props) {
  const [name, setName] = useState('');
  const [text, setText] = useState('');
  const keeping = useMutation({
    mutationFn: () =>
      unwrap(
        api.POST('/api/services/{service}/operations/{operation}/given-samples', {
          params: { path: { service, operation } },
          body: { name, text },
        }),
      ),
    onSuccess: (all) => {
      onKept(all);
      onClose();
    },
  });
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-label="Give an answer">
      <Box
        component="form"
        onSubmit={(event) => {
          event.preventDefault();
          keeping.mutate();
        }}
        sx={{ p: 2.5, display: 'grid', gap: 1.5 }}
      >
        <Typography variant="h2">Give an answer</Typography>
        <TextField
          autoFocus
          label="Name of the sample"
          value={name}
          onChange={(event) => {
            setName(event.target.value);
          }}
        />
        <TextField
          label="What was answered"
          helperText="An answer as it came, a request with its answer, or an HTTP archive (HAR). Only the fields of the operation are kept."
          multiline
          minRows={7}
          maxRows={14}
          value={text}
          onChange={(event) => {
            setText(event.target.value);
          }}
          slotProps={{ htmlInput: { style: { fontFamily: 'monospace', fontSize: 12.5 } } }}
        />
        {keeping.error && <Problem error={keeping.error} />}
        <Box sx={{ display: 'flex', gap: 1 }}>
          <Button
            type="submit"
            variant="contained"
            loading={keeping.isPending}
            disabled={name.trim() === '' || text.trim() === ''}
          >
            Keep it
          </Button>
          <FileButton
            label="File with the answer"
            accept=".har,.json,.xml,.txt"
            onFile={(file) => {
              void file.text().then(setText);
              if (name === '') setName(file.name.replace(/\.[^.]*$/, ''));
            }}
          >
            From a file…
          </FileButton>
          <Button onClick={onClose}>Leave it</Button>
        </Box>
      </Box>
    </Dialog>
  );
}
