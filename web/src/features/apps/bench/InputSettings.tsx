import MenuItem from '@mui/material/MenuItem';
import Box from '@mui/material/Box';
import Select from '@mui/material/Select';
import type { AppEdit, BenchItem } from '@/api/client';
import { ChoiceOffers } from './ChoiceOffers';
import { SourcePicker } from './SourcePicker';

type Settings = NonNullable<BenchItem['input']>;

const KINDS: Record<Settings['kind'], string> = {
  TEXT: 'a line of text',
  LONG_TEXT: 'several lines',
  NUMBER: 'a number',
  DATE: 'a date',
  TIME: 'a time',
  DATE_TIME: 'a date and time',
  CHECKBOX: 'a tick',
  FILE: 'a file',
  CHOICE: 'a choice',
  BUTTONS: 'a choice on buttons',
  SEARCH: 'a choice to search in',
};

interface Props {
  app: string;
  page: string;
  input: string;
  settings: Settings;
  onEdit: (edit: AppEdit) => void;
}

/** How the value of an input is put in. */
export function InputSettings({ app, page, input, settings, onEdit }: Props) {
  return (
    <>
      <Select
        variant="standard"
        value={settings.kind}
        onChange={(event) => {
          onEdit({ kind: 'setInputKind', page, input, way: event.target.value });
        }}
        inputProps={{ 'aria-label': 'How the value is put in' }}
        sx={{ fontSize: 12.5 }}
      >
        {(Object.keys(KINDS) as Settings['kind'][]).map((one) => (
          <MenuItem key={one} value={one} dense>
            {KINDS[one]}
          </MenuItem>
        ))}
      </Select>
      <Box component="span" sx={{ color: 'text.secondary' }}>
        chosen from
      </Box>
      <Box sx={{ maxWidth: 190, minWidth: 0, display: 'flex' }}>
        <SourcePicker
          app={app}
          page={page}
          slot={{ kind: 'ofPart', page, owner: input, name: 'options' }}
          label="Chosen from"
          words={settings.options}
          source={undefined}
          empty="nothing"
          beyond={(close) => (
            <ChoiceOffers
              app={app}
              page={page}
              input={input}
              onEdit={(edit) => {
                close();
                onEdit(edit);
              }}
            />
          )}
          onFill={(rows) => {
            onEdit({ kind: 'setOptions', page, input, ...(rows ? { rows } : {}) });
          }}
        />
      </Box>
    </>
  );
}
