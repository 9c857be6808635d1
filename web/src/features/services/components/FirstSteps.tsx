import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { appsQuery, servicesQuery } from '@/api/queries';
import { EXAMPLES } from '../examples';
import type { Given } from '../intake';

/** In a new workspace: things to try, with one press each. */
export function FirstSteps({ onTry }: { onTry: (given: Given) => void }) {
  const services = useQuery(servicesQuery).data;
  const apps = useQuery(appsQuery).data;
  if (services?.length !== 0 || apps?.length !== 0) return null;
  return (
    <Box component="section" aria-label="Things to try" sx={{ mt: 3 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        Nothing at hand? Try one of these
      </Typography>
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {EXAMPLES.map(({ words, what, given }) => (
          <Box
            component="li"
            key={words}
            sx={{
              display: 'grid',
              gridTemplateColumns: { xs: '1fr', sm: '230px 1fr' },
              gap: 1.5,
              alignItems: 'center',
              borderTop: '1px solid',
              borderColor: 'line',
              py: 0.75,
            }}
          >
            <Button
              onClick={() => {
                onTry(given());
              }}
              sx={{ justifyContent: 'flex-start' }}
            >
              {words}
            </Button>
            <Box sx={{ color: 'text.secondary' }}>{what}</Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
