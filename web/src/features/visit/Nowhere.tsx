import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';

/** An address that leads to no page. */
export function Nowhere() {
  return (
    <Box component="main" sx={{ p: 4, display: 'grid', gap: 1.5 }}>
      <Typography variant="h1">There is nothing at this address</Typography>
      <Typography>It may have been removed, or the address has a slip in it.</Typography>
      <Link to="/open">See what there is</Link>
    </Box>
  );
}
