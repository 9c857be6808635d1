import type { Json, LineView, PartView, StateWords } from '@/api/client';

/** What can be picked on a page: a part, or an input, column or field of one, in one of its rows. */
export interface Picked {
  part: string;
  item?: string;
  row?: number;
}

/** Nothing but the usual words. */
export const USUAL_WORDS: StateWords = { before: '', waiting: '', empty: '', failed: '' };

/** How rows are to be seen. */
export interface Arrangement {
  by: string | undefined;
  descending: boolean;
  find: string;
}

export type FetchedRows = ReadonlyMap<string, ReadonlyMap<number, LineView>>;

/** What a page that is drawn is used for, and what happens to it. */
export interface PageUse {
  /** Whether it is built: then nothing on it does anything but being picked. */
  building: boolean;
  picked: Picked | undefined;
  onPick: ((picked: Picked) => void) | undefined;
  /** What was typed since the server heard of it last, by input. */
  typed: Readonly<Record<string, Json>>;
  busy: boolean;
  /** Waits no longer for what the services would answer. */
  onStop: (() => void) | undefined;
  onInput: (id: string, value: Json, reported: boolean) => void;
  /** A button was pressed, perhaps one that stands in a row. */
  onPress: (button: string, row?: number) => void;
  onChoose: (part: string, row: number) => void;
  onArrange: ((part: string, arrangement: Arrangement) => void) | undefined;
  onReply: (yes: boolean) => void;
  /** Asks for rows of a part that are not here yet. */
  onRows: ((part: string, from: number) => void) | undefined;
  /** The rows that were asked for, by part and place, besides those that came with the page. */
  fetched: FetchedRows;
  /** Where the rows of a part can be had as a file. */
  fileOf: ((part: string, format: 'csv' | 'xlsx') => string) | undefined;
}

export interface PartProps<P extends PartView> {
  part: P;
  use: PageUse;
  /** What the part says when there is nothing to show. */
  words: StateWords;
  /** The button that belongs to a form: the first one below it. */
  button?: string | undefined;
}

export const isPicked = (picked: Picked | undefined, part: string, item?: string) =>
  picked?.part === part && picked.item === item;
