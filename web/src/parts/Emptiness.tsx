import Typography from '@mui/material/Typography';
import type { TableView } from '@/api/client';

const WORDS: Partial<Record<TableView['content'], string>> = {
  NONE: 'Nothing asked yet.',
  WAITING: 'Waiting for the service…',
  EMPTY: 'Nothing was found.',
  FAILED: 'It could not be fetched.',
};

/** Why a part shows nothing. */
export function Emptiness({ content }: { content: TableView['content'] }) {
  const words = WORDS[content];
  return words && <Typography sx={{ color: 'text.secondary' }}>{words}</Typography>;
}
