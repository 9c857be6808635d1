import Box from '@mui/material/Box';
import { type KeyboardEvent, type ReactNode, useMemo, useState } from 'react';
import { MONO } from '@/ui/fonts';
import { useGrowing } from '@/ui/Growing';
import { Mark } from '@/ui/Mark';
import { type Compared, compareLines, type CompareLine } from './compare';

interface Props<T extends Compared> {
  label: string;
  /** What stands over the two columns of values. */
  was: string;
  is: string;
  all: T[];
  /** How much a difference weighs, as a colour of the palette. */
  colour?: (one: T) => string;
  /** What can be done about one. */
  action?: ((one: T) => ReactNode) | undefined;
}

const CELL = { px: 0.75, py: 0.5, overflowWrap: 'anywhere', minWidth: 0 } as const;
const MOVES: Record<string, number> = { ArrowDown: 1, ArrowUp: -1, PageDown: 12, PageUp: -12 };

function NameCell({ line, colour }: { line: CompareLine<Compared>; colour: string }) {
  if (line.kind === 'head') {
    return (
      <Box
        role="gridcell"
        sx={{
          ...CELL,
          color: line.side === 'in' ? 'goesIn' : 'comesBack',
          fontWeight: 700,
          fontSize: 12,
          letterSpacing: 0.6,
        }}
      >
        {line.side === 'in' ? '▸ GOES IN' : '◂ COMES BACK'}
      </Box>
    );
  }
  const side = line.kind === 'differs' ? line.one.side : undefined;
  return (
    <Box
      role="gridcell"
      sx={{
        ...CELL,
        pl: `${String(6 + (line.level - 1) * 16)}px`,
        display: 'flex',
        alignItems: 'baseline',
        fontFamily: MONO,
        fontSize: 12.5,
        color: line.kind === 'way' ? 'text.secondary' : colour,
        fontWeight: line.kind === 'way' ? 400 : 600,
      }}
    >
      {side && <Mark side={side} />}
      {line.name}
    </Box>
  );
}

/** Fields in their tree, with what they are here and there beside each other. */
export function CompareSheet<T extends Compared>(props: Props<T>) {
  const { label, all, action } = props;
  const lines = useMemo(() => compareLines(all), [all]);
  const { shown, more } = useGrowing(lines, 'line');
  const [active, setActive] = useState(0);
  const template = `minmax(150px, 1.4fr) minmax(110px, 0.8fr) minmax(110px, 1.2fr) minmax(110px, 1.2fr)${
    action ? ' 150px' : ''
  }`;
  const move = (event: KeyboardEvent<HTMLElement>) => {
    const by = MOVES[event.key];
    const rows = event.currentTarget.querySelectorAll<HTMLElement>('[data-line]');
    if (by === undefined || !(event.target as HTMLElement).dataset.line) return;
    event.preventDefault();
    const next = Math.min(rows.length - 1, Math.max(0, active + by));
    setActive(next);
    rows[next]?.focus();
  };
  return (
    <Box sx={{ overflowX: 'auto' }}>
      <Box role="treegrid" aria-label={label} onKeyDown={move} sx={{ minWidth: 520 }}>
        <Box
          role="row"
          sx={{
            display: 'grid',
            gridTemplateColumns: template,
            borderBottom: '1px solid',
            borderColor: 'text.secondary',
            color: 'text.secondary',
            fontSize: 12,
          }}
        >
          {['field', 'what', props.was, props.is].map((head) => (
            <Box key={head} role="columnheader" sx={CELL}>
              {head}
            </Box>
          ))}
          {action && <Box role="columnheader" aria-label="what to do" />}
        </Box>
        {shown.map((line, index) => (
          <Box
            key={line.key}
            role="row"
            data-line="yes"
            aria-level={line.kind === 'head' ? 1 : line.level}
            tabIndex={index === active ? 0 : -1}
            onFocus={() => {
              setActive(index);
            }}
            sx={{
              display: 'grid',
              gridTemplateColumns: template,
              alignItems: 'baseline',
              borderBottom: '1px solid',
              borderColor: 'line',
              '&:hover, &:focus': { bgcolor: 'shallow' },
              '&:focus': {
                outline: 'none',
                boxShadow: 'inset 3px 0 0 var(--mui-palette-primary-main)',
              },
            }}
          >
            <NameCell
              line={line}
              colour={
                line.kind === 'differs'
                  ? (props.colour?.(line.one) ?? 'text.primary')
                  : 'text.primary'
              }
            />
            {line.kind === 'differs' && (
              <>
                <Box role="gridcell" sx={CELL}>
                  {line.one.what}
                </Box>
                <Box role="gridcell" sx={{ ...CELL, color: 'text.secondary' }}>
                  {line.one.was || '–'}
                </Box>
                <Box role="gridcell" sx={CELL}>
                  {line.one.is || '–'}
                </Box>
                {action && (
                  <Box role="gridcell" sx={CELL}>
                    {action(line.one)}
                  </Box>
                )}
              </>
            )}
          </Box>
        ))}
      </Box>
      {more}
    </Box>
  );
}
