import Box from '@mui/material/Box';
import type { LineView, RowsView } from '@/api/client';
import { ButtonPart } from './ButtonPart';
import type { PageUse } from './model';

interface Props {
  rows: RowsView;
  row: LineView;
  use: PageUse;
}

const stop = (event: React.SyntheticEvent) => {
  event.stopPropagation();
};

/** The buttons of one row; pressing one is not choosing the row. */
export function RowButtons({ rows, row, use }: Props) {
  return (
    <Box
      component="span"
      onClick={stop}
      onKeyDown={stop}
      sx={{
        display: 'inline-flex',
        gap: 0.5,
        flexWrap: 'wrap',
        '@media print': { display: 'none' },
      }}
    >
      {rows.buttons
        .filter(({ id }) => !row.without.includes(id))
        .map((button) => (
          <ButtonPart key={button.id} part={button} use={use} row={row.number} />
        ))}
    </Box>
  );
}
