import Typography from '@mui/material/Typography';
import type { Content } from '@/api/client';

const WORDS: Partial<Record<Content, string>> = {
  NONE: 'Nothing asked yet.',
  WAITING: 'Waiting for the service…',
  EMPTY: 'Nothing was found.',
  FAILED: 'It could not be fetched.',
};

interface Props {
  content: Content;
  /** The page's own words for an empty part. */
  whenEmpty: string;
}

/** Why a part shows nothing. */
export function Emptiness({ content, whenEmpty }: Props) {
  const words = content === 'EMPTY' && whenEmpty ? whenEmpty : WORDS[content];
  return words && <Typography sx={{ color: 'text.secondary' }}>{words}</Typography>;
}
