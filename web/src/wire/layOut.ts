import formatXml from 'xml-formatter';

const STEP = '  ';

/** JSON with a line for every value; numbers and texts stay exactly as they came. */
function layOutJson(text: string): string {
  const out: string[] = [];
  let depth = 0;
  let fresh = false;
  const line = () => '\n' + STEP.repeat(Math.max(0, depth));
  for (const [token] of text.matchAll(/"(?:[^"\\]|\\.)*"?|[{}[\],:]|[^\s"{}[\],:]+/gs)) {
    const closes = token === '}' || token === ']';
    if (closes) depth--;
    if (closes ? !fresh : fresh) out.push(line());
    out.push(token === ':' ? ': ' : token);
    fresh = token === '{' || token === '[';
    if (fresh) depth++;
    if (token === ',') out.push(line());
  }
  return out.join('');
}

/** A message with its parts below each other; as it is where it is neither JSON nor XML. */
export function layOut(body: string): string {
  const start = body.trimStart().charAt(0);
  if (start === '{' || start === '[') return layOutJson(body);
  if (start !== '<') return body;
  try {
    return formatXml(body, { indentation: STEP, collapseContent: true, lineSeparator: '\n' });
  } catch {
    // What is cut short or broken is shown as it came.
    return body;
  }
}
