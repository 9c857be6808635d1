import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { isRouteErrorResponse, Link, useRouteError } from 'react-router';

/** An address that leads nowhere, or a page that broke. */
export function Lost() {
  const error = useRouteError();
  const broken = error instanceof Error && !isRouteErrorResponse(error);
  return (
    <Box sx={{ p: 4, display: 'grid', gap: 1.5, justifyItems: 'start' }}>
      <Typography variant="h1">
        {broken ? 'This page broke' : 'There is nothing at this address'}
      </Typography>
      <Typography sx={{ color: 'text.secondary' }}>
        {broken
          ? `Reload it; what you saved is kept. (${error.message})`
          : 'It may have been removed, or the address has a slip in it.'}
      </Typography>
      <Button component={Link} to="/services" variant="contained">
        Go to the services
      </Button>
    </Box>
  );
}
