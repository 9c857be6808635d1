import Box from '@mui/material/Box';
import type { Item, Json } from '@/api/client';
import { shown } from '@/lib/format';
import { asBinary } from '@/lib/json';

/** A value as its format wants it; bytes as a picture or something to save. */
export function Cell({ value, item, large }: { value: Json; item: Item; large?: boolean }) {
  const binary = asBinary(value);
  if (!binary) return <>{shown(value, item.format)}</>;
  const address = `data:${binary.mediaType};base64,${binary.base64}`;
  if (binary.mediaType.startsWith('image/')) {
    return (
      <Box
        component="img"
        src={address}
        alt={item.label}
        sx={{ maxWidth: '100%', maxHeight: large ? 320 : 60, display: 'block' }}
      />
    );
  }
  return (
    <a href={address} download={item.label}>
      Save {item.label}
    </a>
  );
}
