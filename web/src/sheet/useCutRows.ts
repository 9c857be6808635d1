import { useQueries } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { FieldView, Json } from '@/api/client';
import { cutsQuery } from '@/api/queries';
import { isName, pathKey, pathText, type Step, valueAt } from '@/lib/json';

/** A path that cuts a text: where the text stands, how it is cut, and the name of the field. */
interface CutPath {
  path: Step[];
  text: Step[];
  pattern: string;
  every: boolean;
}

/** What a path cuts, if it cuts anything. */
export function cutIn(path: Step[]): CutPath | undefined {
  const at = path.findIndex((step) => !isName(step) && step.cut !== undefined);
  const step = path[at];
  if (at < 1 || at + 2 !== path.length || step === undefined || isName(step)) return undefined;
  return {
    path,
    text: path.slice(0, at),
    pattern: step.cut ?? '',
    every: step.every === true,
  };
}

function rowOf({ path, pattern }: CutPath): FieldView {
  return {
    path,
    name: pathText(path.slice(-1)),
    kind: 'scalar',
    type: 'text',
    required: false,
    repeats: false,
    nillable: false,
    documentation: `cut out with ${pattern}`,
    choices: [],
    wire: '',
    rows: [],
    recursive: false,
    more: false,
    given: false,
  };
}

/** The fields with a row below each text for what is cut out of it, and the values of those. */
export function useCutRows(fields: FieldView[], answer: Json, paths: Step[][]) {
  const cuts = useMemo(() => paths.flatMap((path) => cutIn(path) ?? []), [paths]);
  const derived = useQueries({
    queries: cuts.map(({ text, pattern, every }) => {
      const whole = valueAt(answer, text, {});
      return cutsQuery({
        text: typeof whole === 'string' ? whole : '',
        path: text,
        pattern,
        every,
      });
    }),
    combine: (results) =>
      Object.fromEntries(
        results
          .flatMap((result) => result.data?.fields ?? [])
          .map((field) => [pathKey(field.path), field.values as Json]),
      ),
  });
  const rows = useMemo(
    () =>
      fields.flatMap((field) => [
        field,
        ...cuts.filter((cut) => pathKey(cut.text) === pathKey(field.path)).map(rowOf),
      ]),
    [fields, cuts],
  );
  return { rows, derived };
}
