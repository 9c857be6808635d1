import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { AppEdit, BenchItem } from '@/api/client';
import { standing } from './model';
import { OneOf } from './OneOf';
import { PairAll } from './PairAll';
import { SourcePicker } from './SourcePicker';
import { StateWordsEdit } from './StateWordsEdit';

type Settings = NonNullable<BenchItem['settings']>;

const WIDTHS: Record<Settings['frame']['width'], string> = {
  FULL: 'full width',
  TWO_THIRDS: 'two thirds',
  HALF: 'half',
  THIRD: 'a third',
  CONTENT: 'as wide as needed',
};
const MANNERS: Record<NonNullable<Settings['manner']>, string> = {
  MAIN: 'main button',
  ORDINARY: 'ordinary button',
  DANGEROUS: 'asks first',
};
const GROUPS: Record<NonNullable<Settings['way']>, string> = {
  OPEN: 'under its heading',
  FOLDED: 'folded until opened',
  TAB: 'as a tab',
};
const DRAWINGS: Record<NonNullable<Settings['drawing']>, string> = {
  LINE: 'lines',
  AREA: 'areas',
  BAR: 'bars',
  POINTS: 'points',
};
const WAYS = { table: 'as a table', list: 'as a list', chart: 'as a chart' } as const;
const WAY_OF = { table: 'TABLE', list: 'CARDS', chart: 'CHART' } as const;

interface Props {
  app: string;
  page: string;
  item: BenchItem;
  settings: Settings;
  onEdit: (edit: AppEdit) => void;
}

/** What a part as a whole is set to. */
export function PartSettings({ app, page, item, settings, onEdit }: Props) {
  const { frame, shownIf, manner, drawing, way, rows, places } = settings;
  const { part } = item;
  const [pairing, setPairing] = useState(false);
  return (
    <>
      {rows && (
        <>
          <OneOf
            label="How rows are shown"
            value={item.kind as keyof typeof WAYS}
            words={WAYS}
            onChoose={(way) => {
              onEdit({ kind: 'turnInto', page, part, way: WAY_OF[way] });
            }}
          />
          <SourcePicker
            app={app}
            page={page}
            slot={rows.slot}
            label="Where the rows come from"
            words={rows.words}
            source={rows.source}
            empty="no rows"
            onFill={(source) => {
              onEdit({ kind: 'fillSlot', slot: rows.slot, ...(source ? { source } : {}) });
            }}
          />
        </>
      )}
      {drawing && (
        <OneOf
          label="What is drawn"
          value={drawing}
          words={DRAWINGS}
          onChoose={(next) => {
            onEdit({ kind: 'setDrawing', page, part, drawing: next });
          }}
        />
      )}
      {manner && (
        <OneOf
          label="How the button is meant"
          value={manner}
          words={MANNERS}
          onChoose={(next) => {
            onEdit({ kind: 'setManner', page, part, manner: next });
          }}
        />
      )}
      {way && (
        <OneOf
          label="How the group stands"
          value={way}
          words={GROUPS}
          onChoose={(next) => {
            onEdit({ kind: 'setGroupWay', page, part, way: next });
          }}
        />
      )}
      {item.kind === 'form' && (
        <>
          <Button
            title="Fill the inputs from what is on the page"
            onClick={() => {
              setPairing(true);
            }}
            sx={{ py: 0, fontSize: 12.5 }}
          >
            Pair all
          </Button>
          {pairing && (
            <PairAll
              app={app}
              page={page}
              of={{ form: part }}
              onEdit={onEdit}
              onClose={() => {
                setPairing(false);
              }}
            />
          )}
        </>
      )}
      {places.length > 0 && (
        <OneOf
          label="Where it stands"
          value={frame.within ?? ''}
          words={{
            '': 'on the page',
            ...Object.fromEntries(
              places.map((place) => [
                place.part,
                place.rows ? `in every row of ${place.name}` : `in ${place.name}`,
              ]),
            ),
          }}
          onChoose={(within: string) => {
            onEdit({
              kind: 'setFrame',
              page,
              part,
              frame: standing(frame, within === '' ? undefined : within),
            });
          }}
        />
      )}
      <OneOf
        label="Width"
        value={frame.width}
        words={WIDTHS}
        onChoose={(width) => {
          onEdit({ kind: 'setFrame', page, part, frame: { ...frame, width } });
        }}
      />
      <OneOf
        label="Who sees it"
        value={frame.buildersOnly ? 'builders' : 'all'}
        words={{ all: 'for everybody', builders: 'for builders only' }}
        onChoose={(who) => {
          onEdit({
            kind: 'setFrame',
            page,
            part,
            frame: { ...frame, buildersOnly: who === 'builders' },
          });
        }}
      />
      {(rows || item.kind === 'record') && (
        <StateWordsEdit
          words={frame.words}
          onCommit={(words) => {
            onEdit({ kind: 'setFrame', page, part, frame: { ...frame, words } });
          }}
        />
      )}
      <Box sx={{ maxWidth: 240, minWidth: 0, display: 'flex', alignItems: 'center', gap: 0.75 }}>
        <Box component="span" sx={{ color: 'text.secondary', whiteSpace: 'nowrap' }}>
          shown if
        </Box>
        <SourcePicker
          app={app}
          page={page}
          slot={shownIf.slot}
          label="Shown if"
          words={shownIf.words}
          source={shownIf.source}
          empty="always"
          onFill={(source) => {
            onEdit({ kind: 'fillSlot', slot: shownIf.slot, ...(source ? { source } : {}) });
          }}
        />
      </Box>
    </>
  );
}
