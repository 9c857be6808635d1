import type { Folio, FolioEntry } from '@/api/client';

/** An entry where it stands, under the number that it is drawn with. */
export interface Placed {
  entry: FolioEntry;
  section: number;
  place: number;
  number: number;
}

/** All entries of a start page, numbered through. */
export function placed(folio: Folio): Placed[] {
  let number = 0;
  return folio.sections.flatMap(({ entries }, section) =>
    entries.map((entry, place) => ({ entry, section, place, number: ++number })),
  );
}

/** Whether an entry has all the words that are looked for, in any order. */
export function isFound(entry: FolioEntry, section: string, wanted: string): boolean {
  const all = `${entry.name} ${entry.line} ${section}`.toLowerCase();
  return wanted
    .toLowerCase()
    .split(/\s+/)
    .every((word) => all.includes(word));
}

/** What tells an entry from all others, for marks and for what was used last. */
export const keyOf = (entry: FolioEntry, app: string) => `${entry.app || app}/${entry.page}`;

const replaced = <T>(list: T[], at: number, one: T) => list.with(at, one);

/** The start page with an entry changed, or taken off it. */
export function withEntry(
  folio: Folio,
  section: number,
  place: number,
  entry: FolioEntry | undefined,
): Folio {
  const known = folio.sections[section];
  if (!known) return folio;
  const entries = entry ? replaced(known.entries, place, entry) : known.entries.toSpliced(place, 1);
  return { sections: replaced(folio.sections, section, { ...known, entries }) };
}

/** The start page with an entry put before another place, also one of another section. */
export function moved(
  folio: Folio,
  from: { section: number; place: number },
  to: { section: number; place: number },
): Folio {
  const entry = folio.sections[from.section]?.entries[from.place];
  if (!entry || !folio.sections[to.section]) return folio;
  const without = withEntry(folio, from.section, from.place, undefined);
  const shift = from.section === to.section && from.place < to.place ? 1 : 0;
  const target = without.sections[to.section];
  if (!target) return folio;
  const entries = target.entries.toSpliced(to.place - shift, 0, entry);
  return { sections: replaced(without.sections, to.section, { ...target, entries }) };
}

/** The start page with an entry one line further up or down, over the edges of sections. */
export function stepped(folio: Folio, section: number, place: number, by: -1 | 1): Folio {
  const last = (folio.sections[section]?.entries.length ?? 0) - 1;
  if (by < 0 && place === 0) {
    const above = folio.sections[section - 1];
    if (!above) return folio;
    return moved(folio, { section, place }, { section: section - 1, place: above.entries.length });
  }
  if (by > 0 && place === last) {
    if (!folio.sections[section + 1]) return folio;
    return moved(folio, { section, place }, { section: section + 1, place: 0 });
  }
  return moved(folio, { section, place }, { section, place: by < 0 ? place - 1 : place + 2 });
}
