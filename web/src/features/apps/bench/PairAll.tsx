import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { AppEdit, FieldView, Pair, PageCall } from '@/api/client';
import { pairsQuery } from '@/api/queries';
import { count } from '@/lib/format';
import { pathKey, pathText } from '@/lib/json';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';
import { filledBy, parameterSlot } from './model';

const GRADES: Record<Pair['grade'], string> = {
  SURE: 'sure',
  LIKELY: 'likely, look at it',
  GUESS: 'a guess',
};

interface Props {
  app: string;
  page: string;
  call: PageCall;
  /** The parameters of the call. */
  fields: FieldView[];
  onEdit: (edit: AppEdit) => void;
  onClose: () => void;
}

/** The edit that takes the pairs, and asks for what must be filled besides. */
export function pairEdit(page: string, call: PageCall, pairs: Pair[], asked: FieldView[]): AppEdit {
  return {
    kind: 'together',
    title: `Pair ${count(pairs.length, 'field')}`,
    edits: [
      ...pairs.map(({ parameter, source }): AppEdit => ({
        kind: 'fillSlot',
        slot: parameterSlot(page, call.id, parameter),
        source,
      })),
      ...asked.map(({ path }): AppEdit => ({
        kind: 'fillFromInput',
        page,
        call: call.id,
        parameter: path,
      })),
    ],
  };
}

/** What belongs to the parameters of a call, with reasons, to be taken in one press. */
export function PairAll({ app, page, call, fields, onEdit, onClose }: Props) {
  const { data, error } = useQuery(pairsQuery(app, page, call.id));
  const [changed, setChanged] = useState<ReadonlySet<string>>(new Set());
  /** Pairs that were just taken out for good. */
  const [refused, setRefused] = useState<ReadonlySet<string>>(new Set());
  const [asking, setAsking] = useState(true);
  const isTaken = (pair: Pair) => (pair.grade !== 'GUESS') !== changed.has(pathKey(pair.parameter));
  const offered = data?.filter((pair) => !refused.has(pathKey(pair.parameter)));
  const refuse = ({ parameter, given }: Pair) => {
    setRefused(new Set([...refused, pathKey(parameter)]));
    onEdit({ kind: 'refusePair', page, call: call.id, parameter, given });
  };
  const taken = offered?.filter(isTaken) ?? [];
  const paired = new Set(taken.map(({ parameter }) => pathKey(parameter)));
  const rest = fields.filter(
    (field) =>
      field.kind === 'scalar' &&
      field.required &&
      !filledBy(call, field.path) &&
      !paired.has(pathKey(field.path)),
  );
  const edits = taken.length + (asking ? rest.length : 0);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md">
      <DialogTitle>What belongs together</DialogTitle>
      <DialogContent>
        {error && <Problem error={error} />}
        {!data && !error && <Waiting what="Comparing the fields" />}
        {offered?.length === 0 && (
          <Typography sx={{ color: 'text.secondary' }}>
            Nothing on this page looks to belong to a parameter. Rows that are chosen, what the page
            is opened with and what other calls return are compared.
          </Typography>
        )}
        {offered && offered.length > 0 && (
          <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }} aria-label="Pairs">
            {offered.map((pair) => {
              const key = pathKey(pair.parameter);
              return (
                <Box
                  key={key}
                  component="li"
                  onKeyDown={(event) => {
                    if (event.key === 'Delete') refuse(pair);
                  }}
                  sx={{
                    display: 'grid',
                    gridTemplateColumns: '32px 1fr 1.3fr 1fr auto',
                    columnGap: 1,
                    alignItems: 'center',
                    borderTop: '1px solid',
                    borderColor: 'line',
                    py: 0.5,
                  }}
                >
                  <Checkbox
                    size="small"
                    checked={isTaken(pair)}
                    slotProps={{ input: { 'aria-label': `Pair ${pathText(pair.parameter)}` } }}
                    onChange={() => {
                      const next = new Set(changed);
                      if (!next.delete(key)) next.add(key);
                      setChanged(next);
                    }}
                  />
                  <Box sx={{ fontFamily: 'monospace', overflowWrap: 'anywhere' }}>
                    {pathText(pair.parameter)}
                  </Box>
                  <Box sx={{ overflowWrap: 'anywhere' }}>
                    {pair.words}
                    {pair.value && (
                      <Box component="span" sx={{ color: 'text.secondary' }}>
                        {' '}
                        · {pair.value}
                      </Box>
                    )}
                  </Box>
                  <Box sx={{ color: 'text.secondary', fontSize: 12.5 }}>
                    <strong>{GRADES[pair.grade]}</strong>: {pair.reasons.join(', ') || 'place'}
                  </Box>
                  <Button
                    aria-label={`Never pair ${pathText(pair.parameter)} with this`}
                    title="These do not belong together (Delete)"
                    onClick={() => {
                      refuse(pair);
                    }}
                    sx={{ minWidth: 28, p: 0 }}
                  >
                    ×
                  </Button>
                </Box>
              );
            })}
          </Box>
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
            onEdit(pairEdit(page, call, taken, asking ? rest : []));
            onClose();
          }}
        >
          Pair {count(taken.length, 'field')}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
