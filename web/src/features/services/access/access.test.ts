import { expect, test } from 'vitest';
import { inWords, isSameServer, loginOf, NOBODY } from './model';

test('a way in is told in one line, without its secret', () => {
  expect(inWords(NOBODY)).toBe('Nobody in particular');
  expect(
    inWords({
      ...NOBODY,
      login: { kind: 'basic', user: 'pilot', secret: 'tide', inQuery: false, hasSecret: true },
      proxy: { host: 'quay', port: 8080, hasPassword: false },
    }),
  ).toBe('User and password (Basic) as pilot, through quay:8080');
});

test('a way of logging in that is not known counts as none', () => {
  expect(loginOf('smoke signals').kind).toBe('none');
});

test('credentials are for one server only', () => {
  expect(isSameServer('http://quay/a?wsdl', 'http://quay/b')).toBe(true);
  expect(isSameServer('http://quay/a', 'https://quay/a')).toBe(false);
  expect(isSameServer('http://quay/a', 'http://quay:81/a')).toBe(false);
  expect(isSameServer('nowhere', 'nowhere')).toBe(false);
});
