import { expect, test } from 'vitest';
import { cutIn } from './useCutRows';

test('a path that cuts a text tells the text, the pattern and whether every match counts', () => {
  expect(cutIn(['value', '/a\\/(?P<b>c)/g', 'b'])).toEqual({
    path: ['value', '/a\\/(?P<b>c)/g', 'b'],
    text: ['value'],
    pattern: 'a\\/(?P<b>c)',
    every: true,
  });
  expect(cutIn(['a', 'value', '/(?P<b>c)/', 'b'])?.every).toBe(false);
});

test('other paths cut nothing', () => {
  expect(cutIn(['value'])).toBeUndefined();
  expect(cutIn(['entry', 'key=/a/', 'value'])).toBeUndefined();
  expect(cutIn(['/lamps/', 'id'])).toBeUndefined();
});
