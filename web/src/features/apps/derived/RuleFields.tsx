import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useQuery } from '@tanstack/react-query';
import type { FieldRef, Rule } from '@/api/client';
import { recordQuery } from '@/api/queries';
import { pathText, type Step } from '@/lib/json';
import { MONO } from '@/ui/fonts';
import { groupsOf, type Inside, keysOf } from './rules';

interface Props {
  app: string;
  shape: FieldRef['owner'];
  fields: Inside[];
  rule: Rule;
  onRule: (rule: Rule) => void;
}

type LookedUpRule = Extract<Rule, { kind: 'lookedUp' }>;
type PickedRule = Extract<Rule, { kind: 'picked' }>;

const side = { display: 'grid', gap: 1.5, gridTemplateColumns: '1fr 1fr' } as const;

function Pick({
  label,
  value,
  options,
  onPick,
}: {
  label: string;
  value: string;
  options: { value: string; words: string }[];
  onPick: (value: string) => void;
}) {
  return (
    <TextField
      select
      label={label}
      value={value}
      onChange={(event) => {
        onPick(event.target.value);
      }}
    >
      {options.map((option) => (
        <MenuItem key={option.value} value={option.value}>
          {option.words}
        </MenuItem>
      ))}
    </TextField>
  );
}

const words = (names: string[]) => names.map((name) => ({ value: name, words: name }));
const nameOf = (path: readonly Step[]) => pathText(path.slice(0, 1));
const insideOf = (fields: Inside[], name: string) =>
  fields.find((field) => field.name === name)?.inside ?? [];
/** A way into decoded values, typed as names with points between. */
const inWords = (path: readonly Step[]) => path.map((step) => pathText([step])).join('.');
const asPath = (text: string): Step[] => text.split('.').filter((name) => name !== '');

const withoutOtherwise = ({ kind, list, key, wanted, value }: LookedUpRule): Rule => ({
  kind,
  list,
  key,
  wanted,
  value,
});

const withoutWhere = ({ kind, list, place, inside }: PickedRule): Rule => ({
  kind,
  list,
  place,
  inside,
});

function LookedUp({ app, shape, fields, rule, onRule }: Props & { rule: LookedUpRule }) {
  const { data } = useQuery(recordQuery(app, shape));
  const inside = insideOf(fields, nameOf(rule.list));
  return (
    <>
      <Autocomplete
        freeSolo
        options={keysOf(data?.records ?? [], nameOf(rule.list), rule.key)}
        inputValue={rule.wanted}
        onInputChange={(_, wanted) => {
          onRule({ ...rule, wanted });
        }}
        renderInput={(params) => (
          <TextField
            {...params}
            label="the key"
            helperText="Keys of the samples are offered; one that was not seen yet can be typed."
          />
        )}
      />
      <Box sx={side}>
        <Pick
          label="keys stand in"
          value={rule.key}
          options={words(inside)}
          onPick={(key) => {
            onRule({ ...rule, key });
          }}
        />
        <Pick
          label="values stand in"
          value={rule.value}
          options={words(inside)}
          onPick={(value) => {
            onRule({ ...rule, value });
          }}
        />
      </Box>
      <TextField
        label="where the key is missing"
        value={rule.otherwise ?? ''}
        placeholder="nothing"
        onChange={(event) => {
          const otherwise = event.target.value;
          onRule(otherwise === '' ? withoutOtherwise(rule) : { ...rule, otherwise });
        }}
        slotProps={{ inputLabel: { shrink: true } }}
      />
    </>
  );
}

function CutOut({ rule, onRule }: Props & { rule: Extract<Rule, { kind: 'cutOut' }> }) {
  const groups = groupsOf(rule.pattern);
  return (
    <>
      <TextField
        autoFocus
        label="RE2 pattern"
        value={rule.pattern}
        placeholder="berth (?P<berth>[A-Z]\d+)"
        helperText="Text as it stands, and what is wanted in brackets with a name."
        onChange={(event) => {
          const pattern = event.target.value;
          const found = groupsOf(pattern);
          onRule({
            ...rule,
            pattern,
            group: found.includes(rule.group) ? rule.group : (found[0] ?? ''),
          });
        }}
        sx={{ '& input': { fontFamily: MONO, fontSize: 13 } }}
      />
      {groups.length > 1 && (
        <Pick
          label="which of them"
          value={rule.group}
          options={words(groups)}
          onPick={(group) => {
            onRule({ ...rule, group });
          }}
        />
      )}
    </>
  );
}

const CODINGS = [
  { value: 'BASE64', words: 'base64' },
  { value: 'HEX', words: 'hexadecimal' },
  { value: 'JSON', words: 'JSON in the text' },
  { value: 'XML', words: 'XML in the text' },
  { value: 'CSV', words: 'separated values in the text' },
];

function Decoded({ rule, onRule }: Props & { rule: Extract<Rule, { kind: 'decoded' }> }) {
  return (
    <Box sx={side}>
      <Pick
        label="it is"
        value={rule.coding}
        options={CODINGS}
        onPick={(coding) => {
          onRule({ ...rule, coding: coding as typeof rule.coding });
        }}
      />
      {rule.coding !== 'BASE64' && rule.coding !== 'HEX' && (
        <TextField
          label="what is wanted inside"
          placeholder="names with points between"
          value={inWords(rule.inside)}
          onChange={(event) => {
            onRule({ ...rule, inside: asPath(event.target.value) });
          }}
          slotProps={{ inputLabel: { shrink: true } }}
        />
      )}
    </Box>
  );
}

function Picked({ fields, rule, onRule }: Props & { rule: PickedRule }) {
  const inside = insideOf(fields, nameOf(rule.list));
  return (
    <>
      <Box sx={side}>
        <Pick
          label="which one"
          value={String(rule.place)}
          options={[
            { value: '0', words: 'the first' },
            { value: '1', words: 'the second' },
            { value: '2', words: 'the third' },
            { value: '-1', words: 'the last' },
          ]}
          onPick={(place) => {
            onRule({ ...rule, place: Number(place) });
          }}
        />
        {inside.length > 0 && (
          <Pick
            label="what of it"
            value={nameOf(rule.inside)}
            options={words(inside)}
            onPick={(name) => {
              onRule({ ...rule, inside: [name] });
            }}
          />
        )}
      </Box>
      <TextField
        label="of those where"
        placeholder="all of them; or a formula over one, such as done"
        value={rule.where ?? ''}
        onChange={(event) => {
          const where = event.target.value;
          onRule(where === '' ? withoutWhere(rule) : { ...rule, where });
        }}
        slotProps={{ inputLabel: { shrink: true } }}
      />
    </>
  );
}

const FOLDS = [
  { value: 'JOIN', words: 'all of them, joined' },
  { value: 'COUNT', words: 'how many there are' },
  { value: 'SUM', words: 'their sum' },
  { value: 'LEAST', words: 'the least' },
  { value: 'MOST', words: 'the most' },
  { value: 'MEAN', words: 'their mean' },
];

function Folded({ fields, rule, onRule }: Props & { rule: Extract<Rule, { kind: 'folded' }> }) {
  const inside = insideOf(fields, nameOf(rule.values));
  return (
    <Box sx={side}>
      <Pick
        label="what of them"
        value={rule.fold}
        options={FOLDS}
        onPick={(fold) => {
          onRule({ ...rule, fold: fold as typeof rule.fold });
        }}
      />
      {inside.length > 0 && (
        <Pick
          label="of which field"
          value={pathText(rule.values.slice(1, 2))}
          options={words(inside)}
          onPick={(name) => {
            onRule({ ...rule, values: [...rule.values.slice(0, 1), name] });
          }}
        />
      )}
      {rule.fold === 'JOIN' && (
        <TextField
          label="between them"
          value={rule.separator}
          onChange={(event) => {
            onRule({ ...rule, separator: event.target.value });
          }}
        />
      )}
    </Box>
  );
}

/** What is to be said of a way to derive a field. */
export function RuleFields(props: Props) {
  const { rule, onRule, fields } = props;
  switch (rule.kind) {
    case 'lookedUp':
      return <LookedUp {...props} rule={rule} />;
    case 'cutOut':
      return <CutOut {...props} rule={rule} />;
    case 'decoded':
      return <Decoded {...props} rule={rule} />;
    case 'picked':
      return <Picked {...props} rule={rule} />;
    case 'folded':
      return <Folded {...props} rule={rule} />;
    case 'computed':
      return (
        <TextField
          autoFocus
          label="formula"
          value={rule.formula}
          helperText={`Fields: ${fields.map(({ name }) => name).join(', ')}`}
          onChange={(event) => {
            onRule({ ...rule, formula: event.target.value });
          }}
          sx={{ '& input': { fontFamily: MONO, fontSize: 13 } }}
        />
      );
  }
}
