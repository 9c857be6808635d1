import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import type { Difference } from '@/api/client';
import type { Compared } from '@/sheet/compare';
import { CompareSheet } from '@/sheet/CompareSheet';
import { useGrowing } from '@/ui/Growing';
import { HARM_COLOURS, HARM_WORDS, WHAT } from './words';

const HARMS = ['BREAKS', 'MAY_BREAK', 'ADDS'] as const;

type Differing = Compared & { harm: Difference['harm'] };

const SIDES = { IN: 'in', OUT: 'out' } as const;

const differing = (one: Difference): Differing => ({
  side: one.side && SIDES[one.side],
  path: one.path,
  what: `${HARM_WORDS[one.harm]} · ${WHAT[one.what]}`,
  was: one.before,
  is: one.after,
  harm: one.harm,
});

/** Each operation with what differs of it, in the order in which they come first. */
function byOperation(differences: Difference[]) {
  const operations = new Map<string, Differing[]>();
  for (const one of differences) {
    const known = operations.get(one.operation) ?? [];
    known.push(differing(one));
    operations.set(one.operation, known);
  }
  return [...operations];
}

/** What differs between two editions: a sheet for each operation, the worst first. */
export function Differences({ differences }: { differences: Difference[] }) {
  const [harm, setHarm] = useState<Difference['harm']>();
  const operations = useMemo(
    () => byOperation(differences.filter((one) => harm === undefined || one.harm === harm)),
    [differences, harm],
  );
  const { shown, more } = useGrowing(operations, 'operation');
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
              sx={{ color: HARM_COLOURS[one] }}
              onClick={() => {
                setHarm(harm === one ? undefined : one);
              }}
            >
              {many} {HARM_WORDS[one]}
            </Button>
          );
        })}
      </Box>
      {shown.map(([operation, all]) => (
        <Box component="section" aria-label={operation} key={operation} sx={{ mb: 2 }}>
          <Typography variant="h3" sx={{ fontFamily: 'monospace', fontSize: 14, fontWeight: 700 }}>
            {operation}
          </Typography>
          <CompareSheet
            label={`What differs in ${operation}`}
            was="in use"
            is="read now"
            all={all}
            colour={(one) => HARM_COLOURS[one.harm]}
          />
        </Box>
      ))}
      {more}
    </>
  );
}
