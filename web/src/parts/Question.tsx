import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import type { AskingView } from '@/api/client';
import type { PageUse } from './model';

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

/** What a step or a service asks before anything goes on. */
export default function Question({ asking, use }: { asking: AskingView; use: PageUse }) {
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
