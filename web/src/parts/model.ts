import type { Json, PartView } from '@/api/client';

/** What can be picked on a page: a part, or an input, column or field of one, in one of its rows. */
export interface Picked {
  part: string;
  item?: string;
  row?: number;
}

/** What a page that is drawn is used for, and what happens to it. */
export interface PageUse {
  /** Whether it is built: then nothing on it does anything but being picked. */
  building: boolean;
  picked: Picked | undefined;
  onPick: ((picked: Picked) => void) | undefined;
  /** What was typed since the server heard of it last, by input. */
  typed: Readonly<Record<string, Json>>;
  busy: boolean;
  onInput: (id: string, value: Json) => void;
  onPress: (button: string) => void;
  onChoose: (part: string, row: number) => void;
  /** Asks for rows of a table that are not drawn yet. */
  onRows: ((part: string, from: number) => void) | undefined;
}

export interface PartProps<P extends PartView> {
  part: P;
  use: PageUse;
}

export const isPicked = (picked: Picked | undefined, part: string, item?: string) =>
  picked?.part === part && picked.item === item;
