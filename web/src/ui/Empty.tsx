import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

/** An empty place says what to do next, and does it with one press. */
export function Empty({ words, children }: { words: string; children?: ReactNode }) {
  return (
    <Box sx={{ py: 3, display: 'grid', gap: 1.5, justifyItems: 'start' }}>
      <Typography sx={{ color: 'text.secondary', maxWidth: '60ch' }}>{words}</Typography>
      {children}
    </Box>
  );
}
