import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogTitle from '@mui/material/DialogTitle';

interface Props {
  words: string;
  onKeep: () => void;
  onGo: () => void;
}

/** Whether what cannot be taken back is to be done. */
export default function SureDialog({ words, onKeep, onGo }: Props) {
  return (
    <Dialog open onClose={onKeep}>
      <DialogTitle>{words}? This cannot be taken back.</DialogTitle>
      <DialogActions>
        <Button onClick={onKeep}>Keep it as it is</Button>
        <Button color="error" variant="contained" onClick={onGo} autoFocus>
          {words}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
