import type { Json } from '@/api/client';

/** So many bytes may be the arguments of one call. */
const AT_ONCE = 0x8000;

export async function base64(file: Blob): Promise<string> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  let text = '';
  for (let from = 0; from < bytes.length; from += AT_ONCE) {
    text += String.fromCharCode(...bytes.subarray(from, from + AT_ONCE));
  }
  return btoa(text);
}

/** A file as a value to be sent, the way bytes come back too. */
export async function asValue(file: File): Promise<Json> {
  return {
    $binary: {
      mediaType: file.type || 'application/octet-stream',
      size: file.size,
      base64: await base64(file),
    },
  };
}
