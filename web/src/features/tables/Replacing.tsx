import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type Offered, type TableLoad, unwrap } from '@/api/client';
import { count } from '@/lib/format';
import { FileButton } from '@/ui/FileButton';
import { Problem } from '@/ui/Problem';
import { Loading } from './Loading';
import { offeredQuery, replaceRows } from './queries';
import { WrongCells } from './WrongCells';

/** A file that is to come in place, and how. */
interface Wish {
  chosen: File;
  /** Whether rows with wrong cells are left out. */
  leaveOut: boolean;
  /** Whether columns are looked for under other names. */
  follow: boolean;
}

/** What became of the columns, a line each. */
function changes(one: TableLoad['differences'][number]): string[] {
  return [
    ...one.renamed.map(
      ({ column, header, why }) =>
        `${column} is called ${header} now (${why}); it stays ${column} for those who ask.`,
    ),
    ...one.retyped.map(
      ({ column, before, after }) =>
        `${column} looks to hold ${after} now, and is offered as ${before}.`,
    ),
    ...one.dropped.map((column) => `${column} is not in the file and will be empty.`),
    ...one.more.map((column) => `${column} of the file is not offered.`),
  ];
}

function Differences({ load }: { load: TableLoad }) {
  return (
    <Box component="ul" aria-label="What would change" sx={{ pl: 2.5, my: 1 }}>
      {load.differences.map((one) => (
        <li key={one.table}>
          {one.table}: {count(one.added, 'row')} more, {one.changed.toLocaleString()} changed,{' '}
          {one.gone.toLocaleString()} gone
          {changes(one).map((line) => (
            <Box key={line}>{line}</Box>
          ))}
        </li>
      ))}
    </Box>
  );
}

/** Other rows in place of those that are offered: first the difference is told, then it is taken. */
export function Replacing({ offered }: { offered: Offered }) {
  const queries = useQueryClient();
  const [wish, setWish] = useState<Wish>();
  const [said, setSaid] = useState('');
  const loading = useMutation({
    mutationFn: ({ chosen, leaveOut, follow }: Wish) =>
      replaceRows(offered.id, chosen, { leaveOut, follow }),
  });
  const begin = (wish: Wish) => {
    setWish(wish);
    setSaid('');
    loading.mutate(wish);
  };
  const taking = useMutation({
    mutationFn: (load: string) =>
      unwrap(
        api.POST('/api/tables/{offer}/replacements/{load}', {
          params: { path: { offer: offered.id, load } },
        }),
      ),
    onSuccess: (changed) => {
      queries.setQueryData(offeredQuery(offered.id).queryKey, changed);
      loading.reset();
      setSaid('The new rows are offered.');
    },
  });
  const leaving = useMutation({
    mutationFn: (load: string) =>
      unwrap(api.DELETE('/api/tables/loads/{load}', { params: { path: { load } } })),
    onSuccess: () => {
      loading.reset();
    },
  });
  return (
    <Box component="section" aria-label="Replace the rows">
      <Typography variant="h2" sx={{ mt: 2.5, mb: 0.5 }}>
        Replace the rows
      </Typography>
      <FileButton
        label="File with the new rows"
        accept=".csv,.tsv,.xlsx,.ods"
        loading={loading.isPending}
        onFile={(chosen) => {
          begin({ chosen, leaveOut: false, follow: true });
        }}
      >
        Choose the new file…
      </FileButton>
      <Box aria-live="polite" sx={{ mt: 1 }}>
        {said}
        {loading.error && <Problem error={loading.error} />}
        {taking.error && <Problem error={taking.error} />}
        {loading.data && (
          <Loading load={loading.data.id}>
            {(ended) => (
              <>
                <WrongCells cells={ended.wrong} all={ended.wrongCells} />
                <Differences load={ended} />
                <Box sx={{ display: 'flex', gap: 1 }}>
                  {ended.state === 'DONE' && (
                    <Button
                      variant="contained"
                      loading={taking.isPending}
                      onClick={() => {
                        taking.mutate(ended.id);
                      }}
                    >
                      Take the new rows
                    </Button>
                  )}
                  {ended.state === 'WRONG' && wish && (
                    <Button
                      variant="contained"
                      onClick={() => {
                        begin({ ...wish, leaveOut: true });
                      }}
                    >
                      Compare without these rows
                    </Button>
                  )}
                  {wish?.follow && ended.differences.some((one) => one.renamed.length > 0) && (
                    <Button
                      onClick={() => {
                        leaving.mutate(ended.id, {
                          onSuccess: () => {
                            begin({ ...wish, follow: false });
                          },
                        });
                      }}
                    >
                      These are other columns
                    </Button>
                  )}
                  <Button
                    onClick={() => {
                      leaving.mutate(ended.id);
                    }}
                  >
                    Leave it as it is
                  </Button>
                </Box>
              </>
            )}
          </Loading>
        )}
      </Box>
    </Box>
  );
}
