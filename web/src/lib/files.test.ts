import { expect, test } from 'vitest';
import { asValue } from './files';
import { inLine } from './format';
import { asBinary } from './json';

test('a chosen file is a value that is sent and shown like bytes that came back', async () => {
  const bytes = new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0x00, 0xff]);
  const value = await asValue(new File([bytes], 'quay.png', { type: 'image/png' }));

  expect(asBinary(value)).toEqual({ mediaType: 'image/png', size: 6, base64: 'iVBORwD/' });
  expect(inLine(value)).toBe('image/png, 6 B');
});

test('a file of an unknown kind is just bytes', async () => {
  const value = await asValue(new File(['x'], 'log'));

  expect(asBinary(value)?.mediaType).toBe('application/octet-stream');
});
