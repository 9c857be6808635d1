import Typography from '@mui/material/Typography';
import type { TextView } from '@/api/client';
import { lookedInto } from './lookedInto';
import { isPicked, type PartProps } from './model';

/** Words that stand on the page. */
export function TextPart({ part, use }: PartProps<TextView>) {
  const { building, onPick, picked } = use;
  return (
    <Typography
      onClick={
        onPick && !building
          ? () => {
              onPick({ part: part.id });
            }
          : undefined
      }
      {...lookedInto(use, () => onPick?.({ part: part.id }))}
      sx={{
        whiteSpace: 'pre-line',
        maxWidth: '70ch',
        ...(!building && isPicked(picked, part.id) ? { bgcolor: 'shallow' } : {}),
      }}
    >
      {part.heading}
    </Typography>
  );
}
