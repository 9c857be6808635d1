// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, test } from 'vitest';
import type { Finding } from '@/api/client';
import { FindingList } from './FindingList';

afterEach(cleanup);

const finding = (severity: string, message: string) =>
  ({ severity, message, advice: 'Mend it.', code: 'X' }) as Finding;

test('what is wrong is always shown, of many notes the first ones until more are asked for', async () => {
  render(
    <FindingList
      label="Findings"
      findings={[
        ...['one', 'two', 'three', 'four', 'five'].map((word) => finding('note', word)),
        finding('error', 'broken'),
      ]}
    />,
  );
  expect(screen.getByText('two')).toBeDefined();
  expect(screen.queryByText('three')).toBeNull();
  expect(screen.getByText('broken')).toBeDefined();

  await userEvent.click(screen.getByRole('button', { name: '3 more notes' }));
  expect(screen.getByText('five')).toBeDefined();
});

test('few notes are all shown', () => {
  render(
    <FindingList
      label="Findings"
      findings={['one', 'two', 'three'].map((word) => finding('note', word))}
    />,
  );
  expect(screen.getByText('three')).toBeDefined();
  expect(screen.queryByRole('button')).toBeNull();
});
