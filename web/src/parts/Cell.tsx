import Box from '@mui/material/Box';
import LinearProgress from '@mui/material/LinearProgress';
import type { CellView, ColumnView } from '@/api/client';
import { asBinary } from '@/lib/json';

interface Props {
  cell: CellView | undefined;
  column: ColumnView;
  large?: boolean;
}

/** Only these lead anywhere when they are pressed. */
const ADDRESS = /^(https?:|mailto:|tel:)/i;

/** Codes and numbers are no easier to read in two lines. */
const SHORT_WORD = /^\S{1,16}$/;

function Linked({ to, words }: { to: string; words: string }) {
  return ADDRESS.test(to) ? (
    <a href={to} target="_blank" rel="noreferrer">
      {words}
    </a>
  ) : (
    <>{words}</>
  );
}

/** A value as its format wants it: words, a picture, something to save or to follow. */
export function Cell({ cell, column, large }: Props) {
  if (!cell) return null;
  const binary = asBinary(cell.value);
  if (binary) {
    const address = `data:${binary.mediaType};base64,${binary.base64}`;
    return binary.mediaType.startsWith('image/') ? (
      <Box
        component="img"
        src={address}
        alt={column.label}
        sx={{ maxWidth: '100%', maxHeight: large ? 320 : 60, display: 'block' }}
      />
    ) : (
      <a href={address} download={column.label}>
        Save {column.label}
      </a>
    );
  }
  switch (column.display) {
    case 'LINK':
      return <Linked to={cell.text} words={cell.text} />;
    case 'MAIL':
      return <Linked to={`mailto:${cell.text}`} words={cell.text} />;
    case 'TELEPHONE':
      return <Linked to={`tel:${cell.text}`} words={cell.text} />;
    case 'PROGRESS':
      return (
        <Box component="span" sx={{ display: 'block', minWidth: 80 }}>
          {cell.text}
          <LinearProgress
            variant="determinate"
            aria-label={column.label}
            value={Math.min(100, Math.max(0, Number(cell.value) || 0))}
          />
        </Box>
      );
    case 'LONG_TEXT':
      return (
        <Box component="span" sx={{ whiteSpace: 'pre-line' }}>
          {cell.text}
        </Box>
      );
    default:
      return SHORT_WORD.test(cell.text) ? (
        <Box component="span" sx={{ whiteSpace: 'nowrap' }}>
          {cell.text}
        </Box>
      ) : (
        <>{cell.text}</>
      );
  }
}
