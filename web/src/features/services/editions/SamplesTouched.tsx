import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { Difference, DriftSample } from '@/api/client';
import { pathText } from '@/lib/json';
import { WHAT } from './words';

const ASKED: Difference['what'][] = ['ADDED', 'REQUIRED'];

const told = (one: Difference) =>
  `${pathText(one.path)}: ${one.side === 'IN' && ASKED.includes(one.what) ? 'needed, and not given' : WHAT[one.what]}`;

const followed = (one: Difference) => `${one.before} → ${one.after}`;

/** The samples and checks that a newer edition has to do with, and what it does to each. */
export function SamplesTouched({ samples }: { samples: DriftSample[] }) {
  return (
    <>
      <Typography variant="h2" sx={{ mt: 3, mb: 0.5 }}>
        Samples and checks
      </Typography>
      {samples.length === 0 && (
        <Typography sx={{ color: 'text.secondary' }}>None holds anything that differs.</Typography>
      )}
      {samples.map((one) => (
        <Box
          key={`${one.operation} ${one.name}`}
          component="section"
          aria-label={`${one.name} of ${one.operation}`}
          sx={{ borderTop: '1px solid', borderColor: 'divider', py: 0.75 }}
        >
          <Typography>
            <Box
              component={Link}
              to="/samples"
              sx={{ fontWeight: 600, color: 'primary.main', mr: 0.75 }}
            >
              {one.name}
            </Box>
            of {one.operation}
            {one.check && ', a check'}
          </Typography>
          {one.gone && (
            <Typography sx={{ color: 'error.main' }}>
              There is no such operation any more; nothing can be compared with it.
            </Typography>
          )}
          {one.touched.length > 0 && (
            <Typography sx={{ color: one.check ? 'error.main' : 'warning.main' }}>
              {one.check && 'It will not hold: '}
              {one.touched.map(told).join('; ')}
            </Typography>
          )}
          {one.followed.length > 0 && (
            <Typography sx={{ color: 'text.secondary' }}>
              Goes along by itself: {one.followed.map(followed).join(', ')}
            </Typography>
          )}
        </Box>
      ))}
    </>
  );
}
