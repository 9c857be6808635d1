import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import { byKeyboard } from '@/lib/pressed';
import { lookedInto } from './lookedInto';
import { isPicked, type PageUse, type Picked } from './model';

interface Props {
  use: PageUse;
  place: Picked;
  children: ReactNode;
}

/** Something on a page that can be picked while it is built, and with Alt while it runs. */
export function Pickable({ use, place, children }: Props) {
  const { building, onPick, picked } = use;
  return (
    <Box
      onClick={
        building
          ? (event) => {
              event.stopPropagation();
              onPick?.(place);
            }
          : onPick &&
            ((event) => {
              // A press alone is for typing.
              if (event.altKey) onPick(place);
            })
      }
      {...lookedInto(use, () => onPick?.(place), false)}
      onFocus={
        building
          ? byKeyboard((event: React.FocusEvent) => {
              event.stopPropagation();
              if (!isPicked(picked, place.part, place.item)) onPick?.(place);
            })
          : undefined
      }
      sx={
        isPicked(picked, place.part, place.item)
          ? { bgcolor: 'shallow', outline: '5px solid', outlineColor: 'shallow' }
          : {}
      }
    >
      {children}
    </Box>
  );
}
