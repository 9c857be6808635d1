import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { count } from '@/lib/format';

const STEP = 200;

/** The first so many of a long list, and what it takes to see more of it. */
export function useGrowing<T>(all: T[], what: string) {
  const [most, setMost] = useState(STEP);
  const more = all.length > most && (
    <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1.5, p: 1 }}>
      <Typography sx={{ color: 'text.secondary' }}>
        The first {most} of {count(all.length, what)}. Search to narrow them, or
      </Typography>
      <Button
        onClick={() => {
          setMost(most + STEP);
        }}
      >
        show {STEP} more
      </Button>
    </Box>
  );
  return { shown: all.slice(0, most), more };
}
