import { expect, test } from 'vitest';
import { NO_REQUEST, oddHeaders, requestText } from './request';

test('a request is written as it goes over the wire', () => {
  const draft = {
    method: 'POST',
    address: ' http://quay.example/roster of day ',
    headers: 'Action: duty\n\n  Accept: text/xml ',
    body: '<duty day="2031-05-14"/>',
  };

  expect(requestText(draft)).toBe(
    'POST http://quay.example/roster%20of%20day HTTP/1.1\nAction: duty\nAccept: text/xml\n\n<duty day="2031-05-14"/>',
  );
});

test('what only asks has no body, also if one was typed before', () => {
  const draft = { ...NO_REQUEST, address: 'http://quay.example/', body: 'typed before' };

  expect(requestText(draft)).toBe('GET http://quay.example/ HTTP/1.1\n\n');
});

test('a line that is no header is told', () => {
  expect(oddHeaders({ ...NO_REQUEST, headers: 'Accept: a/b\nhello\nX-Desk : 4' })).toEqual([
    'hello',
  ]);
});
