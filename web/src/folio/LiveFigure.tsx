import Box from '@mui/material/Box';
import { useQuery } from '@tanstack/react-query';
import type { FolioEntry } from '@/api/client';
import { figureQuery } from '@/api/queries';

/** How something stands now, with the time of that. */
export function LiveFigure(props: { entry: FolioEntry; app: string; draft: boolean }) {
  const { entry, draft } = props;
  const figure = entry.figure;
  const { data, error } = useQuery({
    ...figureQuery(entry.app || props.app, entry.page, figure?.part ?? '', draft),
    enabled: figure !== undefined,
  });
  if (!figure) return null;
  const time =
    data && new Intl.DateTimeFormat(undefined, { timeStyle: 'short' }).format(new Date(data.at));
  return (
    <Box sx={{ textAlign: { sm: 'right' }, whiteSpace: 'nowrap' }}>
      {!data && !error && <Box sx={{ color: 'text.secondary' }}>…</Box>}
      {error && <Box sx={{ color: 'text.secondary' }}>not known now</Box>}
      {data && (
        <>
          <strong>{data.text ?? '–'}</strong> {figure.words}{' '}
          <Box component="span" sx={{ color: 'text.secondary', fontSize: 12 }}>
            {time}
          </Box>
        </>
      )}
    </Box>
  );
}
