import Star from '@mui/icons-material/Star';
import StarBorder from '@mui/icons-material/StarBorder';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import OutlinedInput from '@mui/material/OutlinedInput';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Folio as FolioData } from '@/api/client';
import { isFound, keyOf, placed, type Placed } from './entries';
import { LiveFigure } from './LiveFigure';
import { useUsed } from './useUsed';

interface Props {
  folio: FolioData;
  /** The app that entries without one belong to. */
  app: string;
  /** Where an entry leads. */
  addressOf: (entry: Placed['entry']) => string;
  draft: boolean;
}

/** A line of a start page: its number, its name, what it is for, and how it stands now. */
export function FolioLine(props: {
  number: number;
  children: React.ReactNode;
  figure: React.ReactNode;
  end?: React.ReactNode;
  /** What makes the line one that can be moved. */
  item?: React.LiHTMLAttributes<HTMLLIElement>;
}) {
  return (
    <Box
      component="li"
      {...props.item}
      sx={{
        ...(props.item ? { cursor: 'grab' } : {}),
        display: 'grid',
        gridTemplateColumns: { xs: '28px 1fr auto', sm: '36px 1fr auto auto' },
        columnGap: 1,
        alignItems: 'baseline',
        borderTop: '1px solid',
        borderColor: 'divider',
        py: 1,
      }}
    >
      <Box
        component="span"
        sx={{ fontFamily: 'monospace', color: 'text.secondary', textAlign: 'right', pr: 0.5 }}
      >
        {props.number}
      </Box>
      <Box sx={{ minWidth: 0 }}>{props.children}</Box>
      <Box sx={{ gridColumn: { xs: '2 / 3', sm: 'auto' }, gridRow: { xs: 2, sm: 'auto' } }}>
        {props.figure}
      </Box>
      <Box sx={{ gridColumn: { xs: 3, sm: 'auto' }, gridRow: { xs: 1, sm: 'auto' } }}>
        {props.end}
      </Box>
    </Box>
  );
}

/** A start page as visitors see it: sections with numbered lines, to be searched and marked. */
export function Folio({ folio, app, addressOf, draft }: Props) {
  const [wanted, setWanted] = useState('');
  const { used, marked, use, mark } = useUsed();
  const all = placed(folio);
  const found = all.filter(({ entry, section }) =>
    isFound(entry, folio.sections[section]?.title ?? '', wanted),
  );
  const line = (one: Placed) => {
    const key = keyOf(one.entry, app);
    const isMarked = marked.includes(key);
    return (
      <FolioLine
        key={`${one.section} ${one.place}`}
        number={one.number}
        figure={one.entry.figure && <LiveFigure entry={one.entry} app={app} draft={draft} />}
        end={
          <IconButton
            aria-label={isMarked ? `Take the mark off ${one.entry.name}` : `Mark ${one.entry.name}`}
            aria-pressed={isMarked}
            onClick={() => {
              mark(key);
            }}
          >
            {isMarked ? (
              <Star fontSize="small" color="primary" />
            ) : (
              <StarBorder fontSize="small" sx={{ color: 'text.secondary' }} />
            )}
          </IconButton>
        }
      >
        <Box
          component={Link}
          to={addressOf(one.entry)}
          onClick={() => {
            use(key);
          }}
          sx={{ color: 'primary.main', fontWeight: 600, fontSize: 16 }}
        >
          {one.entry.name}
        </Box>
        {one.entry.line && (
          <Typography sx={{ color: 'text.secondary' }}>{one.entry.line}</Typography>
        )}
      </FolioLine>
    );
  };
  const list = (title: string, lines: Placed[]) =>
    lines.length > 0 && (
      <Box component="section" key={title} aria-label={title || 'All pages'} sx={{ mb: 3 }}>
        {title && (
          <Typography variant="h2" sx={{ mb: 0.75 }}>
            {title}
          </Typography>
        )}
        <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0 }}>
          {lines.map(line)}
        </Box>
      </Box>
    );
  const byKey = (keys: string[]) =>
    keys.flatMap((key) => all.filter(({ entry }) => keyOf(entry, app) === key).slice(0, 1));
  const first = [...new Set([...byKey(marked), ...byKey(used)])].slice(0, 5);
  const worthIt = wanted === '' && all.length > 3;
  return (
    <>
      {all.length > 3 && (
        <OutlinedInput
          size="small"
          value={wanted}
          onChange={(event) => {
            setWanted(event.target.value);
          }}
          type="search"
          placeholder="Find a page"
          inputProps={{ 'aria-label': 'Find a page' }}
          sx={{ width: { xs: '100%', sm: 320 }, mb: 2.5 }}
        />
      )}
      {worthIt && list('Marked and used last', first)}
      {folio.sections.map(({ title }, section) =>
        list(
          title,
          found.filter((one) => one.section === section),
        ),
      )}
      {found.length === 0 && (
        <Typography sx={{ color: 'text.secondary' }}>
          {all.length === 0 ? 'Nothing to open yet.' : 'No page has these words.'}
        </Typography>
      )}
    </>
  );
}
