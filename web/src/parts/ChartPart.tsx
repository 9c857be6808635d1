import Box from '@mui/material/Box';
import { lazy, Suspense } from 'react';
import type { ChartView } from '@/api/client';
import { Emptiness } from './Emptiness';
import { Heading } from './Heading';
import type { PartProps } from './model';
import { Pickable } from './Pickable';

/** Charts are large; only pages that have one fetch what draws them. */
const Drawing = lazy(() => import('./Drawing').then((module) => ({ default: module.Drawing })));

/** Numbers of rows as a drawing, and as a table for people who cannot see it. */
export function ChartPart({ part, use, words }: PartProps<ChartView>) {
  const drawn = part.along.length > 0 && part.series.length > 0;
  return (
    <Pickable use={use} place={{ part: part.id }}>
      <Heading words={part.heading} />
      {!drawn && <Emptiness content={part.content} words={words} />}
      {drawn && (
        <Box component="figure" aria-label={part.heading || 'Chart'} sx={{ m: 0, minHeight: 280 }}>
          <Suspense fallback={null}>
            <Drawing chart={part} />
          </Suspense>
          <Box component="table" sx={hidden}>
            <caption>{part.heading}</caption>
            <tbody>
              {part.along.map((words, row) => (
                <tr key={row}>
                  <th scope="row">{words}</th>
                  {part.series.map(({ id, label, values }) => (
                    <td key={id}>{`${label}: ${String(values[row] ?? 'none')}`}</td>
                  ))}
                </tr>
              ))}
            </tbody>
          </Box>
        </Box>
      )}
    </Pickable>
  );
}

const hidden = {
  position: 'absolute',
  width: 1,
  height: 1,
  overflow: 'hidden',
  clipPath: 'inset(50%)',
  whiteSpace: 'nowrap',
} as const;
