import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Difference } from '@/api/client';
import { useGrowing } from '@/ui/Growing';

const HARMS = ['BREAKS', 'MAY_BREAK', 'ADDS'] as const;

const WORDS: Record<Difference['harm'], string> = {
  BREAKS: 'breaks',
  MAY_BREAK: 'may break',
  ADDS: 'adds',
};

const COLOURS: Record<Difference['harm'], string> = {
  BREAKS: 'error.main',
  MAY_BREAK: 'warning.main',
  ADDS: 'text.secondary',
};

const WHAT: Record<Difference['what'], string> = {
  REMOVED: 'gone',
  ADDED: 'new',
  RENAMED: 'another name or place',
  TYPE: 'another type',
  CODES: 'other codes',
  LIMITS: 'other limits',
  REQUIRED: 'needed or not',
  REPEATED: 'one or several',
  DOCUMENTATION: 'described otherwise',
  ADDRESS: 'another address',
};

const CELL = { borderTop: '1px solid', borderColor: 'line', py: 0.5, pr: 1.5, textAlign: 'left' };

/** What differs between two editions, side by side, the worst first. */
export function Differences({ differences }: { differences: Difference[] }) {
  const [harm, setHarm] = useState<Difference['harm']>();
  const wanted = differences.filter((one) => harm === undefined || one.harm === harm);
  const { shown, more } = useGrowing(wanted, 'difference');
  if (differences.length === 0) {
    return <Typography sx={{ color: 'text.secondary' }}>Nothing differs.</Typography>;
  }
  return (
    <>
      <Box role="group" aria-label="Which differences" sx={{ display: 'flex', gap: 0.5, mb: 1 }}>
        {HARMS.map((one) => {
          const many = differences.filter((each) => each.harm === one).length;
          return (
            <Button
              key={one}
              aria-pressed={harm === one}
              disabled={many === 0}
              variant={harm === one ? 'outlined' : 'text'}
              sx={{ color: COLOURS[one] }}
              onClick={() => {
                setHarm(harm === one ? undefined : one);
              }}
            >
              {many} {WORDS[one]}
            </Button>
          );
        })}
      </Box>
      <Box sx={{ overflowX: 'auto' }}>
        <Box
          component="table"
          aria-label="What differs"
          sx={{ borderCollapse: 'collapse', width: '100%', '& td, & th': CELL }}
        >
          <thead>
            <tr>
              <th scope="col">Harm</th>
              <th scope="col">Operation</th>
              <th scope="col">Field</th>
              <th scope="col">What</th>
              <th scope="col">In use</th>
              <th scope="col">Read now</th>
            </tr>
          </thead>
          <tbody>
            {shown.map((one, index) => (
              <tr key={index}>
                <Box component="td" sx={{ color: COLOURS[one.harm], whiteSpace: 'nowrap' }}>
                  {WORDS[one.harm]}
                </Box>
                <Box component="td" sx={{ fontFamily: 'monospace', overflowWrap: 'anywhere' }}>
                  {one.operation}
                </Box>
                <Box component="td" sx={{ fontFamily: 'monospace', overflowWrap: 'anywhere' }}>
                  {one.side && (
                    <Box
                      component="span"
                      title={one.side === 'IN' ? 'goes in' : 'comes back'}
                      sx={{ color: one.side === 'IN' ? 'goesIn' : 'comesBack', mr: 0.5 }}
                    >
                      {one.side === 'IN' ? '▸' : '◂'}
                    </Box>
                  )}
                  {one.path}
                </Box>
                <td>{WHAT[one.what]}</td>
                <Box component="td" sx={{ overflowWrap: 'anywhere' }}>
                  {one.before || '–'}
                </Box>
                <Box component="td" sx={{ overflowWrap: 'anywhere' }}>
                  {one.after || '–'}
                </Box>
              </tr>
            ))}
          </tbody>
        </Box>
      </Box>
      {more}
    </>
  );
}
