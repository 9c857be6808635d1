import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';

interface Props {
  what: string;
  /** How much of it is done, 0 to 1, where that is known. */
  share?: number;
  onStop?: () => void;
}

/** Something is under way; it can be stopped where that makes sense. */
export function Waiting({ what, share, onStop }: Props) {
  return (
    <Box role="status" sx={{ py: 1, maxWidth: 420 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, mb: 0.5 }}>
        <Typography sx={{ color: 'text.secondary' }}>{what}</Typography>
        {onStop && <Button onClick={onStop}>Stop</Button>}
      </Box>
      <LinearProgress
        aria-label={what}
        sx={{ height: 2 }}
        {...(share !== undefined && { variant: 'determinate', value: share * 100 })}
      />
    </Box>
  );
}
