import type { AppEdit, FieldView, Pair, PageCall } from '@/api/client';
import { count } from '@/lib/format';
import { pathKey } from '@/lib/json';
import { filledBy } from './model';

export const slotKey = ({ slot }: Pair) => JSON.stringify(slot);

/** What a slot that is still empty could take, the best first. */
export interface Open {
  key: string;
  name: string;
  candidates: Pair[];
}

/** What is left, slot by slot. */
export function openSlots(next: Pair[]): Open[] {
  const open = new Map<string, Open>();
  for (const pair of next) {
    const key = slotKey(pair);
    const known = open.get(key);
    if (known) known.candidates.push(pair);
    else open.set(key, { key, name: pair.name, candidates: [pair] });
  }
  return [...open.values()];
}

/**
 * The edit that takes pairs, and asks for what must be filled besides. What is only likely is marked
 * to be looked at; what a person chose is not.
 */
export function pairEdit(
  page: string,
  pairs: Pair[],
  ask?: { call: PageCall; fields: FieldView[] },
): AppEdit {
  return {
    kind: 'together',
    title: `Pair ${count(pairs.length, 'field')}`,
    edits: [
      ...pairs.map(({ slot, source, grade, reasons }): AppEdit => ({
        kind: 'fillSlot',
        slot,
        source,
        ...(grade === 'LIKELY' ? { likely: reasons.join(', ') || 'place' } : {}),
      })),
      ...(ask?.fields ?? []).map(({ path }): AppEdit => ({
        kind: 'fillFromInput',
        page,
        call: ask?.call.id ?? '',
        parameter: path,
      })),
    ],
  };
}

/** The fields that must be filled and are not, and are not paired either. */
export function unfilled(call: PageCall, fields: FieldView[], pairs: Pair[]): FieldView[] {
  const paired = new Set(pairs.map(({ parameter }) => pathKey(parameter)));
  return fields.filter(
    (field) =>
      field.kind === 'scalar' &&
      field.required &&
      !filledBy(call, field.path) &&
      !paired.has(pathKey(field.path)),
  );
}
