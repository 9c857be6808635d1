import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useDeferredValue, useMemo, useState } from 'react';
import type { Catalogue } from '@/api/client';
import { count } from '@/lib/format';
import { FindingList } from '@/ui/FindingList';
import { useGrowing } from '@/ui/Growing';

type Entry = Catalogue['entries'][number];

interface Props {
  catalogue: Catalogue;
  /** The one that is open below. */
  chosen: string | undefined;
  onChoose: (entry: Entry) => void;
}

/** Services to pick from, searchable by every word that is shown of them. */
export function CatalogueList({ catalogue, chosen, onChoose }: Props) {
  const [find, setFind] = useState('');
  const wanted = useDeferredValue(find).toLowerCase().trim();
  const words = useMemo(
    () =>
      catalogue.entries.map((entry) =>
        `${entry.name} ${entry.address} ${entry.documentation}`.toLowerCase(),
      ),
    [catalogue],
  );
  const found = useMemo(
    () => catalogue.entries.filter((_, index) => words[index]?.includes(wanted)),
    [catalogue, words, wanted],
  );
  const { shown, more } = useGrowing(found, 'service');
  return (
    <Box component="section" aria-label="Services to pick from">
      <Typography variant="h2">A list of {count(catalogue.entries.length, 'service')}</Typography>
      <Typography sx={{ color: 'text.secondary', mb: 1 }}>
        Press one to read its description.
      </Typography>
      <FindingList findings={catalogue.findings} label="Findings in the list" />
      {catalogue.entries.length > 5 && (
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5, mb: 1 }}>
          <TextField
            placeholder="find a service…"
            value={find}
            onChange={(event) => {
              setFind(event.target.value);
            }}
            slotProps={{ htmlInput: { 'aria-label': 'Find a service in the list' } }}
          />
          {wanted !== '' && (
            <Typography sx={{ color: 'text.secondary' }}>
              {count(found.length, 'match', 'matches')}
            </Typography>
          )}
        </Box>
      )}
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {shown.map((entry) => (
          <Box component="li" key={entry.address}>
            <ButtonBase
              onClick={() => {
                onChoose(entry);
              }}
              aria-current={entry.address === chosen}
              sx={{
                display: 'grid',
                gridTemplateColumns: 'minmax(180px, 1fr) 2fr',
                columnGap: 2,
                alignItems: 'baseline',
                width: '100%',
                textAlign: 'left',
                px: 1,
                py: 0.5,
                borderBottom: '1px solid',
                borderBottomColor: 'line',
                bgcolor: entry.address === chosen ? 'shallow' : 'transparent',
                '&:hover, &:focus-visible': { bgcolor: 'shallow' },
              }}
            >
              <Typography sx={{ fontWeight: 600, overflowWrap: 'anywhere' }}>
                {entry.name}
              </Typography>
              <Box>
                {entry.documentation !== '' && <Typography>{entry.documentation}</Typography>}
                <Typography
                  variant="caption"
                  component="div"
                  sx={{ color: 'text.secondary', overflowWrap: 'anywhere' }}
                >
                  {entry.address}
                </Typography>
              </Box>
            </ButtonBase>
          </Box>
        ))}
      </Box>
      {more}
      {found.length === 0 && (
        <Typography sx={{ color: 'text.secondary', p: 1 }}>None matches “{find}”.</Typography>
      )}
    </Box>
  );
}
