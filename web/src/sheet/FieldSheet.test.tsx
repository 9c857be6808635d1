// @vitest-environment jsdom
import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { FieldView } from '@/api/client';
import { FieldSheet } from './FieldSheet';
import type { Sheet } from './model';

// There is no layout here, by which it could be known which rows are in sight.
vi.mock('@tanstack/react-virtual', () => ({
  useVirtualizer: ({ count }: { count: number }) => ({
    getVirtualItems: () =>
      Array.from({ length: count }, (_, index) => ({ index, key: index, start: 0, size: 28 })),
    getTotalSize: () => count * 28,
    scrollToIndex: () => undefined,
  }),
}));

afterEach(cleanup);

const field = (name: string, over: Partial<FieldView> = {}): FieldView =>
  ({
    name,
    path: [name],
    kind: 'scalar',
    type: 'text',
    required: false,
    repeats: false,
    fields: [],
    documentation: '',
    choices: [],
    more: false,
    ...over,
  }) as unknown as FieldView;

const SHEET: Sheet = {
  goesIn: [field('day', { required: true }), field('basin')],
  comesBack: [field('berth'), field('state')],
  derived: new Map(),
  parameters: {},
  answer: { berth: 'M04', state: 'due' },
  used: new Set(),
  sampled: false,
  cut: {},
} as unknown as Sheet;

function shown(sheet = SHEET) {
  const onUse = vi.fn();
  const onParameter = vi.fn();
  const onSend = vi.fn();
  render(
    <FieldSheet
      label="Fields of ListArrivals"
      sheet={sheet}
      note="just answered"
      canTick={() => true}
      onUse={onUse}
      onParameter={onParameter}
      onRemove={vi.fn()}
      onSend={onSend}
    />,
  );
  return { user: userEvent.setup(), onUse, onParameter, onSend };
}

describe('a field sheet', () => {
  it('has a row for each field with its value, in a tree grid', () => {
    shown();
    const sheet = within(screen.getByRole('treegrid', { name: 'Fields of ListArrivals' }));
    expect(sheet.getByText('berth')).toBeTruthy();
    expect(sheet.getByText('M04')).toBeTruthy();
  });

  it('is worked with the keyboard: down, use, find', async () => {
    const { user, onUse } = shown();
    screen.getByRole('treegrid').focus();
    await user.keyboard('{ArrowDown}{ArrowDown} ');
    expect(onUse).toHaveBeenCalledTimes(1);
    await user.keyboard('/');
    expect(document.activeElement?.tagName).toBe('INPUT');
  });

  it('lets anything be typed where nothing is known to be inside', () => {
    const anything = { kind: 'open', type: 'anything' } as const;
    shown({
      ...SHEET,
      goesIn: [field('remark', anything), field('extra', anything)],
      parameters: { remark: 'low', extra: { depth: 7 } },
    });
    expect(screen.getByLabelText('remark value')).toHaveProperty('value', 'low');
    expect(screen.queryByLabelText('extra value')).toBeNull();
  });

  it('hands on what is typed into a parameter', async () => {
    const { user, onParameter } = shown();
    await user.type(screen.getByLabelText('day value'), '1');
    expect(onParameter).toHaveBeenCalledWith(['day'], '1', expect.anything());
  });
});
