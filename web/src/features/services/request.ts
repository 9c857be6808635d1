/** A request put together field by field. */
export interface RequestDraft {
  method: string;
  address: string;
  headers: string;
  body: string;
}

export const NO_REQUEST: RequestDraft = { method: 'GET', address: '', headers: '', body: '' };

export const METHODS = ['GET', 'POST', 'PUT', 'PATCH', 'DELETE', 'HEAD', 'OPTIONS'];

export const sendsBody = (method: string) => !['GET', 'HEAD', 'OPTIONS'].includes(method);

/** Lines that are no headers, which would be taken for the body. */
export function oddHeaders(draft: RequestDraft): string[] {
  return lines(draft.headers).filter((line) => !/^[^\s:]+\s*:/.test(line));
}

function lines(text: string) {
  return text
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '');
}

/** The request as it would go over the wire, which is read like a pasted one. */
export function requestText(draft: RequestDraft): string {
  const address = draft.address.trim().replaceAll(' ', '%20');
  const body = sendsBody(draft.method) ? draft.body : '';
  return [`${draft.method} ${address} HTTP/1.1`, ...lines(draft.headers), '', body].join('\n');
}
