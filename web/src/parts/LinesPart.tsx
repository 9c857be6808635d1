import Add from '@mui/icons-material/Add';
import DeleteOutlined from '@mui/icons-material/DeleteOutlined';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import { useRef } from 'react';
import type { Json, LinesView } from '@/api/client';
import { Heading } from './Heading';
import { InputField } from './InputField';
import type { PartProps } from './model';
import { Pickable } from './Pickable';

type Line = Readonly<Record<string, Json>>;

/** Lines to fill in, as many as there are things to tell of. */
export function LinesPart({ part, use }: PartProps<LinesView>) {
  const rows = useRef<HTMLDivElement>(null);
  const known = (use.typed[part.id] as Line[] | undefined) ?? part.lines;
  // An empty line is not sent, so that one can always be there to begin with.
  const lines: readonly Line[] = known.length === 0 ? [{}] : known;
  const put = (next: readonly Line[]) => {
    use.onInput(part.id, next, false);
  };
  const add = () => {
    put([...lines, {}]);
    // The new line is there after the next drawing.
    requestAnimationFrame(() => {
      const fields = rows.current?.lastElementChild?.querySelector<HTMLElement>('input, textarea');
      fields?.focus();
    });
  };
  return (
    <Box role="group" aria-label={part.heading}>
      <Heading words={part.heading} />
      <Box ref={rows}>
        {lines.map((line, at) => (
          <Box
            key={at}
            role="group"
            aria-label={`Line ${String(at + 1)}`}
            sx={{
              display: 'flex',
              alignItems: 'start',
              gap: 1,
              py: 1,
              borderTop: '1px solid',
              borderColor: 'line',
            }}
          >
            <Box
              component="span"
              aria-hidden
              sx={{ color: 'text.secondary', width: 20, pt: 1, textAlign: 'right', flex: 'none' }}
            >
              {at + 1}
            </Box>
            <Box
              sx={{
                flex: 1,
                minWidth: 0,
                display: 'grid',
                gap: 1.5,
                gridTemplateColumns: 'repeat(auto-fill, minmax(min(150px, 100%), 1fr))',
              }}
            >
              {part.inputs.map((input) => (
                <Pickable key={input.id} use={use} place={{ part: part.id, item: input.id }}>
                  <InputField
                    input={input}
                    value={line[input.id] ?? input.value}
                    onInput={(value) => {
                      put(
                        lines.map((other, place) =>
                          place === at ? { ...other, [input.id]: value } : other,
                        ),
                      );
                    }}
                  />
                </Pickable>
              ))}
            </Box>
            <IconButton
              aria-label={`Take line ${String(at + 1)} away`}
              title="Take this line away"
              disabled={use.building || known.length === 0}
              onClick={() => {
                put(lines.filter((_, place) => place !== at));
              }}
            >
              <DeleteOutlined sx={{ fontSize: 18 }} />
            </IconButton>
          </Box>
        ))}
      </Box>
      <Button startIcon={<Add />} disabled={use.building} onClick={add} sx={{ mt: 0.5 }}>
        Another line
      </Button>
    </Box>
  );
}
