import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, type Codes, type FieldView, unwrap } from '@/api/client';
import { operationQuery, serviceQuery, servicesQuery } from '@/api/queries';
import { count } from '@/lib/format';
import { pathKey, pathText, startsWith } from '@/lib/json';
import { Problem } from '@/ui/Problem';

interface Props {
  app: string;
  onTake: (items: Codes['items']) => void;
}

interface Option {
  value: string;
  words: string;
}

function Choose(props: {
  label: string;
  value: string;
  options: Option[];
  onChange: (value: string) => void;
}) {
  const known = props.options.some(({ value }) => value === props.value);
  return (
    <TextField
      select
      label={props.label}
      value={known ? props.value : ''}
      disabled={props.options.length === 0}
      onChange={(event) => {
        props.onChange(event.target.value);
      }}
      sx={{ minWidth: 150, flex: 1 }}
    >
      {props.options.map(({ value, words }) => (
        <MenuItem key={value} value={value}>
          {words}
        </MenuItem>
      ))}
    </TextField>
  );
}

/** The lists in an answer that have simple fields, each with these. */
function listsOf(fields: FieldView[]) {
  return fields
    .filter((field) => field.repeats && field.kind !== 'scalar')
    .map((list) => ({
      list,
      simple: fields.filter(
        (field) =>
          field.kind === 'scalar' &&
          startsWith(field.path, list.path) &&
          pathKey(field.rows) === pathKey(list.path),
      ),
    }))
    .filter(({ simple }) => simple.length > 0);
}

const fieldOption = (field: FieldView): Option => ({
  value: pathKey(field.path),
  words: field.label ?? field.name,
});

/** Which of several is meant: the one that was chosen, as long as it is there, else the first. */
const chosenOf = <T,>(all: T[], key: (one: T) => string, chosen: string, place = 0) =>
  all.find((one) => key(one) === chosen) ?? all[place] ?? all[0];

/** Codes and words from the rows that an operation answers. */
export function CodesFromRows({ app, onTake }: Props) {
  const [service, setService] = useState('');
  const [operation, setOperation] = useState('');
  const [rows, setRows] = useState('');
  const [code, setCode] = useState('');
  const [words, setWords] = useState('');
  const { data: services = [] } = useQuery(servicesQuery);
  const { data: known } = useQuery({ ...serviceQuery(service), enabled: service !== '' });
  const { data: view } = useQuery({
    ...operationQuery(service, operation),
    enabled: operation !== '',
  });
  const lists = listsOf(view?.comesBack ?? []);
  const list = chosenOf(lists, (one) => pathKey(one.list.path), rows);
  const codeField = chosenOf(list?.simple ?? [], (one) => pathKey(one.path), code);
  const wordsField = chosenOf(list?.simple ?? [], (one) => pathKey(one.path), words, 1);
  const taking = useMutation({
    mutationFn: () =>
      unwrap(
        api.POST('/api/apps/{app}/codes', {
          params: { path: { app } },
          body: {
            service,
            operation,
            rows: list?.list.path ?? [],
            code: codeField?.path ?? [],
            words: wordsField?.path ?? [],
          },
        }),
      ),
    onSuccess: ({ items }) => {
      onTake(items);
    },
  });
  const fields = (list?.simple ?? []).map(fieldOption);
  return (
    <Box
      role="group"
      aria-label="Codes from rows"
      sx={{ display: 'grid', gap: 1.5, p: 1.5, bgcolor: 'shallow' }}
    >
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Choose
          label="service"
          value={service}
          options={services.map(({ id, name }) => ({ value: id, words: name }))}
          onChange={(value) => {
            setService(value);
            setOperation('');
          }}
        />
        <Choose
          label="operation"
          value={operation}
          options={(known?.operations ?? []).map(({ id, name }) => ({ value: id, words: name }))}
          onChange={setOperation}
        />
      </Box>
      {view && lists.length === 0 && (
        <Typography>Nothing in its answer comes in rows with simple fields.</Typography>
      )}
      {list && (
        <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
          <Choose
            label="rows"
            value={pathKey(list.list.path)}
            options={lists.map((one) => ({
              value: pathKey(one.list.path),
              words: pathText(one.list.path),
            }))}
            onChange={setRows}
          />
          <Choose
            label="code"
            value={codeField ? pathKey(codeField.path) : ''}
            options={fields}
            onChange={setCode}
          />
          <Choose
            label="words"
            value={wordsField ? pathKey(wordsField.path) : ''}
            options={fields}
            onChange={setWords}
          />
        </Box>
      )}
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'baseline', flexWrap: 'wrap' }}>
        <Button
          variant="outlined"
          loading={taking.isPending}
          disabled={!list}
          onClick={() => {
            taking.mutate();
          }}
        >
          Take its codes
        </Button>
        {taking.data && (
          <Typography role="status">
            {count(taking.data.items.length, 'code')} in the last answer
            {!taking.data.whole && ', and more that were left out'}.
            {taking.data.madeUp && (
              <>
                {' They are made up: nobody asked the service yet. '}
                <Link to={`/services/${service}/operations/${operation}`}>Ask it</Link>
              </>
            )}
          </Typography>
        )}
      </Box>
      {taking.error && <Problem error={taking.error} />}
    </Box>
  );
}
