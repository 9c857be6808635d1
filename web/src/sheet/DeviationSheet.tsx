import type { ReactNode } from 'react';
import type { SampleDeviation } from '@/api/client';
import type { Compared } from './compare';
import { CompareSheet } from './CompareSheet';

type Deviating = Compared & { one: SampleDeviation };

interface Props {
  deviations: SampleDeviation[];
  /** What can be done about one. */
  action?: ((one: SampleDeviation) => ReactNode) | undefined;
}

const WHAT: Record<SampleDeviation['what'], string> = {
  MISSING: 'missing',
  TYPE: 'another type',
  VALUE: 'another value',
  COUNT: 'more or fewer',
  OUTCOME: 'another outcome',
  TIME: 'too late',
};

/** What is not as it was, side by side. */
export function DeviationSheet({ deviations, action }: Props) {
  const all = deviations.map((one): Deviating => ({
    side: one.path === '' ? undefined : 'out',
    path: one.field,
    what: WHAT[one.what],
    was: one.expected,
    is: one.actual,
    one,
  }));
  return (
    <CompareSheet
      label="What differs"
      was="known"
      is="now"
      all={all}
      action={action && (({ one }: Deviating) => action(one))}
    />
  );
}
