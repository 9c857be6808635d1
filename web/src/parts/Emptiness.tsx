import Typography from '@mui/material/Typography';
import type { Content, StateWords } from '@/api/client';

/** Which of the page's own words fit, and the usual ones. */
const WORDS: Partial<Record<Content, [keyof StateWords, string]>> = {
  NONE: ['before', 'Nothing asked yet.'],
  WAITING: ['waiting', 'Waiting for the service…'],
  EMPTY: ['empty', 'Nothing was found.'],
  FAILED: ['failed', 'It could not be fetched.'],
};

interface Props {
  content: Content;
  /** The page's own words. */
  words: StateWords;
}

/** Why a part shows nothing. */
export function Emptiness({ content, words }: Props) {
  const fit = WORDS[content];
  return fit && <Typography sx={{ color: 'text.secondary' }}>{words[fit[0]] || fit[1]}</Typography>;
}
