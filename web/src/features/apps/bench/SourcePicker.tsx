import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ListSubheader from '@mui/material/ListSubheader';
import MenuItem from '@mui/material/MenuItem';
import MenuList from '@mui/material/MenuList';
import Popover from '@mui/material/Popover';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Fragment, lazy, type ReactNode, Suspense, useDeferredValue, useState } from 'react';
import type { Choice, SlotId, Source } from '@/api/client';
import { offersQuery } from '@/api/queries';
import { inlineLook } from '@/ui/inlineLook';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';

const FormulaLine = lazy(() =>
  import('./FormulaLine').then(({ FormulaLine: component }) => ({ default: component })),
);

interface Props {
  app: string;
  page: string;
  slot: SlotId;
  /** What is being filled, for people who cannot see where the list opened. */
  label: string;
  words: string;
  source: Source | undefined;
  /** What stands where nothing fills it. */
  empty: string;
  /** Fills it; nothing leaves it out. */
  onFill: (source: Source | undefined) => void;
  /** Makes an input for it, where that is possible. */
  onAsk?: (() => void) | undefined;
  /** The values that it may always be, if only some can be; others are typed. */
  among?: Choice[] | undefined;
  /** What else could fill it that is not on the page yet. */
  beyond?: (close: () => void) => ReactNode;
}

function Offers({ app, page, slot, onFill, beyond }: Omit<Props, 'label' | 'words' | 'empty'>) {
  const [find, setFind] = useState('');
  const { data, error } = useQuery(offersQuery(app, page, slot, useDeferredValue(find)));
  return (
    <>
      <TextField
        autoFocus
        fullWidth
        placeholder="find what can fill it…"
        value={find}
        onChange={(event) => {
          setFind(event.target.value);
        }}
        onKeyDown={(event) => {
          if (event.key === 'ArrowDown') {
            event.preventDefault();
            event.currentTarget.parentElement
              ?.querySelector<HTMLElement>('[role=menuitem]')
              ?.focus();
          }
        }}
        slotProps={{ htmlInput: { 'aria-label': 'Find what can fill it' } }}
      />
      {error && <Problem error={error} />}
      {!data && !error && <Waiting what="Looking for what fits" />}
      {data?.length === 0 && !beyond && (
        <Typography sx={{ color: 'text.secondary', py: 1 }}>
          Nothing else on this page fits. Ask for it, fix it or write a formula.
        </Typography>
      )}
      <MenuList dense sx={{ maxHeight: 260, overflow: 'auto' }} aria-label="What can fill it">
        {data?.map((offer, index) => (
          <Fragment key={index}>
            {offer.group !== data[index - 1]?.group && (
              <ListSubheader sx={{ lineHeight: '24px', fontSize: 12 }}>{offer.group}</ListSubheader>
            )}
            <MenuItem
              title={offer.note || undefined}
              onClick={() => {
                onFill(offer.source);
              }}
              sx={{ gap: 2, justifyContent: 'space-between' }}
            >
              <span>
                {offer.words}
                {offer.note && (
                  <Box component="span" sx={{ color: 'text.secondary', fontSize: 12 }}>
                    {' '}
                    · {offer.note}
                  </Box>
                )}
              </span>
              <Box
                component="span"
                sx={{
                  color: 'text.secondary',
                  maxWidth: 160,
                  overflow: 'hidden',
                  textOverflow: 'ellipsis',
                }}
              >
                {offer.value}
              </Box>
            </MenuItem>
          </Fragment>
        ))}
      </MenuList>
    </>
  );
}

function FixedValue({ source, among, onFill }: Pick<Props, 'source' | 'among' | 'onFill'>) {
  const [text, setText] = useState(source?.kind === 'fixed' ? source.text : '');
  return (
    <Box
      component="form"
      onSubmit={(event) => {
        event.preventDefault();
        onFill({ kind: 'fixed', text });
      }}
      sx={{ display: 'flex', gap: 1 }}
    >
      <TextField
        autoFocus
        fullWidth
        select={among !== undefined}
        label="always this value"
        value={text}
        onChange={(event) => {
          setText(event.target.value);
        }}
      >
        {among?.map(({ code, words }) => (
          <MenuItem key={code} value={code}>
            {words}
          </MenuItem>
        ))}
      </TextField>
      <Button type="submit" variant="outlined">
        Take it
      </Button>
    </Box>
  );
}

type Way = 'offers' | 'fixed' | 'formula';

/** What fills a slot, as a button that opens what else could: only what fits, by where it comes from. */
export function SourcePicker(props: Props) {
  const { source, words, empty, label } = props;
  const [anchor, setAnchor] = useState<HTMLElement>();
  const [way, setWay] = useState<Way>('offers');
  const close = () => {
    setAnchor(undefined);
    anchor?.closest<HTMLElement>('[role=treegrid]')?.focus();
  };
  const fill = (next: Source | undefined) => {
    close();
    props.onFill(next);
  };
  const start = (kind: Source['kind'] | undefined): Way =>
    kind === 'fixed' || kind === 'formula' ? kind : 'offers';
  return (
    <>
      <Box
        component="button"
        type="button"
        data-edit
        aria-haspopup="dialog"
        aria-label={`${label}: ${words || empty}. Change`}
        title={words || empty}
        onClick={(event: React.MouseEvent<HTMLElement>) => {
          setWay(start(source?.kind));
          setAnchor(event.currentTarget);
        }}
        onKeyDown={(event: React.KeyboardEvent) => {
          event.stopPropagation();
        }}
        sx={look}
      >
        {words || (
          <Box component="span" sx={{ color: 'text.secondary' }}>
            — {empty} —
          </Box>
        )}
      </Box>
      <Popover
        open={anchor !== undefined}
        anchorEl={anchor ?? null}
        onClose={close}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
        slotProps={{ paper: { 'aria-label': label, role: 'dialog', sx: { width: 460, p: 1.5 } } }}
        onKeyDown={(event) => {
          event.stopPropagation();
        }}
        onClick={(event) => {
          event.stopPropagation();
        }}
      >
        <Box sx={{ display: 'flex', gap: 0.5, flexWrap: 'wrap', mb: 1 }}>
          <Button
            onClick={() => {
              setWay('offers');
            }}
            variant={way === 'offers' ? 'outlined' : 'text'}
          >
            From the page
          </Button>
          <Button
            onClick={() => {
              setWay('fixed');
            }}
            variant={way === 'fixed' ? 'outlined' : 'text'}
          >
            Always the same
          </Button>
          {!props.among && (
            <Button
              onClick={() => {
                setWay('formula');
              }}
              variant={way === 'formula' ? 'outlined' : 'text'}
            >
              Formula
            </Button>
          )}
          <Box sx={{ flex: 1 }} />
          {props.onAsk && source?.kind !== 'entered' && (
            <Button
              onClick={() => {
                close();
                props.onAsk?.();
              }}
            >
              Ask for it
            </Button>
          )}
          {source && (
            <Button
              onClick={() => {
                fill(undefined);
              }}
            >
              Leave it out
            </Button>
          )}
        </Box>
        {way === 'offers' && <Offers {...props} onFill={fill} />}
        {way === 'offers' && props.beyond?.(close)}
        {way === 'fixed' && <FixedValue source={source} among={props.among} onFill={fill} />}
        {way === 'formula' && (
          <Suspense fallback={<Waiting what="Opening the formula" />}>
            <FormulaLine
              app={props.app}
              page={props.page}
              slot={props.slot}
              start={source?.kind === 'formula' ? source.text : ''}
              onTake={(text) => {
                fill({ kind: 'formula', text });
              }}
            />
          </Suspense>
        )}
      </Popover>
    </>
  );
}

const look = { ...inlineLook, fontSize: 12.5 } as const;
