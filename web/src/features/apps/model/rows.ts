import type { AppEdit, FieldRef, Model, ModelRow, Overrides } from '@/api/client';

export type Narrow = 'all' | 'used' | 'decided';

/** The rows that a search and a filter let through. */
export function narrowed(rows: ModelRow[], find: string, narrow: Narrow): ModelRow[] {
  const wanted = find.toLowerCase();
  return rows.filter(
    (row) =>
      (row.name.toLowerCase().includes(wanted) ||
        row.look.label.toLowerCase().includes(wanted) ||
        row.documentation.toLowerCase().includes(wanted)) &&
      (narrow !== 'used' || row.usedAt.length > 0) &&
      (narrow !== 'decided' || Object.keys(row.set).length > 0 || row.rule !== undefined),
  );
}

/** Tells rows apart. */
export const rowId = ({ ref }: ModelRow) =>
  `${ref.owner.service}\u001f${ref.owner.shape.namespace}\u001f${ref.owner.shape.name}\u001f${ref.name}`;

/** The edit that decides something of a field. */
export function setEdit(type: string, row: ModelRow, change: Partial<Overrides>): AppEdit {
  return {
    kind: 'setModelField',
    field: row.ref,
    ...(row.rule === undefined ? {} : { type, derived: row.name }),
    set: { ...row.set, ...change },
  };
}

/** The same for several fields, as one step of undo. */
export function setAllEdit(
  type: string,
  title: string,
  rows: ModelRow[],
  change: Partial<Overrides>,
): AppEdit {
  return { kind: 'together', title, edits: rows.map((row) => setEdit(type, row, change)) };
}

/** Fields that had no value in any sample, though there are samples. */
export const alwaysEmpty = (rows: ModelRow[]) =>
  rows.filter(
    ({ shown, look, usedAt }) =>
      shown.length > 0 &&
      shown.every((value) => value === '') &&
      !look.hidden &&
      usedAt.length === 0,
  );

/** Fields that are called like what only those who run a service look at. */
export const diagnostics = (rows: ModelRow[]) =>
  rows.filter(
    ({ name, look }) =>
      /^(diag|trace|debug|etag|__|_|@)|(trace|request|correlation)_?id$|^(node|host|elapsed|checksum)/i.test(
        name,
      ) && !look.hidden,
  );

/** The fields of other shapes of the type that are no pair of another one yet. */
export function pairsFor(rows: ModelRow[], row: ModelRow): FieldRef[] {
  return rows
    .filter((other) => other.rule === undefined && sameShape(other, row) === false)
    .filter((other) => other.same.length === 0)
    .map(({ ref }) => ref);
}

function sameShape(one: ModelRow, other: ModelRow) {
  const { service, shape } = one.ref.owner;
  const owner = other.ref.owner;
  return (
    service === owner.service &&
    shape.name === owner.shape.name &&
    shape.namespace === owner.shape.namespace
  );
}

/** Codes and words as lines that people write: code = words. */
export function linesOf(items: Model['lists'][number]['items']): string {
  return items.map(({ code, words }) => (code === words ? code : `${code} = ${words}`)).join('\n');
}

/** Lines with more codes below them; what somebody wrote for a code stays. */
export function withMore(text: string, more: Model['lists'][number]['items']): string {
  const known = new Set(itemsIn(text).map(({ code }) => code));
  const added = linesOf(more.filter(({ code }) => !known.has(code)));
  return [text.trimEnd(), added].filter((part) => part !== '').join('\n');
}

/** What lines say; a tab, a semicolon or an equals sign stands between code and words. */
export function itemsIn(text: string): { code: string; words: string }[] {
  return text
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '')
    .map((line) => {
      const [code = '', ...words] = line.split(/\s*[=;\t]\s*/);
      return { code, words: words.join(' ') || code };
    });
}
