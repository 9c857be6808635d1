import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import Typography from '@mui/material/Typography';

interface Props {
  onStay: () => void;
  onLeave: () => void;
}

/** Whether what was typed may go. */
export default function LeaveDialog({ onStay, onLeave }: Props) {
  return (
    <Dialog open onClose={onStay} aria-label="Leave this page?">
      <Box sx={{ p: 2.5, display: 'grid', gap: 1.5 }}>
        <Typography>What you typed here was not sent. It is gone when you leave.</Typography>
        <Box sx={{ display: 'flex', gap: 1 }}>
          <Button autoFocus variant="contained" onClick={onStay}>
            Stay here
          </Button>
          <Button onClick={onLeave}>Leave</Button>
        </Box>
      </Box>
    </Dialog>
  );
}
