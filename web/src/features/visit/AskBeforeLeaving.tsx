import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import Typography from '@mui/material/Typography';
import { type RefObject, useEffect } from 'react';
import { useBlocker } from 'react-router';

interface Props {
  /** Whether something was typed that no button has sent yet. */
  unsent: boolean;
  /** Whether the page itself leads away: then nothing is lost. */
  leads: RefObject<boolean>;
}

/** Asks whoever is about to leave a page with something typed in it. */
export function AskBeforeLeaving({ unsent, leads }: Props) {
  const blocker = useBlocker(
    ({ currentLocation, nextLocation }) =>
      unsent && !leads.current && currentLocation.key !== nextLocation.key,
  );
  useEffect(() => {
    if (!unsent) return;
    const ask = (event: BeforeUnloadEvent) => {
      event.preventDefault();
    };
    window.addEventListener('beforeunload', ask);
    return () => {
      window.removeEventListener('beforeunload', ask);
    };
  }, [unsent]);
  if (blocker.state !== 'blocked') return null;
  return (
    <Dialog
      open
      onClose={() => {
        blocker.reset();
      }}
      aria-label="Leave this page?"
    >
      <Box sx={{ p: 2.5, display: 'grid', gap: 1.5 }}>
        <Typography>What you typed here was not sent. It is gone when you leave.</Typography>
        <Box sx={{ display: 'flex', gap: 1 }}>
          <Button
            autoFocus
            variant="contained"
            onClick={() => {
              blocker.reset();
            }}
          >
            Stay here
          </Button>
          <Button
            onClick={() => {
              blocker.proceed();
            }}
          >
            Leave
          </Button>
        </Box>
      </Box>
    </Dialog>
  );
}
