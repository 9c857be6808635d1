import Box from '@mui/material/Box';
import { NavLink } from 'react-router';

const PLACES = [
  { to: '/services', words: 'Services' },
  { to: '/model', words: 'Model' },
  { to: '/apps', words: 'Pages' },
];

/** The places of the product. */
export function Rail() {
  return (
    <Box
      component="nav"
      aria-label="Places"
      sx={{
        borderRight: '1px solid',
        borderColor: 'divider',
        pt: 1.5,
        display: 'flex',
        flexDirection: 'column',
      }}
    >
      {PLACES.map((place) => (
        <Box
          key={place.to}
          component={NavLink}
          to={place.to}
          sx={{
            py: 0.75,
            pl: 1.5,
            color: 'text.primary',
            textDecoration: 'none',
            borderLeft: '4px solid transparent',
            '&:hover': { bgcolor: 'shallow' },
            '&.active': { borderColor: 'primary.main', fontWeight: 700 },
          }}
        >
          {place.words}
        </Box>
      ))}
    </Box>
  );
}
