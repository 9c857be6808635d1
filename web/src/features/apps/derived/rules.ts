import type { Json, Rule } from '@/api/client';
import { isRecord, itemsOf } from '@/lib/json';

export type RuleKind = Rule['kind'];

/** The ways to derive a field, in words. */
export const WAYS: Record<RuleKind, string> = {
  lookedUp: 'look up by key',
  cutOut: 'cut out of a text',
  decoded: 'decode',
  picked: 'pick one of several',
  folded: 'put several together',
  computed: 'formula',
};

/** A field of the record that is derived from. */
export interface Inside {
  name: string;
  kind: string;
  type: string;
  repeats: boolean;
  inside: string[];
}

/** Which ways make sense for a field. */
export function waysFor(field: Inside | undefined): RuleKind[] {
  if (field?.repeats)
    return field.kind === 'record'
      ? ['lookedUp', 'picked', 'folded', 'computed']
      : ['picked', 'folded', 'computed'];
  return field?.type === 'text' || field?.type === 'binary'
    ? ['cutOut', 'decoded', 'computed']
    : ['computed'];
}

const KEYS = /^(key|name|code|property|attribute|parameter|label|id|field|item)$/i;
const VALUES = /^(value|val|text|content|data|said)$/i;

const named = (names: string[], pattern: RegExp, otherwise: number) =>
  names.find((name) => pattern.test(name)) ?? names[otherwise] ?? '';

/** What a way starts with for a field. */
export function startRule(kind: RuleKind, field: Inside): Rule {
  const path = [field.name];
  const first = field.inside[0];
  switch (kind) {
    case 'lookedUp':
      return {
        kind,
        list: path,
        key: named(field.inside, KEYS, 0),
        wanted: '',
        value: named(field.inside, VALUES, 1),
      };
    case 'cutOut':
      return { kind, text: path, pattern: '', group: '' };
    case 'decoded':
      return { kind, text: path, coding: 'BASE64', inside: [] };
    case 'picked':
      return { kind, list: path, place: 0, inside: first === undefined ? [] : [first] };
    case 'folded':
      return {
        kind,
        values: first === undefined ? path : [...path, first],
        fold: 'JOIN',
        separator: ', ',
      };
    case 'computed':
      return { kind, formula: '' };
  }
}

/** The names of the groups of a pattern. */
export const groupsOf = (pattern: string) =>
  [...pattern.matchAll(/\(\?P?<([A-Za-z_]\w*)>/g)].map(([, name]) => name ?? '');

/** The keys that samples have in a list, most common first. */
export function keysOf(records: readonly Json[], list: string, key: string): string[] {
  const counts = new Map<string, number>();
  for (const record of records) {
    if (!isRecord(record)) continue;
    for (const item of itemsOf(record[list])) {
      const value = isRecord(item) ? item[key] : undefined;
      if (typeof value === 'string' || typeof value === 'number')
        counts.set(String(value), (counts.get(String(value)) ?? 0) + 1);
    }
  }
  return [...counts].toSorted(([, one], [, other]) => other - one).map(([name]) => name);
}

/** Whether enough is said of a rule for it to be tried. */
export function isComplete(rule: Rule): boolean {
  switch (rule.kind) {
    case 'lookedUp':
      return rule.wanted !== '' && rule.key !== '' && rule.value !== '';
    case 'cutOut':
      return rule.pattern !== '' && rule.group !== '';
    case 'computed':
      return rule.formula !== '';
    default:
      return true;
  }
}
