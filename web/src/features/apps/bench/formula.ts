import type { CompletionResult } from '@codemirror/autocomplete';

/** Something a formula may name. */
export interface Variable {
  name: string;
  type: string;
  value: string;
  inside: string[];
}

/** What formulas can do besides signs; docs/formulas.md describes each. */
export const FUNCTIONS = [
  'day',
  'daysBetween',
  'round',
  'join',
  'hoursBetween',
  'minutesBetween',
  'sum',
  'least',
  'most',
  'mean',
  'size',
  'has',
];

/** What can stand where something is typed: names in reach, or the fields of one behind a point. */
export function offeredAt(word: string, from: number, variables: Variable[]): CompletionResult {
  const point = word.lastIndexOf('.');
  if (point > 0) {
    const owner = variables.find(({ name }) => name === word.slice(0, point));
    return {
      from: from + point + 1,
      options: (owner?.inside ?? []).map((label) => ({ label, type: 'property' })),
    };
  }
  return {
    from,
    options: [
      ...variables.map(({ name, type, value }) => ({
        label: name,
        detail: value || type,
        type: 'variable',
      })),
      ...FUNCTIONS.map((label) => ({ label, apply: `${label}(`, type: 'function' })),
    ],
  };
}
