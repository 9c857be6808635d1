import Box from '@mui/material/Box';
import { inLine, inWords } from '@/lib/format';
import { asBinary } from '@/lib/json';
import type { FieldRow } from './model';

/** The value of a returned field in the current sample. */
export function ValueText({ row }: { row: FieldRow }) {
  const { value, field } = row;
  if (field.kind !== 'scalar' && field.kind !== 'open') return null;
  const binary = asBinary(value);
  if (binary?.mediaType.startsWith('image/')) {
    return (
      <Box
        component="img"
        alt={`${field.name}: ${inLine(value)}`}
        title={inLine(value)}
        src={`data:${binary.mediaType};base64,${binary.base64}`}
        sx={{ height: 24, border: '1px solid', borderColor: 'divider' }}
      />
    );
  }
  const text = value === undefined ? '–' : inWords(value, field.type);
  return (
    <Box
      component="span"
      title={text}
      sx={{
        overflow: 'hidden',
        textOverflow: 'ellipsis',
        color: value === null || value === undefined ? 'text.secondary' : undefined,
      }}
    >
      {text}
    </Box>
  );
}
