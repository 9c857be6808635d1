import Box from '@mui/material/Box';
import { useState } from 'react';
import type { AppEdit, AppView, Bench } from '@/api/client';
import { count } from '@/lib/format';
import type { Picked } from '@/parts/model';
import { AddOperation } from './AddOperation';
import { CallPlace } from './CallPlace';
import { Fold } from './Fold';
import { callOf } from './model';

interface Props {
  view: AppView;
  page: string;
  bench: Bench;
  picked: Picked | undefined;
  onPick: (picked: Picked) => void;
  onEdit: (edit: AppEdit) => void;
}

/** As tall as the line below them, by which more are added. */
const ADDING = 46;

/** So many sheets are open beside each other at first; more would be slits. */
const OPEN_AT_FIRST = 2;

/** The field sheets of the calls of a page, one above the other; those that are folded are a line. */
export function CallPlaces({ view, page, bench, picked, onPick, onEdit }: Props) {
  const { calls } = bench;
  const [turned, setTurned] = useState<ReadonlyMap<string, boolean>>(new Map());
  const wanted = picked && callOf(bench, picked)?.id;
  const several = calls.length > 1;
  const isOpen = (id: string, index: number) =>
    !several ||
    (turned.get(id) ??
      (calls.length <= OPEN_AT_FIRST ||
        (wanted === undefined ? index === 0 || index === calls.length - 1 : id === wanted)));
  return (
    <Box sx={{ height: '100%', overflow: 'auto', display: 'flex', flexDirection: 'column' }}>
      {calls.map((call, index) => {
        const open = isOpen(call.id, index);
        const toggle = () => {
          setTurned(new Map([...turned, [call.id, !open]]));
        };
        return open ? (
          <Box
            key={call.id}
            sx={{
              flex: '1 0 auto',
              height: 0,
              minHeight: several ? 260 : `calc(100% - ${ADDING}px)`,
            }}
          >
            <CallPlace
              view={view}
              page={page}
              bench={bench}
              call={call}
              picked={picked}
              onPick={onPick}
              onEdit={onEdit}
              onFold={several ? toggle : undefined}
            />
          </Box>
        ) : (
          <Box
            key={call.id}
            sx={{
              display: 'flex',
              alignItems: 'center',
              gap: 1,
              px: 1,
              flex: 'none',
              borderBottom: '1px solid',
              borderColor: 'line',
            }}
          >
            <Fold name={call.operationName} open={false} onToggle={toggle} />
            <Box component="span" sx={{ color: 'text.secondary', fontSize: 12.5 }}>
              {count(call.filled.length, 'parameter')} filled, {count(call.shown.length, 'field')}{' '}
              shown
            </Box>
          </Box>
        );
      })}
      <AddOperation page={page} first={calls.length === 0} onEdit={onEdit} />
    </Box>
  );
}
