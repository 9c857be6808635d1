import Typography from '@mui/material/Typography';
import type { TextView } from '@/api/client';
import type { PartProps } from './model';

/** Words that stand on the page. */
export function TextPart({ part }: PartProps<TextView>) {
  return <Typography sx={{ whiteSpace: 'pre-line', maxWidth: '70ch' }}>{part.heading}</Typography>;
}
