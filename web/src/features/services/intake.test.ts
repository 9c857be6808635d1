import { expect, test } from 'vitest';
import { ApiProblem, type Progress } from '@/api/client';
import { follow, usualEndpoint } from './intake';

/** A stream that comes in pieces which end anywhere. */
function stream(text: string, size: number) {
  const bytes = new TextEncoder().encode(text);
  return new ReadableStream<Uint8Array<ArrayBuffer>>({
    start(controller) {
      for (let at = 0; at < bytes.length; at += size) {
        controller.enqueue(bytes.slice(at, at + size));
      }
      controller.close();
    },
  });
}

const PROGRESS = '{"progress":{"address":"http://x/ü.wsdl","bytes":5,"length":10}}';

test('progress is told and the last line is what was found, however the lines come', async () => {
  for (const size of [1, 7, 1000]) {
    const told: Progress[] = [];
    const found = await follow(
      stream(
        `${PROGRESS}\n${PROGRESS}\n{"catalogue":{"source":"x","entries":[],"findings":[]}}\n`,
        size,
      ),
      (progress) => told.push(progress),
    );
    expect(told.map((one) => one.address)).toEqual(['http://x/ü.wsdl', 'http://x/ü.wsdl']);
    expect(found.catalogue?.source).toBe('x');
  }
});

test('a problem that comes late is thrown like one that comes at once', async () => {
  const problem = '{"problem":{"status":422,"title":"No","detail":"Do","code":"C","findings":[]}}';
  const late = follow(stream(`${PROGRESS}\n${problem}`, 9), () => undefined);
  await expect(late).rejects.toThrow(new ApiProblem(422, 'C', 'No', 'Do', []));
});

test('a stream that ends without a result says that the server is gone', async () => {
  await expect(follow(stream(`${PROGRESS}\n`, 9), () => undefined)).rejects.toMatchObject({
    code: 'SERVER_UNREACHABLE',
  });
});

test('a service is called over SOAP 1.2 if it speaks it, and at the first of its addresses', () => {
  const one = (id: string, protocol: string) => ({ id, protocol });
  expect(usualEndpoint([one('live', 'HTTP'), one('echo', 'HTTP')])?.id).toBe('live');
  expect(
    usualEndpoint([
      one('a', 'SOAP 1.1'),
      one('b', 'SOAP 1.2'),
      one('c', 'SOAP 1.2'),
      one('d', 'HTTP'),
    ])?.id,
  ).toBe('b');
  expect(usualEndpoint([one('get', 'HTTP'), one('soap', 'SOAP 1.1')])?.id).toBe('soap');
  expect(usualEndpoint([])).toBeUndefined();
});
