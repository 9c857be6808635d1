import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { WrongCell } from '@/api/client';
import { count } from '@/lib/format';

interface Props {
  cells: WrongCell[];
  all: number;
}

/** Cells that cannot be taken as they are: where each stands, and why. */
export function WrongCells({ cells, all }: Props) {
  if (all === 0) return null;
  return (
    <Box component="section" aria-label="Wrong cells" sx={{ mt: 2 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        {count(all, 'cell')} cannot be taken as {all === 1 ? 'it is' : 'they are'}
      </Typography>
      <Box
        component="table"
        sx={{
          borderCollapse: 'collapse',
          '& th': { textAlign: 'left', fontWeight: 600, color: 'text.secondary' },
          '& td, & th': {
            py: 0.25,
            pr: 2.5,
            borderBottom: '1px solid',
            borderColor: 'line',
            verticalAlign: 'top',
          },
        }}
      >
        <thead>
          <tr>
            <th>Row</th>
            <th>Column</th>
            <th>What stands there</th>
            <th>Why not</th>
          </tr>
        </thead>
        <tbody>
          {cells.map((cell, index) => (
            <tr key={index}>
              <td>
                {cell.table} {cell.row}
              </td>
              <td>{cell.column}</td>
              <td>{cell.text === '' ? <em>nothing</em> : cell.text}</td>
              <td>It {cell.why}.</td>
            </tr>
          ))}
        </tbody>
      </Box>
      {all > cells.length && (
        <Typography sx={{ color: 'text.secondary', mt: 0.5 }}>
          and {(all - cells.length).toLocaleString()} more
        </Typography>
      )}
    </Box>
  );
}
