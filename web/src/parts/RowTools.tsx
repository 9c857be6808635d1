import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import OutlinedInput from '@mui/material/OutlinedInput';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import type { RowsView } from '@/api/client';
import { count } from '@/lib/format';
import { Heading } from './Heading';
import type { PageUse } from './model';

/** From so many rows on there is something to find. */
const MANY = 8;

/** Typing is over after so many milliseconds. */
const PAUSE = 300;

interface Props {
  part: string;
  heading: string;
  rows: RowsView;
  use: PageUse;
  /** Prints all of the rows, where the browser by itself would print only those it has drawn. */
  onPrint?: (() => void) | undefined;
}

/** The words over rows, how many there are, what is looked for, and the way to a file. */
export function RowTools({ part, heading, rows, use, onPrint }: Props) {
  const [find, setFind] = useState(rows.find);
  const { onArrange } = use;
  const by = rows.by;
  const { descending } = rows;
  useEffect(() => {
    if (find === rows.find || !onArrange) return;
    const timer = setTimeout(() => {
      onArrange(part, { by, descending, find });
    }, PAUSE);
    return () => {
      clearTimeout(timer);
    };
  }, [find, rows.find, onArrange, part, by, descending]);
  const there = rows.content === 'FILLED' || rows.content === 'EMPTY';
  const some = rows.total < rows.all;
  return (
    <Box
      sx={{ display: 'flex', alignItems: 'baseline', columnGap: 1.5, mb: 0.5, flexWrap: 'wrap' }}
    >
      <Heading words={heading} inline />
      {there && (
        <Typography sx={{ color: 'text.secondary' }}>
          {some ? `${String(rows.total)} of ${count(rows.all, 'row')}` : count(rows.all, 'row')}
        </Typography>
      )}
      <Box sx={{ flex: 1 }} />
      {onArrange && rows.all >= MANY && (
        <OutlinedInput
          size="small"
          placeholder="find in these rows…"
          value={find}
          onChange={(event) => {
            setFind(event.target.value);
          }}
          inputProps={{ 'aria-label': `Find in ${heading || 'these rows'}` }}
          sx={{ width: 190, '@media print': { display: 'none' } }}
        />
      )}
      {use.fileOf && rows.all > 0 && (
        <Box component="span" sx={{ '@media print': { display: 'none' } }}>
          Save as{' '}
          <Link
            aria-label="Save as CSV"
            href={use.fileOf(part, 'csv')}
            download={`${heading || 'rows'}.csv`}
          >
            CSV
          </Link>
          {' or '}
          <Link
            aria-label="Save as a workbook"
            href={use.fileOf(part, 'xlsx')}
            download={`${heading || 'rows'}.xlsx`}
          >
            workbook
          </Link>
          {onPrint && (
            <>
              {', or '}
              <Link component="button" type="button" onClick={onPrint} sx={{ font: 'inherit' }}>
                print all rows
              </Link>
            </>
          )}
        </Box>
      )}
    </Box>
  );
}

/** What makes a row one that can be chosen, with the mouse and with the keyboard. */
export function choosable(part: string, rows: RowsView, number: number, use: PageUse) {
  if (use.building || !rows.choosing) return {};
  const choose = () => {
    use.onChoose(part, number);
  };
  return {
    tabIndex: 0,
    'aria-selected': rows.chosen === number,
    onClick: choose,
    onKeyDown: (event: React.KeyboardEvent) => {
      if (event.target !== event.currentTarget) return;
      if (event.key === 'Enter' || event.key === ' ') {
        event.preventDefault();
        choose();
      }
    },
    style: { cursor: 'pointer' },
  };
}
