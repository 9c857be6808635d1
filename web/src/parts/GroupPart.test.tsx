// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import { afterEach, expect, it } from 'vitest';
import type { GroupView } from '@/api/client';
import { GroupPart } from './GroupPart';
import { Heading } from './Heading';
import { usedPage } from './testing';

afterEach(cleanup);

const group = (heading: string, way: GroupView['way']): GroupView => ({
  kind: 'group',
  id: heading,
  heading,
  way,
});

it.each<GroupView['way']>(['OPEN', 'FOLDED'])(
  'has the headings of what stands in it below its own: %s',
  (way) => {
    render(
      <GroupPart part={group('Harbour', way)} use={usedPage()} open empty={false}>
        <GroupPart part={group('Quays', way)} use={usedPage()} open empty={false}>
          <Heading words="Cranes" />
        </GroupPart>
      </GroupPart>,
    );
    const levels = screen.getAllByRole('heading').map((one) => [one.tagName, one.textContent]);
    expect(levels).toEqual([
      ['H2', 'Harbour'],
      ['H3', 'Quays'],
      ['H4', 'Cranes'],
    ]);
  },
);
