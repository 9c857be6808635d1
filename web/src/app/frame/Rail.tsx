import Box from '@mui/material/Box';
import { Link, useLocation } from 'react-router';

const PLACES = [
  { to: '/services', words: 'Services' },
  { to: '/model', words: 'Model' },
  { to: '/apps', words: 'Pages' },
  { to: '/samples', words: 'Samples' },
  { to: '/releases', words: 'Releases' },
];

/** Looked at seldom, so it stands apart from what is worked in. */
const FOOT = { to: '/upkeep', words: 'Upkeep' };

/** Places that stand below the app that they belong to. */
const BELOW: [RegExp, string][] = [
  [/^\/apps\/[^/]+\/model/, '/model'],
  [/^\/apps\/[^/]+\/(releases|start)|^\/start/, '/releases'],
];

/** The place that an address is in. */
const place = (pathname: string) =>
  BELOW.find(([address]) => address.test(pathname))?.[1] ??
  [...PLACES, FOOT].find(({ to }) => pathname.startsWith(to))?.to;

/** The places of the product. */
export function Rail() {
  const { pathname } = useLocation();
  const here = place(pathname);
  return (
    <Box
      component="nav"
      aria-label="Places"
      sx={{
        borderRight: '1px solid',
        borderColor: 'divider',
        py: 1.5,
        display: 'flex',
        flexDirection: 'column',
      }}
    >
      {[...PLACES, FOOT].map(({ to, words }) => (
        <Box
          key={to}
          component={Link}
          to={to}
          aria-current={to === here ? 'page' : undefined}
          sx={{
            py: 0.75,
            mt: to === FOOT.to ? 'auto' : 0,
            pl: 1.5,
            color: 'text.primary',
            textDecoration: 'none',
            borderLeft: '4px solid transparent',
            '&:hover': { bgcolor: 'shallow' },
            '&[aria-current]': { borderColor: 'primary.main', fontWeight: 700 },
          }}
        >
          {words}
        </Box>
      ))}
    </Box>
  );
}
