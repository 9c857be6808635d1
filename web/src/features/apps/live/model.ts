import type { Json, Page, Part, Preview, Run, TracedCall } from '@/api/client';

/** What can be picked on a page: a part, or an input, column or field of one, in one of its rows. */
export interface Picked {
  part: string;
  item?: string;
  row?: number;
}

/** What stands on an open page. */
export interface LiveState {
  inputs: Record<string, Json>;
  contents: Record<string, Json>;
  messages: Run['messages'];
  trace: TracedCall[];
  busy: boolean;
}

export type LiveAction =
  | { type: 'input'; id: string; value: Json }
  | { type: 'asked' }
  | { type: 'answered'; run: Run }
  | { type: 'failed'; words: string };

export const emptyLive: LiveState = {
  inputs: {},
  contents: {},
  messages: [],
  trace: [],
  busy: false,
};

/** A page that was just opened, with what its form starts with. */
export function opened(page: Page, preview: Preview | undefined): LiveState {
  const inputs: Record<string, Json> = {};
  for (const part of page.parts) {
    if (part.kind !== 'form') continue;
    for (const input of part.inputs) {
      if (input.initial !== '') inputs[input.id] = input.initial;
    }
  }
  return { ...emptyLive, inputs: { ...inputs, ...preview?.inputs } };
}

export function changeLive(state: LiveState, action: LiveAction): LiveState {
  switch (action.type) {
    case 'input':
      return { ...state, inputs: { ...state.inputs, [action.id]: action.value } };
    case 'asked':
      return { ...state, busy: true, messages: [] };
    case 'answered':
      return {
        ...state,
        busy: false,
        contents: { ...state.contents, ...action.run.contents },
        messages: action.run.messages,
        trace: action.run.trace,
      };
    case 'failed':
      return { ...state, busy: false, messages: [{ failed: true, text: action.words }] };
  }
}

/** The inputs that fill the calls a button makes. */
function neededFor(page: Page, button: string): Set<string> {
  const calls = new Set(
    page.reactions
      .filter(({ when }) => when.kind === 'pressed' && when.button === button)
      .flatMap(({ steps }) => steps.flatMap((step) => (step.kind === 'call' ? [step.call] : []))),
  );
  return new Set(
    page.calls
      .filter((call) => calls.has(call.id))
      .flatMap((call) =>
        call.goesIn.flatMap(({ source }) => (source.kind === 'entered' ? [source.input] : [])),
      ),
  );
}

/** Required inputs that a button needs and that have nothing in them yet. */
export function missing(page: Page, button: string, inputs: Record<string, Json>): string[] {
  const needed = neededFor(page, button);
  return page.parts
    .flatMap((part) => (part.kind === 'form' ? part.inputs : []))
    .filter(
      (input) =>
        needed.has(input.id) &&
        input.required &&
        input.kind !== 'CHECKBOX' &&
        (inputs[input.id] ?? '') === '',
    )
    .map((input) => input.label);
}

export const isPicked = (picked: Picked | undefined, part: Part, item?: string) =>
  picked?.part === part.id && picked.item === item;
