import { Empty } from './Empty';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { Link } from 'react-router';

/** Something that was removed since, perhaps by somebody else. */
export function Gone({ what }: { what: string }) {
  return (
    <Box sx={{ p: 4 }}>
      <Empty words={`${what} It may have been removed, or the address has a slip in it.`}>
        <Button component={Link} to="/apps" variant="contained">
          Go to the pages
        </Button>
      </Empty>
    </Box>
  );
}
