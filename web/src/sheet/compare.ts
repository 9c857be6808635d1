import { type Path, type Step, stepKey, stepText } from '@/lib/json';

/** A field, or the whole, that is one thing here and another there. */
export interface Compared {
  side: 'in' | 'out' | undefined;
  path: Path;
  what: string;
  was: string;
  is: string;
}

/** A line of the sheet: a head, a field that only leads to others, or one that differs. */
export type CompareLine<T extends Compared> =
  | { kind: 'head'; side: 'in' | 'out'; key: string }
  | { kind: 'way'; name: string; level: number; key: string }
  | { kind: 'differs'; name: string; level: number; key: string; one: T };

interface Node<T> {
  step: Step | undefined;
  below: Map<string, Node<T>>;
  own: T[];
}

const node = <T>(step: Step | undefined): Node<T> => ({ step, below: new Map(), own: [] });

/** The lines of a tree of fields, in the order in which fields come first. */
export function compareLines<T extends Compared>(all: T[]): CompareLine<T>[] {
  const lines: CompareLine<T>[] = [];
  for (const side of [undefined, 'in', 'out'] as const) {
    const wanted = all.filter((one) => one.side === side);
    if (wanted.length === 0) continue;
    const key = side ?? 'whole';
    if (side) lines.push({ kind: 'head', side, key });
    const root = node<T>(undefined);
    for (const one of wanted) {
      let here = root;
      for (const step of one.path) {
        const next = here.below.get(stepKey(step)) ?? node<T>(step);
        here.below.set(stepKey(step), next);
        here = next;
      }
      here.own.push(one);
    }
    walk(root, 1, key, lines);
  }
  return lines;
}

function walk<T extends Compared>(
  here: Node<T>,
  level: number,
  key: string,
  lines: CompareLine<T>[],
) {
  const name = here.step === undefined ? 'the whole' : stepText(here.step);
  here.own.forEach((one, index) => {
    lines.push({ kind: 'differs', name, level, key: `${key}#${String(index)}`, one });
  });
  if (here.own.length === 0 && here.step !== undefined) {
    lines.push({ kind: 'way', name, level, key });
  }
  for (const [step, next] of here.below) {
    walk(next, here.step === undefined ? level : level + 1, `${key}\u001f${step}`, lines);
  }
}
