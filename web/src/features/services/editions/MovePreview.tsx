import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { AppEdit } from '@/api/client';
import { appQuery, previewQuery } from '@/api/queries';
import { DrawnPage } from '@/parts/DrawnPage';
import { lookedAt } from '@/parts/sampleUse';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';

interface Props {
  app: string;
  edits: AppEdit[];
  /** The page that is shown first. */
  first: string | undefined;
}

/** The pages of an app as edits would make them, filled with its samples. */
export function MovePreview({ app, edits, first }: Props) {
  const { data: known } = useQuery(appQuery(app));
  const [chosen, setChosen] = useState<string>();
  const page = chosen ?? first ?? known?.pages[0]?.id;
  const { data, error, isPlaceholderData } = useQuery({
    ...previewQuery(app, page ?? '', edits),
    enabled: page !== undefined,
    placeholderData: keepPreviousData,
  });
  return (
    <Box component="section" aria-label="As it would be" sx={{ mt: 1.5 }}>
      <TextField
        select
        label="Page as it would be"
        value={known && page ? page : ''}
        onChange={(event) => {
          setChosen(event.target.value);
        }}
        sx={{ width: 240, mb: 1 }}
      >
        {(known?.pages ?? []).map(({ id, name }) => (
          <MenuItem key={id} value={id}>
            {name}
          </MenuItem>
        ))}
      </TextField>
      {error && <Problem error={error} />}
      {!error && !data && <Waiting what="Drawing it" />}
      {data && (
        <Box
          inert
          sx={{
            border: '1px solid',
            borderColor: 'line',
            bgcolor: 'background.paper',
            p: 2,
            maxHeight: 380,
            overflow: 'auto',
            opacity: isPlaceholderData ? 0.5 : 1,
          }}
        >
          <DrawnPage page={data} use={lookedAt} />
        </Box>
      )}
    </Box>
  );
}
