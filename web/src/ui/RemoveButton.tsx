import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { Problem } from './Problem';

interface Props {
  words: string;
  /** What goes, for people who hear the button alone. */
  label: string;
  /** What it means. */
  question: string;
  onRemove: () => Promise<void>;
}

/** Removes something for good, after asking; what cannot be removed says why. */
export function RemoveButton({ words, label, question, onRemove }: Props) {
  const [asking, setAsking] = useState(false);
  const close = () => {
    setAsking(false);
    removing.reset();
  };
  const removing = useMutation({ mutationFn: onRemove, onSuccess: close });
  return (
    <>
      <Button
        color="inherit"
        sx={{ color: 'text.secondary' }}
        aria-label={label}
        onClick={() => {
          setAsking(true);
        }}
      >
        {words}
      </Button>
      <Dialog open={asking} onClose={close} fullWidth maxWidth="xs" aria-label={label}>
        <Box sx={{ p: 2.5, display: 'grid', gap: 1.5 }}>
          <Typography>{question}</Typography>
          {removing.error && <Problem error={removing.error} />}
          <Box sx={{ display: 'flex', gap: 1 }}>
            <Button autoFocus onClick={close}>
              Leave it
            </Button>
            <Button
              variant="contained"
              loading={removing.isPending}
              onClick={() => {
                removing.mutate();
              }}
            >
              {words}
            </Button>
          </Box>
        </Box>
      </Dialog>
    </>
  );
}
