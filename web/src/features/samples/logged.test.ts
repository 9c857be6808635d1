import { expect, test } from 'vitest';
import { pageWord, queryOf } from './logged';

const ANY = {
  find: '',
  service: '',
  operation: '',
  page: '',
  by: '' as const,
  outcome: '' as const,
  from: '',
  before: '',
};

test('what nobody asked for is not asked for', () => {
  expect(queryOf(ANY)).toEqual({
    find: '',
    service: '',
    operation: '',
    app: '',
    page: '',
  });
});

test('a page goes with its app, times as they are everywhere', () => {
  expect(
    queryOf({
      ...ANY,
      page: pageWord('duty-desk', 'page_1'),
      by: 'builders',
      outcome: 'BROKEN',
      from: '2031-05-14T06:40',
    }),
  ).toMatchObject({
    app: 'duty-desk',
    page: 'page_1',
    visitor: false,
    outcome: 'BROKEN',
    from: new Date('2031-05-14T06:40').toISOString(),
  });
});
