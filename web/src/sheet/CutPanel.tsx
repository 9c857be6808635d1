import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { skipToken, useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { ApiProblem, type FieldView, type Json } from '@/api/client';
import { cutsQuery } from '@/api/queries';
import { count, inLine } from '@/lib/format';
import { pathKey, pathText, type Step, valueAt } from '@/lib/json';
import { MONO } from '@/ui/fonts';

interface Props {
  fields: FieldView[];
  answer: Json;
  /** Which fields are used, by path key. */
  used: ReadonlySet<string>;
  onUse: (path: Step[], use: boolean) => void;
}

const LONG = 40;

/** The texts of an answer that fields may be cut out of: those that say more than one thing. */
export function textsOf(fields: FieldView[], answer: Json) {
  return fields
    .filter((field) => field.kind === 'scalar' && field.type === 'text' && !field.rows.length)
    .map((field) => ({ path: field.path, text: valueAt(answer, field.path, {}) }))
    .filter((one): one is { path: Step[]; text: string } => typeof one.text === 'string')
    .filter(({ text }) => fields.length === 1 || text.length > LONG || text.trim().includes('\n'));
}

/** Cuts fields out of a text with a pattern, tried on the sample as one types. */
export function CutPanel({ fields, answer, used, onUse }: Props) {
  const texts = textsOf(fields, answer);
  const longest = texts.toSorted((a, b) => b.text.length - a.text.length)[0];
  const [chosen, setChosen] = useState<string>();
  const from = texts.find((one) => pathKey(one.path) === chosen) ?? longest;
  const [pattern, setPattern] = useState('');
  const [every, setEvery] = useState(false);
  const tried = useDeferredValue(pattern);
  const query = useQuery({
    ...cutsQuery({ text: from?.text ?? '', path: from?.path ?? [], pattern: tried, every }),
    ...(tried === '' || !from ? { queryFn: skipToken } : {}),
  });
  if (!from) return null;
  const problem = query.error instanceof ApiProblem ? query.error : undefined;
  return (
    <Box component="section" aria-label="Cut fields out of a text" sx={{ py: 1 }}>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start', flexWrap: 'wrap' }}>
        {texts.length > 1 && (
          <TextField
            select
            label="out of"
            value={pathKey(from.path)}
            onChange={(event) => {
              setChosen(event.target.value);
            }}
            sx={{ minWidth: 140 }}
          >
            {texts.map((one) => (
              <MenuItem key={pathKey(one.path)} value={pathKey(one.path)}>
                {pathText(one.path)}
              </MenuItem>
            ))}
          </TextField>
        )}
        <TextField
          autoFocus
          label="RE2 pattern"
          value={pattern}
          placeholder="lock (?P<lock>[0-9]+) (?P<state>[a-z]+)"
          error={problem !== undefined}
          helperText={
            problem
              ? `${problem.message} ${problem.advice}`
              : 'Text as it stands, and what is to be a field in brackets with a name.'
          }
          onChange={(event) => {
            setPattern(event.target.value);
          }}
          sx={{ flex: 1, minWidth: 320, '& input': { fontFamily: MONO, fontSize: 13 } }}
          slotProps={{ htmlInput: { spellCheck: false } }}
        />
        <FormControlLabel
          label="every match is a row"
          control={
            <Checkbox
              size="small"
              checked={every}
              onChange={(_, on) => {
                setEvery(on);
              }}
            />
          }
        />
      </Box>
      {query.data && (
        <Typography sx={{ color: 'text.secondary', my: 0.5 }} role="status">
          {query.data.matches === 0
            ? 'The pattern matches nowhere in the sample.'
            : `${count(query.data.matches, 'match', 'matches')} in the sample.`}
        </Typography>
      )}
      {query.data?.fields.map((field) => {
        const isUsed = used.has(pathKey(field.path));
        return (
          <Box key={field.name} sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
            <FormControlLabel
              label={field.name}
              sx={{ minWidth: 160, mr: 0, '& .MuiFormControlLabel-label': { fontFamily: MONO } }}
              control={
                <Checkbox
                  size="small"
                  checked={isUsed}
                  onChange={() => {
                    onUse(field.path, !isUsed);
                  }}
                />
              }
            />
            <Typography sx={{ overflowWrap: 'anywhere' }}>{inLine(field.values)}</Typography>
          </Box>
        );
      })}
    </Box>
  );
}

/** The button that opens it, where there is a text to cut. */
export function CutButton({
  open,
  shown,
  onToggle,
}: {
  open: boolean;
  shown: boolean;
  onToggle: () => void;
}) {
  return (
    shown && (
      <Button aria-expanded={open} onClick={onToggle}>
        {open ? 'Done cutting' : 'Cut fields out of a text'}
      </Button>
    )
  );
}
