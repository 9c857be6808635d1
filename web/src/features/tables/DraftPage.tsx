import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useDeferredValue, useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { api, type OfferedTable, type TableDraft, unwrap } from '@/api/client';
import { count } from '@/lib/format';
import { Fetched } from '@/ui/Fetched';
import { FindingList } from '@/ui/FindingList';
import { useFrame } from '@/ui/frame';
import { Problem } from '@/ui/Problem';
import { ColumnGrid } from './ColumnGrid';
import { Loading } from './Loading';
import { asText, offerOf, type WishedTable, wishOf, withTable } from './model';
import { checkQuery, draftQuery, offersOfTables } from './queries';
import { WrongCells } from './WrongCells';

const CHANGES = { CREATE: 'add', CHANGE: 'change', DELETE: 'delete' } as const satisfies Record<
  OfferedTable['changes'][number],
  string
>;

interface TableProps {
  table: WishedTable;
  onChange: (table: WishedTable) => void;
}

function TableWish({ table: wished, onChange }: TableProps) {
  const { table } = wished;
  const set = (change: Partial<OfferedTable>) => {
    onChange({ ...wished, table: { ...table, ...change } });
  };
  return (
    <Box component="section" aria-label={table.sheet || table.several} sx={{ mt: 2 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, flexWrap: 'wrap' }}>
        <Checkbox
          size="small"
          checked={wished.on}
          slotProps={{ input: { 'aria-label': `Offer ${table.sheet || table.several}` } }}
          onChange={(_, on) => {
            onChange({ ...wished, on });
          }}
          sx={{ p: 0.25 }}
        />
        <Typography variant="h2">
          {table.sheet || table.several}, {count(wished.rows, 'row')}
        </Typography>
        {wished.on && (
          <>
            <TextField
              label="One is a"
              value={table.name}
              onChange={(event) => {
                set({ name: event.target.value });
              }}
              sx={{ width: 130 }}
            />
            <TextField
              label="Several are"
              value={table.several}
              onChange={(event) => {
                set({ several: event.target.value });
              }}
              sx={{ width: 130 }}
            />
            <Box sx={{ color: 'text.secondary', mr: 1 }}>Others may read, and</Box>
            {Object.entries(CHANGES).map(([change, words]) => (
              <FormControlLabel
                key={change}
                label={words}
                sx={{ mr: 0.5, ml: 0 }}
                control={
                  <Checkbox
                    size="small"
                    checked={table.changes.includes(change as keyof typeof CHANGES)}
                    onChange={(_, on) => {
                      const others = table.changes.filter((one) => one !== change);
                      set({
                        changes: on ? [...others, change as keyof typeof CHANGES] : others,
                      });
                    }}
                    sx={{ p: 0.25 }}
                  />
                }
              />
            ))}
          </>
        )}
      </Box>
      {wished.on && <ColumnGrid table={wished} onChange={onChange} />}
    </Box>
  );
}

function Wishing({ draft }: { draft: TableDraft }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [wish, setWish] = useState(() => wishOf(draft));
  const [keyed, setKeyed] = useState(false);
  const offer = useMemo(() => offerOf(wish), [wish]);
  const check = useQuery(checkQuery(draft.id, useDeferredValue(offer)));
  const wrong = check.data?.wrongCells ?? 0;
  const offering = useMutation({
    mutationFn: (leaveOut: boolean) =>
      unwrap(
        api.POST('/api/tables/drafts/{draft}/loads', {
          params: { path: { draft: draft.id } },
          body: { offer, keyed, leaveOut },
        }),
      ),
  });
  const done = useCallback(
    (offered: string) => {
      void queries.invalidateQueries({ queryKey: offersOfTables.queryKey, exact: true });
      void navigate(`/services/offered/${offered}`);
    },
    [queries, navigate],
  );
  const ready = (check.data?.findings.length ?? 1) === 0;
  return (
    <Box sx={{ p: 2.5 }}>
      <Typography variant="h1" sx={{ mb: 0.5 }}>
        Offer tables as a service
      </Typography>
      <Typography sx={{ color: 'text.secondary', mb: 1.5, maxWidth: '72ch' }}>
        This is what {draft.file} looks like. Change what is not right; nothing is offered yet.
      </Typography>
      <TextField
        label="Name of the service"
        value={wish.name}
        onChange={(event) => {
          setWish({ ...wish, name: event.target.value });
        }}
        sx={{ width: 280 }}
      />
      {wish.tables.map((table, index) => (
        <TableWish
          key={table.table.sheet}
          table={table}
          onChange={(changed) => {
            setWish(withTable(wish, index, () => changed));
          }}
        />
      ))}
      {check.error && <Problem error={check.error} onRetry={() => void check.refetch()} />}
      {check.data && <FindingList findings={check.data.findings} label="What is missing" />}
      {check.data && !offering.data && <WrongCells cells={check.data.wrong} all={wrong} />}
      {offering.error && <Problem error={offering.error} />}
      {offering.data && (
        <Loading load={offering.data.id} onDone={done} expected={wrong}>
          {(ended) => (
            <>
              <WrongCells cells={ended.wrong} all={ended.wrongCells} />
              {ended.offered && (
                <Button component={Link} to={`/services/offered/${ended.offered}`}>
                  It is offered without these rows
                </Button>
              )}
            </>
          )}
        </Loading>
      )}
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap', mt: 2 }}>
        {wrong === 0 ? (
          <Button
            variant="contained"
            disabled={!ready}
            loading={offering.isPending}
            onClick={() => {
              offering.mutate(false);
            }}
          >
            Offer it
          </Button>
        ) : (
          <>
            <Button
              variant="contained"
              disabled={!ready}
              loading={offering.isPending}
              onClick={() => {
                offering.mutate(true);
              }}
            >
              Offer it without these rows
            </Button>
            <Button
              variant="outlined"
              onClick={() => {
                setWish(asText(wish, check.data?.wrong ?? []));
              }}
            >
              Take these columns as text
            </Button>
          </>
        )}
        {offering.data && wrong === 0 && (
          <Button
            variant="outlined"
            onClick={() => {
              offering.mutate(true);
            }}
          >
            Offer it without wrong rows
          </Button>
        )}
        <FormControlLabel
          label="only to those with a key"
          control={
            <Checkbox
              size="small"
              checked={keyed}
              onChange={(_, on) => {
                setKeyed(on);
              }}
            />
          }
        />
      </Box>
    </Box>
  );
}

/** A file of tables: what it holds, and what of it is to be offered. */
export function DraftPage() {
  const { draft = '' } = useParams();
  const query = useQuery(draftQuery(draft));
  useFrame(
    useMemo(
      () => ({
        path: [{ words: 'Services', to: '/services' }, { words: 'Offer tables' }],
        tools: null,
      }),
      [],
    ),
  );
  return (
    <Fetched query={query} what="Looking at the file">
      {(fetched) => <Wishing key={fetched.id} draft={fetched} />}
    </Fetched>
  );
}
