import { describe, expect, it } from 'vitest';
import { layOut } from './layOut';

describe('layOut', () => {
  it('keeps every number and text of JSON as it came', () => {
    expect(
      layOut('{"id":9007199254740993,"a":[1.50,{"b":"x, {\\"y\\": [1]}"}],"c":{},"d":[ ]}'),
    ).toBe(
      [
        '{',
        '  "id": 9007199254740993,',
        '  "a": [',
        '    1.50,',
        '    {',
        '      "b": "x, {\\"y\\": [1]}"',
        '    }',
        '  ],',
        '  "c": {},',
        '  "d": []',
        '}',
      ].join('\n'),
    );
  });

  it('leaves alone what is cut short or neither JSON nor XML', () => {
    expect(layOut('plain text, {or so}')).toBe('plain text, {or so}');
    expect(layOut('{"a":[1,')).toBe('{\n  "a": [\n    1,\n    ');
    expect(layOut('<a><b>1</b></a>')).toBe('<a>\n  <b>1</b>\n</a>');
  });
});
