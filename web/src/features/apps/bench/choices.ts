import type { Action, AppView, Bench, BenchItem, Trigger } from '@/api/client';

/** Something that fits where a word of a sentence stands. */
export interface WordChoice<T> {
  words: string;
  value: T;
}

/** The kinds of parts whose rows can be chosen, as people call them. */
const OVER_ROWS = new Set(['table', 'list']);

const named = ({ label, kind }: BenchItem) => label || `the ${kind}`;
/** What an item is called, with what tells it apart from others of its part. */
const fullLabel = ({ label, look }: BenchItem) =>
  look?.within ? `${look.within} › ${label}` : label;
const parts = (bench: Bench, kind: (kind: string) => boolean) =>
  bench.items.filter((one) => one.item === undefined && kind(one.kind));
/** The inputs that stand once on the page, not on every line. */
const inputs = (bench: Bench) => {
  const lines = new Set(parts(bench, (kind) => kind === 'lines').map(({ part }) => part));
  return bench.items.flatMap((one) =>
    one.kind === 'input' && one.item !== undefined && !lines.has(one.part)
      ? [{ id: one.item, label: fullLabel(one) }]
      : [],
  );
};

/** How often a page can do something by itself. */
const TIMES = [10, 30, 60, 300];

const seconds = (count: number) =>
  count < 60
    ? `${String(count)} seconds`
    : count === 60
      ? 'minute'
      : `${String(count / 60)} minutes`;

/** When something can happen on a page. */
export function triggersOf(bench: Bench): WordChoice<Trigger>[] {
  return [
    { words: 'the page is opened', value: { kind: 'opened' } },
    { words: 'somebody comes back to the page', value: { kind: 'cameBack' } },
    ...parts(bench, (kind) => kind === 'button').map((one) => ({
      words: `${named(one)} is pressed`,
      value: { kind: 'pressed', button: one.part } as const,
    })),
    ...parts(bench, (kind) => OVER_ROWS.has(kind)).map((one) => ({
      words: `a row of ${named(one)} is chosen`,
      value: { kind: 'rowChosen', part: one.part } as const,
    })),
    ...inputs(bench).map(({ id, label }) => ({
      words: `${label} changes`,
      value: { kind: 'changed', input: id } as const,
    })),
    ...bench.calls.map(({ id, operationName }) => ({
      words: `${operationName} has answered`,
      value: { kind: 'answered', call: id } as const,
    })),
    ...TIMES.map((count) => ({
      words: `${seconds(count)} have passed`.replace('minute have', 'a minute has'),
      value: { kind: 'every', seconds: count } as const,
    })),
  ];
}

/** An event as the middle of a sentence. */
export function triggerWords(when: Trigger, words: string): string {
  switch (when.kind) {
    case 'opened':
      return 'the page is opened';
    case 'cameBack':
      return 'somebody comes back to the page';
    case 'pressed':
      return `${words} is pressed`;
    case 'rowChosen':
      return `a row of ${words} is chosen`;
    case 'changed':
      return `${words} changes`;
    case 'answered':
      return `${words} has answered`;
    case 'every':
      return when.seconds === 60 ? 'a minute has passed' : `${seconds(when.seconds)} have passed`;
  }
}

/** What a page can do. */
export function actionsOf(bench: Bench, view: AppView, page: string): WordChoice<Action>[] {
  return [
    ...bench.calls.map(({ id, operationName }) => ({
      words: `call ${operationName}`,
      value: { kind: 'makeCall', call: id } as const,
    })),
    { words: 'say something', value: { kind: 'say' } },
    { words: 'ask, and go on with a yes', value: { kind: 'ask' } },
    ...view.pages
      .filter(({ id }) => id !== page)
      .map(({ id, name }) => ({
        words: `go to ${name}`,
        value: { kind: 'goTo', page: id, arguments: [] as string[] } as const,
      })),
    { words: 'go back', value: { kind: 'goBack' } },
    ...inputs(bench).map(({ id, label }) => ({
      words: `put a value into ${label}`,
      value: { kind: 'setInput', input: id } as const,
    })),
    ...parts(bench, (kind) => kind === 'form').map((one) => ({
      words: `empty ${named(one)}`,
      value: { kind: 'clear', form: one.part } as const,
    })),
    { words: 'open an address', value: { kind: 'openAddress' } },
    { words: 'stop', value: { kind: 'stop' } },
  ];
}

/** What a step does, as the beginning of a clause; what it does it with follows. */
export function actionWords(action: Action, words: string): string {
  switch (action.kind) {
    case 'makeCall':
      return `call ${words}`;
    case 'setInput':
      return `put into ${words}`;
    case 'clear':
      return `empty ${words}`;
    case 'say':
      return 'say';
    case 'ask':
      return 'ask';
    case 'goTo':
      return `go to ${words}`;
    case 'goBack':
      return 'go back';
    case 'openAddress':
      return 'open';
    case 'stop':
      return 'stop';
  }
}
