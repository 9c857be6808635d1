/** Characters of a message, from 0; the end is behind the last one. */
export interface Span {
  start: number;
  end: number;
}

const isSpace = (character: string) => /\s/.test(character);

/** Where so many characters that are no white space have gone by. */
function behind(text: string, count: number): number {
  let left = count;
  let at = 0;
  while (left > 0 && at < text.length) {
    if (!isSpace(text.charAt(at))) left--;
    at++;
  }
  return at;
}

const counted = (text: string, end: number) => text.slice(0, end).replace(/\s+/g, '').length;

/** Whether two texts differ in nothing but white space. */
export function sameSigns(one: string, other: string): boolean {
  return one.replace(/\s+/g, '') === other.replace(/\s+/g, '');
}

/** Where a character stands in the same text with other white space. */
export function inOther(text: string, other: string, at: number): number {
  let there = behind(other, counted(text, at));
  while (there < other.length && isSpace(other.charAt(there))) there++;
  return there;
}

/** Where a part of a text stands in the same text with other white space. */
export function spanInOther(text: string, other: string, span: Span): Span {
  const start = inOther(text, other, span.start);
  return { start, end: Math.max(start, behind(other, counted(text, span.end))) };
}
