import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import type { PageView } from '@/api/client';
import { BusyBar } from './BusyBar';
import type { PageUse } from './model';
import { PlacedParts, type Building } from './PlacedParts';

function Question({ words, use }: { words: string; use: PageUse }) {
  return (
    <Dialog
      open
      onClose={() => {
        use.onReply(false);
      }}
    >
      <DialogTitle>{words}</DialogTitle>
      <DialogActions>
        <Button
          onClick={() => {
            use.onReply(false);
          }}
        >
          No
        </Button>
        <Button
          variant="contained"
          autoFocus
          onClick={() => {
            use.onReply(true);
          }}
        >
          Yes
        </Button>
      </DialogActions>
    </Dialog>
  );
}

interface Props {
  page: PageView;
  use: PageUse;
  /** How it is built, while it is. */
  build?: Building;
}

/** A page with its real parts: the same while it is built, run and used. */
export function DrawnPage({ page, use, build }: Props) {
  return (
    <Box
      component="article"
      aria-label={page.name}
      aria-busy={use.busy}
      sx={{ containerType: 'inline-size' }}
    >
      <Typography variant="h1" component="h1" sx={{ fontSize: 24 }}>
        {page.name}
      </Typography>
      <Box sx={{ minHeight: 4, mt: 0.5, mb: 1.5 }}>
        {use.busy && <BusyBar onStop={use.onStop} />}
      </Box>
      {page.messages.map((message, index) => (
        <Alert
          key={index}
          severity={message.failed ? 'error' : 'success'}
          variant="outlined"
          sx={{ mb: 2 }}
        >
          {message.text}
        </Alert>
      ))}
      {page.asking && !use.building && <Question words={page.asking} use={use} />}
      <PlacedParts page={page} use={use} build={build} />
    </Box>
  );
}
