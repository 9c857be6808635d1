export type Bytes = ReadableStream<Uint8Array<ArrayBuffer>>;

/** The lines of a stream as they come. */
export async function* linesOf(stream: Bytes) {
  const reader = stream.pipeThrough(new TextDecoderStream()).getReader();
  let rest = '';
  for (;;) {
    const { done, value } = await reader.read();
    const lines = (rest + (value ?? '')).split('\n');
    rest = lines.pop() ?? '';
    yield* lines.filter((line) => line !== '');
    if (done) break;
  }
  if (rest !== '') yield rest;
}
