import Box from '@mui/material/Box';
import type { AppChange } from '@/api/client';
import { count } from '@/lib/format';

const SHOWN = 40;

/** What differs between two versions, by where it is. */
export function Changes({ changes }: { changes: AppChange[] }) {
  const shown = changes.slice(0, SHOWN);
  const places = [...new Set(shown.map(({ where }) => where))];
  return (
    <Box component="dl" sx={{ m: 0, display: 'grid', gridTemplateColumns: '160px 1fr', gap: 0.5 }}>
      {places.map((place) => (
        <Box key={place} sx={{ display: 'contents' }}>
          <Box component="dt" sx={{ fontWeight: 600, overflowWrap: 'anywhere' }}>
            {place}
          </Box>
          <Box component="dd" sx={{ m: 0 }}>
            {shown
              .filter(({ where }) => where === place)
              .map(({ words }, index) => (
                <Box key={index}>{words}</Box>
              ))}
          </Box>
        </Box>
      ))}
      {changes.length > SHOWN && (
        <Box sx={{ gridColumn: '1 / 3', color: 'text.secondary' }}>
          and {count(changes.length - SHOWN, 'more difference')}
        </Box>
      )}
    </Box>
  );
}
