import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { lazy, Suspense } from 'react';
import type { PageView } from '@/api/client';
import { BusyBar } from './BusyBar';
import type { PageUse } from './model';
import { PlacedParts, type Building } from './PlacedParts';

/** Dialogs are fetched when the first question comes up. */
const Question = lazy(() => import('./Question'));

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
      {page.asking && !use.building && (
        <Suspense>
          <Question asking={page.asking} use={use} />
        </Suspense>
      )}
      <PlacedParts page={page} use={use} build={build} />
    </Box>
  );
}
