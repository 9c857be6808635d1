import type { Format, Look } from '@/api/client';

/** A way to show a value, in words. */
export interface FormatChoice {
  words: string;
  format: Format;
}

const TEXTS: FormatChoice[] = [
  { words: 'as it is written', format: { kind: 'plain' } },
  { words: 'several lines', format: { kind: 'longText' } },
  { words: 'a link', format: { kind: 'link' } },
  { words: 'a mail address', format: { kind: 'mail' } },
  { words: 'a telephone number', format: { kind: 'telephone' } },
];

const number = (words: string, digits?: number): FormatChoice => ({
  words,
  format: {
    kind: 'number',
    grouped: true,
    signed: false,
    ...(digits === undefined ? {} : { digits }),
  },
});

const NUMBERS: FormatChoice[] = [
  number('a number'),
  number('without decimals', 0),
  number('one decimal', 1),
  number('two decimals', 2),
  { words: 'a code, never grouped', format: { kind: 'plain' } },
  { words: 'euros', format: { kind: 'money', currency: 'EUR' } },
  { words: 'pounds', format: { kind: 'money', currency: 'GBP' } },
  { words: 'dollars', format: { kind: 'money', currency: 'USD' } },
  { words: 'a bar up to 100', format: { kind: 'progress', full: 100 } },
];

const DAYS: FormatChoice[] = [
  { words: 'a short date', format: { kind: 'date', length: 'SHORT' } },
  { words: 'a date', format: { kind: 'date', length: 'MEDIUM' } },
  { words: 'a long date', format: { kind: 'date', length: 'LONG' } },
];

const TIMES: FormatChoice[] = [
  { words: 'date and time', format: { kind: 'dateTime', length: 'MEDIUM' } },
  { words: 'short date and time', format: { kind: 'dateTime', length: 'SHORT' } },
  ...DAYS,
  { words: 'only the time', format: { kind: 'time', seconds: false } },
];

/** How values of a type can be shown. */
export function formatsFor(type: Look['type']): FormatChoice[] {
  switch (type) {
    case 'INTEGER':
    case 'DECIMAL':
    case 'FLOAT':
      return NUMBERS;
    case 'DATE':
      return DAYS;
    case 'DATE_TIME':
      return TIMES;
    case 'TIME':
      return [
        { words: 'a time', format: { kind: 'time', seconds: false } },
        { words: 'with seconds', format: { kind: 'time', seconds: true } },
      ];
    case 'BOOLEAN':
      return [
        { words: 'yes or no', format: { kind: 'yesNo', yes: 'yes', no: 'no' } },
        { words: 'on or off', format: { kind: 'yesNo', yes: 'on', no: 'off' } },
      ];
    case 'BASE64':
    case 'HEX':
      return [{ words: 'a picture or a file', format: { kind: 'picture' } }];
    default:
      return TEXTS;
  }
}

/** The same text for the same format, whatever the order of its members. */
const keyOf = (format: Format) =>
  JSON.stringify(Object.entries(format).toSorted(([one], [other]) => one.localeCompare(other)));

/** The choice that a format is, or nothing if it is none of them. */
export function choiceOf(choices: FormatChoice[], format: Format): number {
  return choices.findIndex((choice) => keyOf(choice.format) === keyOf(format));
}
