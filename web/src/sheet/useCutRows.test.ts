import { expect, test } from 'vitest';
import { cutIn } from './useCutRows';

test('a path that cuts a text tells the text, the pattern and whether every match counts', () => {
  const cut = { cut: 'a\\/(?P<b>c)', every: true };
  expect(cutIn(['value', cut, 'b'])).toEqual({
    path: ['value', cut, 'b'],
    text: ['value'],
    pattern: 'a\\/(?P<b>c)',
    every: true,
  });
  expect(cutIn(['a', 'value', { cut: '(?P<b>c)' }, 'b'])?.every).toBe(false);
});

test('other paths cut nothing', () => {
  expect(cutIn(['value'])).toBeUndefined();
  expect(cutIn(['entry', { key: 'key', is: '/a/' }, 'value'])).toBeUndefined();
  expect(cutIn(['/lamps/', 'id'])).toBeUndefined();
});
