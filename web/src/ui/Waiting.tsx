import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';

/** Something is under way; it can be stopped where that makes sense. */
export function Waiting({ what, onStop }: { what: string; onStop?: () => void }) {
  return (
    <Box role="status" sx={{ py: 1, maxWidth: 420 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, mb: 0.5 }}>
        <Typography sx={{ color: 'text.secondary' }}>{what}</Typography>
        {onStop && <Button onClick={onStop}>Stop</Button>}
      </Box>
      <LinearProgress aria-label={what} sx={{ height: 2 }} />
    </Box>
  );
}
