import Box from '@mui/material/Box';

/** The mark of a direction; the words always stand with it somewhere in the row or its head. */
export function Mark({ side }: { side: 'in' | 'out' }) {
  return (
    <Box
      component="span"
      aria-hidden
      sx={{ color: side === 'in' ? 'goesIn' : 'comesBack', fontSize: 11, width: 14, flex: 'none' }}
    >
      {side === 'in' ? '▸' : '◂'}
    </Box>
  );
}
