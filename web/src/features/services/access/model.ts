import type { AccessForm } from '@/api/client';

export const NOBODY: AccessForm = {
  login: { kind: 'none', inQuery: false, hasSecret: false },
  headers: [],
  addressing: 'asDescribed',
};

export const LOGINS = [
  { kind: 'none', words: 'Nobody in particular', secret: '' },
  { kind: 'basic', words: 'User and password (Basic)', secret: 'Password' },
  { kind: 'digest', words: 'User and password (Digest)', secret: 'Password' },
  { kind: 'bearer', words: 'A token (Bearer)', secret: 'Token' },
  { kind: 'apiKey', words: 'A key', secret: 'Key' },
  { kind: 'client', words: 'Fetched tokens (OAuth 2 client)', secret: 'Client secret' },
] as const;

export function loginOf(kind: string) {
  return LOGINS.find((login) => login.kind === kind) ?? LOGINS[0];
}

/** The whole way in one line, without any secret. */
export function inWords(form: AccessForm): string {
  const login = loginOf(form.login.kind);
  const words = [
    form.login.kind === 'none'
      ? ''
      : `${login.words}${form.login.user ? ` as ${form.login.user}` : ''}`,
    form.security ? `WS-Security as ${form.security.user}` : '',
    form.addressing === 'always' ? 'WS-Addressing' : '',
    form.headers.length > 0 ? `headers ${form.headers.map((one) => one.name).join(', ')}` : '',
    form.certificate ? 'a client certificate' : '',
    form.trusted ? 'a private authority' : '',
    form.proxy ? `through ${form.proxy.host}:${form.proxy.port}` : '',
  ].filter((one) => one !== '');
  return words.length === 0 ? 'Nobody in particular' : words.join(', ');
}

/** Whether two addresses are of one server, so that the same credentials may go to both. */
export function isSameServer(one: string, other: string): boolean {
  try {
    return new URL(one).origin === new URL(other).origin;
  } catch {
    return false;
  }
}
