import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { RecordPart } from '@/api/client';
import { isRecord } from '@/lib/json';
import { Cell } from './Cell';
import { isPicked } from './model';
import type { PartProps } from './LivePage';

/** One thing with its fields. */
export function LiveRecord({ part, state, building, picked, onPick }: PartProps<RecordPart>) {
  const content = state.contents[part.id];
  const record = isRecord(content) ? content : undefined;
  return (
    <Box>
      {part.label && (
        <Typography variant="h2" sx={{ mb: 1 }}>
          {part.label}
        </Typography>
      )}
      {!record && !building && (
        <Typography sx={{ color: 'text.secondary' }}>Nothing asked yet.</Typography>
      )}
      {(record || building) && (
        <Box
          component="dl"
          sx={{
            m: 0,
            display: 'grid',
            gridTemplateColumns: 'repeat(auto-fill, minmax(min(260px, 100%), 1fr))',
            columnGap: 4,
          }}
        >
          {part.items.map((item) => (
            <Box
              key={item.id}
              onClick={
                onPick
                  ? (event) => {
                      event.stopPropagation();
                      onPick({ part: part.id, item: item.id });
                    }
                  : undefined
              }
              sx={{
                display: 'flex',
                justifyContent: 'space-between',
                gap: 2,
                py: 0.5,
                borderBottom: '1px solid',
                borderColor: 'line',
                minWidth: 0,
                ...(isPicked(picked, part, item.id) ? { bgcolor: 'shallow' } : {}),
              }}
            >
              <Box component="dt" sx={{ color: 'text.secondary', flex: 'none' }}>
                {item.label}
              </Box>
              <Box
                component="dd"
                sx={{ m: 0, textAlign: 'right', overflowWrap: 'anywhere', fontWeight: 600 }}
              >
                <Cell value={record?.[item.id]} item={item} large />
              </Box>
            </Box>
          ))}
        </Box>
      )}
    </Box>
  );
}
