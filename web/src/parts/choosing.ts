import type { InputView } from '@/api/client';

const CHOSEN: InputView['kind'][] = ['CHOICE', 'BUTTONS', 'SEARCH'];

/** Whether only what is offered may be put into an input. */
export const isChosen = (kind: InputView['kind']) => CHOSEN.includes(kind);

/** What people read for a code. */
export const wordsFor = (input: InputView, code: string) =>
  input.choices.find((choice) => choice.code === code)?.words ?? code;
