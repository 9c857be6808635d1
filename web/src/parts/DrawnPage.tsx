import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import type { AskingView, PageView } from '@/api/client';
import { BusyBar } from './BusyBar';
import type { PageUse } from './model';
import { PlacedParts, type Building } from './PlacedParts';

/** What was typed beside what is there now. */
function Differences({ of }: { of: AskingView['differences'] }) {
  if (of.length === 0) {
    return <>Nothing that you typed differs from what is there now.</>;
  }
  return (
    <Box
      component="table"
      sx={{ borderSpacing: 0, '& th, & td': { textAlign: 'left', py: 0.5, pr: 3 } }}
    >
      <thead>
        <tr>
          <td />
          <th scope="col">yours</th>
          <th scope="col">there now</th>
        </tr>
      </thead>
      <tbody>
        {of.map(({ input, label, mine, theirs }) => (
          <tr key={input}>
            <th scope="row">{label}</th>
            <td>{mine || '—'}</td>
            <td>{theirs || '—'}</td>
          </tr>
        ))}
      </tbody>
    </Box>
  );
}

/** Where nothing was typed, as before something is deleted, there is no state of one's own. */
function yesWords({ conflict, differences }: AskingView) {
  if (!conflict) return 'Yes';
  return differences.length > 0 ? 'Save mine all the same' : 'Go on all the same';
}

function Question({ asking, use }: { asking: AskingView; use: PageUse }) {
  const { words, conflict, differences } = asking;
  return (
    <Dialog
      open
      onClose={() => {
        // Leaving is no way to decide which of two states is kept.
        if (!conflict) use.onReply(false);
      }}
    >
      <DialogTitle>{words}</DialogTitle>
      {conflict && (
        <DialogContent>
          <Differences of={differences} />
        </DialogContent>
      )}
      <DialogActions>
        <Button
          onClick={() => {
            use.onReply(false);
          }}
        >
          {conflict ? 'Take what is there now' : 'No'}
        </Button>
        <Button
          variant="contained"
          autoFocus={!conflict}
          onClick={() => {
            use.onReply(true);
          }}
        >
          {yesWords(asking)}
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
      {page.asking && !use.building && <Question asking={page.asking} use={use} />}
      <PlacedParts page={page} use={use} build={build} />
    </Box>
  );
}
