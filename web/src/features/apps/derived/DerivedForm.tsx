import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { skipToken, useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import type { AppEdit, FieldRef, Rule } from '@/api/client';
import { derivedQuery, recordQuery } from '@/api/queries';
import { FindingList } from '@/ui/FindingList';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';
import { RuleFields } from './RuleFields';
import { type Inside, isComplete, startRule, type RuleKind, WAYS, waysFor } from './rules';

interface Props {
  app: string;
  /** The field that it starts from. */
  field: FieldRef;
  /** The derived field that is changed, if it is not a new one. */
  known?: { name: string; rule: Rule };
  onEdit: (edit: AppEdit) => void;
  onDone: () => void;
}

const SHOWN = 5;

function Preview({ app, field, rule }: { app: string; field: FieldRef; rule: Rule }) {
  const tried = useDeferredValue(rule);
  const complete = isComplete(tried);
  const { data, error } = useQuery({
    ...derivedQuery(app, field.owner, tried),
    ...(complete ? {} : { queryFn: skipToken }),
  });
  if (error) return <Problem error={error} />;
  if (!complete || !data) return null;
  const seen = data.values.slice(0, SHOWN);
  return (
    <Box role="status" aria-label="What it gives">
      <FindingList findings={data.findings} label="What is wrong" />
      {data.findings.length === 0 && (
        <Typography sx={{ color: 'text.secondary' }}>
          {data.type}, in the samples:{' '}
          <strong>
            {seen.length === 0
              ? 'there is no sample yet'
              : seen.map((value) => value || '(empty)').join(' · ')}
          </strong>
        </Typography>
      )}
    </Box>
  );
}

function Form({ fields, ...props }: Props & { fields: Inside[] }) {
  const { app, field, known, onEdit, onDone } = props;
  const from = fields.find((one) => one.name === field.name);
  const ways = waysFor(from);
  const start: Inside = from ?? {
    name: field.name,
    kind: 'scalar',
    type: 'text',
    repeats: false,
    inside: [],
  };
  const [name, setName] = useState(known?.name ?? '');
  const [rule, setRule] = useState<Rule>(known?.rule ?? startRule(ways[0] ?? 'computed', start));
  const wish = rule.kind === 'lookedUp' ? rule.wanted : rule.kind === 'cutOut' ? rule.group : '';
  const called = name || wish;
  return (
    <Box
      component="form"
      onSubmit={(event) => {
        event.preventDefault();
        onEdit({
          kind: 'putDerivedField',
          shape: field.owner,
          name: called,
          rule,
          ...(known && known.name !== called ? { renamed: known.name } : {}),
        });
        onDone();
      }}
      sx={{ p: 2.5, display: 'grid', gap: 1.5 }}
    >
      <Typography variant="h2">{known ? `Change ${known.name}` : 'A new field'}</Typography>
      <TextField
        select
        label="made by"
        value={rule.kind}
        onChange={(event) => {
          setRule(startRule(event.target.value as RuleKind, start));
        }}
      >
        {(known ? (Object.keys(WAYS) as RuleKind[]) : ways).map((way) => (
          <MenuItem key={way} value={way}>
            {WAYS[way]}
          </MenuItem>
        ))}
      </TextField>
      <RuleFields app={app} shape={field.owner} fields={fields} rule={rule} onRule={setRule} />
      <Preview app={app} field={field} rule={rule} />
      <TextField
        label="called"
        value={name}
        placeholder={wish || 'a name for it'}
        onChange={(event) => {
          setName(event.target.value);
        }}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      <Box sx={{ display: 'flex', gap: 1 }}>
        <Button type="submit" variant="contained" disabled={called === '' || !isComplete(rule)}>
          Keep it
        </Button>
        <Button onClick={onDone}>Leave it</Button>
      </Box>
    </Box>
  );
}

/** Makes a field out of returned ones, with what it gives in the samples as it is made. */
export function DerivedForm(props: Props) {
  const { data, error, refetch } = useQuery(recordQuery(props.app, props.field.owner));
  if (error) return <Problem error={error} onRetry={() => void refetch()} />;
  if (!data) return <Waiting what="Looking at the record" />;
  return <Form {...props} fields={data.fields} />;
}
