import Box from '@mui/material/Box';
import type { ReactNode } from 'react';

/** The sheet a page is drawn on: a double neat line, as around a chart. */
export function Chart({ width, children }: { width: number | undefined; children: ReactNode }) {
  return (
    <Box
      sx={{
        maxWidth: width,
        border: '1px solid',
        borderColor: 'text.secondary',
        p: '3px',
        bgcolor: 'background.paper',
      }}
    >
      <Box
        sx={{
          border: '1px solid',
          borderColor: 'text.secondary',
          px: 2.5,
          py: 2.5,
          minHeight: 220,
        }}
      >
        {children}
      </Box>
    </Box>
  );
}
