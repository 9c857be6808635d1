import Box from '@mui/material/Box';
import type { RecordView } from '@/api/client';
import { byKeyboard } from '@/lib/pressed';
import { Cell } from './Cell';
import { InnerRows } from './InnerRows';
import { Emptiness } from './Emptiness';
import { Heading } from './Heading';
import { lookedInto } from './lookedInto';
import { isPicked, type PartProps } from './model';

/** One thing with its fields. */
export function RecordPart({ part, use, words }: PartProps<RecordView>) {
  const { building, onPick, picked } = use;
  const filled = part.content === 'FILLED';
  return (
    <Box>
      <Heading words={part.heading} />
      {!filled && !building && <Emptiness content={part.content} words={words} />}
      {(filled || building) && (
        <Box
          component="dl"
          sx={{
            m: 0,
            display: 'grid',
            gridTemplateColumns: 'repeat(auto-fill, minmax(min(260px, 100%), 1fr))',
            columnGap: 4,
          }}
        >
          {part.fields.map(({ column, cell }) => (
            <Box
              key={column.id}
              tabIndex={building ? 0 : undefined}
              onFocus={
                building
                  ? byKeyboard((event: React.FocusEvent) => {
                      event.stopPropagation();
                      if (!isPicked(picked, part.id, column.id))
                        onPick?.({ part: part.id, item: column.id });
                    })
                  : undefined
              }
              onClick={
                onPick
                  ? (event) => {
                      event.stopPropagation();
                      onPick({ part: part.id, item: column.id });
                    }
                  : undefined
              }
              {...lookedInto(use, () => onPick?.({ part: part.id, item: column.id }))}
              sx={{
                display: 'flex',
                justifyContent: 'space-between',
                gap: 2,
                py: 0.5,
                borderBottom: '1px solid',
                borderColor: 'line',
                minWidth: 0,
                ...(isPicked(picked, part.id, column.id) ? { bgcolor: 'shallow' } : {}),
              }}
            >
              <Box component="dt" sx={{ color: 'text.secondary', flex: 'none' }}>
                {column.label}
              </Box>
              <Box
                component="dd"
                sx={{ m: 0, textAlign: 'right', overflowWrap: 'anywhere', fontWeight: 600 }}
              >
                {column.display === 'ROWS' ? (
                  <InnerRows cell={cell} column={column} />
                ) : (
                  <Cell cell={cell} column={column} large />
                )}
              </Box>
            </Box>
          ))}
        </Box>
      )}
    </Box>
  );
}
