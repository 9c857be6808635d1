import { describe, expect, it } from 'vitest';
import { layOut } from './layOut';
import { inOther, sameSigns, spanInOther } from './places';

const messages = [
  '{"rows":[{"name":"Marrow Tern","length":1.50},{"name":"Sable","note":""}]}',
  '<a><b at="x">Marrow Tern</b><c/><d>1 &amp; 2</d></a>',
];

describe('places in a message that is laid out', () => {
  it.each(messages)('are those of the same characters in %s', (message) => {
    const laid = layOut(message);
    expect(laid).not.toBe(message);
    expect(sameSigns(message, laid)).toBe(true);
    for (const word of message.match(/\w[\w ]*\w/g) ?? []) {
      const start = message.indexOf(word);
      const there = spanInOther(message, laid, { start, end: start + word.length });
      expect(laid.slice(there.start, there.end)).toBe(word);
      expect(inOther(laid, message, there.start)).toBe(start);
    }
  });

  it('tells when more than white space differs', () => {
    expect(sameSigns('<a></a>', '<a/>')).toBe(false);
  });

  it('keeps an empty part empty', () => {
    const message = messages[0] ?? '';
    const start = message.indexOf('""') + 1;
    const there = spanInOther(message, layOut(message), { start, end: start });
    expect(there.end).toBe(there.start);
  });
});
