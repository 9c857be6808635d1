import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { skipToken, useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { appsQuery, serviceQuery, servicesQuery } from '@/api/queries';
import { pageWord, type Outcome, type Wanted } from './logged';

export const EVERYTHING: Wanted = {
  find: '',
  service: '',
  operation: '',
  page: '',
  by: '',
  outcome: '',
  from: '',
  before: '',
};

export const isEverything = (wanted: Wanted) =>
  Object.entries(EVERYTHING).every(([name, value]) => wanted[name as keyof Wanted] === value);

const OUTCOMES: { value: Outcome; words: string }[] = [
  { value: 'ANSWERED', words: 'as asked (to 399)' },
  { value: 'FAILED', words: 'anything that went wrong' },
  { value: 'REFUSED', words: 'request refused (400 to 499)' },
  { value: 'BROKEN', words: 'service failed (from 500)' },
  { value: 'UNANSWERED', words: 'none came' },
];

interface ChoiceProps {
  label: string;
  value: string;
  options: { value: string; words: string }[];
  onChange: (value: string) => void;
}

function Choice({ label, value, options, onChange }: ChoiceProps) {
  return (
    <TextField
      select
      label={label}
      value={value}
      onChange={(event) => {
        onChange(event.target.value);
      }}
      slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
      sx={{ width: 145 }}
    >
      <MenuItem value="">all</MenuItem>
      {options.map((one) => (
        <MenuItem key={one.value} value={one.value}>
          {one.words}
        </MenuItem>
      ))}
    </TextField>
  );
}

/** What is looked for among the exchanges. */
export function LogFilters({
  wanted,
  onChange,
  tools,
}: {
  wanted: Wanted;
  onChange: (wanted: Wanted) => void;
  tools: ReactNode;
}) {
  const services = useQuery(servicesQuery);
  const apps = useQuery(appsQuery);
  const service = useQuery(
    wanted.service
      ? serviceQuery(wanted.service)
      : { queryKey: ['services', 'none'], queryFn: skipToken },
  );
  const set = (change: Partial<Wanted>) => {
    onChange({ ...wanted, ...change });
  };
  const pages = apps.data?.flatMap((app) =>
    app.pages.map((page) => ({
      value: pageWord(app.id, page.id),
      words: `${app.name} / ${page.name}`,
    })),
  );
  return (
    <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap', mb: 1.5 }}>
      <TextField
        type="search"
        placeholder="a text in any message"
        value={wanted.find}
        onChange={(event) => {
          set({ find: event.target.value });
        }}
        slotProps={{ htmlInput: { 'aria-label': 'Find in exchanges' } }}
        sx={{ width: 210 }}
      />
      <Choice
        label="Service"
        value={wanted.service}
        options={services.data?.map(({ id, name }) => ({ value: id, words: name })) ?? []}
        onChange={(id) => {
          set({ service: id, operation: '' });
        }}
      />
      {service.data && (
        <Choice
          label="Operation"
          value={wanted.operation}
          options={service.data.operations.map(({ id, name }) => ({ value: id, words: name }))}
          onChange={(operation) => {
            set({ operation });
          }}
        />
      )}
      <Choice
        label="Page"
        value={wanted.page}
        options={pages ?? []}
        onChange={(page) => {
          set({ page });
        }}
      />
      <Choice
        label="Made by"
        value={wanted.by}
        options={[
          { value: 'builders', words: 'builders' },
          { value: 'visitors', words: 'visitors' },
        ]}
        onChange={(by) => {
          set({ by: by as Wanted['by'] });
        }}
      />
      <Choice
        label="Answer"
        value={wanted.outcome}
        options={OUTCOMES}
        onChange={(outcome) => {
          set({ outcome: outcome as Wanted['outcome'] });
        }}
      />
      {(['from', 'before'] as const).map((end) => (
        <TextField
          key={end}
          type="datetime-local"
          label={end === 'from' ? 'From' : 'Before'}
          value={wanted[end]}
          onChange={(event) => {
            set({ [end]: event.target.value });
          }}
          slotProps={{ inputLabel: { shrink: true } }}
          sx={{ width: 182 }}
        />
      ))}
      <Box sx={{ flex: 1 }} />
      {tools}
    </Box>
  );
}
