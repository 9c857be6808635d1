import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Select from '@mui/material/Select';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { type KeyboardEvent, type ReactNode, useState } from 'react';
import type { AppEdit, FieldView, Pair, PageCall } from '@/api/client';
import { pairsQuery } from '@/api/queries';
import { count } from '@/lib/format';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';
import { type Open, openSlots, pairEdit, slotKey, unfilled } from './pairs';

const GRADES: Record<Pair['grade'], string> = {
  SURE: 'sure',
  LIKELY: 'likely, look at it',
  GUESS: 'a guess',
};

interface Props {
  app: string;
  page: string;
  /** The call whose parameters are filled, or the form whose inputs begin with something. */
  of: { call: PageCall; fields: FieldView[] } | { form: string };
  onEdit: (edit: AppEdit) => void;
  onClose: () => void;
}

const rows = {
  listStyle: 'none',
  m: 0,
  p: 0,
  '& > li': {
    display: 'grid',
    gridTemplateColumns: '32px 1fr 1.3fr 1fr 28px',
    columnGap: 1,
    alignItems: 'center',
    borderTop: '1px solid',
    borderColor: 'line',
    py: 0.5,
  },
} as const;

function Line({
  pair,
  first,
  onRefuse,
}: {
  pair: Pair;
  first: ReactNode;
  onRefuse: (pair: Pair) => void;
}) {
  return (
    <li
      onKeyDown={(event: KeyboardEvent) => {
        if (event.key === 'Delete') onRefuse(pair);
      }}
    >
      {first}
      <Box sx={{ fontFamily: 'monospace', overflowWrap: 'anywhere' }}>{pair.name}</Box>
      <Box sx={{ overflowWrap: 'anywhere' }}>
        {pair.words}
        {pair.value && (
          <Box component="span" sx={{ color: 'text.secondary' }}>
            {' '}
            · {pair.value}
          </Box>
        )}
        {pair.converted && (
          <Box component="span" sx={{ color: 'text.secondary' }}>
            {' '}
            · {pair.converted}
          </Box>
        )}
      </Box>
      <Box sx={{ color: 'text.secondary', fontSize: 12.5 }}>
        <strong>{GRADES[pair.grade]}</strong>: {pair.reasons.join(', ') || 'place'}
      </Box>
      <Button
        aria-label={`Never pair ${pair.name} with this`}
        title="These do not belong together (Delete)"
        onClick={() => {
          onRefuse(pair);
        }}
        sx={{ minWidth: 28, p: 0 }}
      >
        ×
      </Button>
    </li>
  );
}

/** What nothing was found for, with what comes nearest. */
function NotYet({
  open,
  chosen,
  onChoose,
}: {
  open: Open[];
  chosen: ReadonlyMap<string, Pair>;
  onChoose: (key: string, pair: Pair | undefined) => void;
}) {
  return (
    <>
      <Typography component="h3" sx={{ fontWeight: 600, mt: 2, mb: 0.5 }}>
        Not yet
      </Typography>
      <Box component="ul" sx={rows} aria-label="Not yet">
        {open.map(({ key, name, candidates }) => (
          <li key={key}>
            <span />
            <Box sx={{ fontFamily: 'monospace', overflowWrap: 'anywhere' }}>{name}</Box>
            <Select
              variant="standard"
              displayEmpty
              value={candidates.findIndex((one) => one === chosen.get(key))}
              onChange={(event) => {
                onChoose(key, candidates[event.target.value]);
              }}
              inputProps={{ 'aria-label': `What ${name} is paired with` }}
              sx={{ gridColumn: 'span 2' }}
            >
              <MenuItem value={-1}>nothing yet</MenuItem>
              {candidates.map((one, index) => (
                <MenuItem key={index} value={index}>
                  {one.words}
                  {one.value && ` · ${one.value}`}
                </MenuItem>
              ))}
            </Select>
          </li>
        ))}
      </Box>
    </>
  );
}

/** What belongs to a call or into a form, with reasons, to be taken in one press. */
export function PairAll({ app, page, of, onEdit, onClose }: Props) {
  const { data, error } = useQuery(pairsQuery(app, page, 'call' in of ? { call: of.call.id } : of));
  const [changed, setChanged] = useState<ReadonlySet<string>>(new Set());
  const [chosen, setChosen] = useState<ReadonlyMap<string, Pair>>(new Map());
  /** Pairs that were just taken out for good. */
  const [refused, setRefused] = useState<ReadonlySet<string>>(new Set());
  const [asking, setAsking] = useState(true);
  const isTaken = (pair: Pair) => (pair.grade !== 'GUESS') !== changed.has(slotKey(pair));
  const offered = data?.pairs.filter((pair) => !refused.has(slotKey(pair)));
  const open = openSlots(data?.next ?? []);
  const refuse = (pair: Pair) => {
    setRefused(new Set([...refused, slotKey(pair)]));
    const { call, parameter, given } = pair;
    onEdit({ kind: 'refusePair', page, call, parameter, given });
  };
  const taken = [...(offered?.filter(isTaken) ?? []), ...chosen.values()];
  const rest = data && 'call' in of ? unfilled(of.call, of.fields, taken) : [];
  const edits = taken.length + (asking ? rest.length : 0);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md">
      <DialogTitle>What belongs together</DialogTitle>
      <DialogContent>
        {error && <Problem error={error} />}
        {!data && !error && <Waiting what="Comparing the fields" />}
        {offered?.length === 0 && (
          <Typography sx={{ color: 'text.secondary' }}>
            {'call' in of
              ? 'Nothing on this page looks to belong to a parameter.'
              : 'Nothing on this page looks to belong into an input that starts empty.'}{' '}
            Rows that are chosen, what the page is opened with and what other calls return are
            compared.
          </Typography>
        )}
        {offered && offered.length > 0 && (
          <Box component="ul" sx={rows} aria-label="Pairs">
            {offered.map((pair) => (
              <Line
                key={slotKey(pair)}
                pair={pair}
                onRefuse={refuse}
                first={
                  <Checkbox
                    size="small"
                    checked={isTaken(pair)}
                    slotProps={{ input: { 'aria-label': `Pair ${pair.name}` } }}
                    onChange={() => {
                      const next = new Set(changed);
                      if (!next.delete(slotKey(pair))) next.add(slotKey(pair));
                      setChanged(next);
                    }}
                  />
                }
              />
            ))}
          </Box>
        )}
        {open.length > 0 && (
          <NotYet
            open={open}
            chosen={chosen}
            onChoose={(key, pair) => {
              const next = new Map(chosen);
              if (pair) next.set(key, pair);
              else next.delete(key);
              setChosen(next);
            }}
          />
        )}
        {rest.length > 0 && (
          <FormControlLabel
            control={
              <Checkbox
                size="small"
                checked={asking}
                onChange={(_, on) => {
                  setAsking(on);
                }}
              />
            }
            label={`Ask people for the rest: ${rest.map(({ name }) => name).join(', ')}`}
          />
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave it</Button>
        <Button
          variant="contained"
          autoFocus
          disabled={edits === 0}
          onClick={() => {
            onEdit(
              pairEdit(
                page,
                taken,
                'call' in of && asking ? { call: of.call, fields: rest } : undefined,
              ),
            );
            onClose();
          }}
        >
          Pair {count(taken.length, 'field')}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
