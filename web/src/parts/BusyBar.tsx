import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { useEffect, useState } from 'react';

/** Whoever waits longer than this wants to know that they need not. */
const PATIENCE = 2;

interface Props {
  onStop: (() => void) | undefined;
}

/** That the page waits for a service, for how long, and a way to wait no longer. */
export function BusyBar({ onStop }: Props) {
  const [seconds, setSeconds] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => {
      setSeconds((before) => before + 1);
    }, 1000);
    return () => {
      clearInterval(timer);
    };
  }, []);
  return (
    <>
      <LinearProgress aria-label="Waiting for the service" />
      {seconds >= PATIENCE && onStop && (
        <Box
          sx={{
            display: 'flex',
            alignItems: 'center',
            gap: 1,
            color: 'text.secondary',
            fontVariantNumeric: 'tabular-nums',
          }}
        >
          Waiting for the service, {seconds} s<Button onClick={onStop}>Stop waiting</Button>
        </Box>
      )}
    </>
  );
}
