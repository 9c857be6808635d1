import Box from '@mui/material/Box';
import { useQuery } from '@tanstack/react-query';
import { benchQuery } from '@/api/queries';
import { DrawnPage } from './DrawnPage';
import { lookedAt } from './sampleUse';

/** As wide as a page is drawn before it is made small. */
const PAGE = 900;

interface Props {
  app: string;
  page: string;
  width: number;
  height: number;
}

/** A page in small, with its samples. */
export function Miniature({ app, page, width, height }: Props) {
  const { data } = useQuery(benchQuery(app, page, 0));
  const scale = width / PAGE;
  return (
    <Box
      aria-hidden
      inert
      sx={{
        width,
        height,
        overflow: 'hidden',
        border: '1px solid',
        borderColor: 'line',
        bgcolor: 'background.paper',
      }}
    >
      {data && (
        <Box
          sx={{
            width: PAGE,
            height: height / scale,
            overflow: 'hidden',
            p: 3,
            transform: `scale(${String(scale)})`,
            transformOrigin: 'top left',
          }}
        >
          <DrawnPage page={data.page} use={lookedAt} />
        </Box>
      )}
    </Box>
  );
}
