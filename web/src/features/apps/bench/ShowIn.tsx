import Box from '@mui/material/Box';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import type { FieldRow } from '@/sheet/model';
import type { BindingPlace } from './BindingCell';
import { partsFor, sourceIn, fieldEdit } from './model';

/** Where a returned field that is not shown yet could be shown. */
export function ShowIn({ row, place }: { row: FieldRow; place: BindingPlace }) {
  const [anchor, setAnchor] = useState<HTMLElement>();
  const { page, bench, call, onEdit } = place;
  if (row.field.kind !== 'scalar') return null;
  const close = () => {
    setAnchor(undefined);
    anchor?.closest<HTMLElement>('[role=treegrid]')?.focus();
  };
  return (
    <>
      <Box
        component="button"
        type="button"
        data-edit
        aria-haspopup="menu"
        aria-label={`Show ${row.field.name} somewhere`}
        onClick={(event: React.MouseEvent<HTMLElement>) => {
          setAnchor(event.currentTarget);
        }}
        onKeyDown={(event: React.KeyboardEvent) => {
          event.stopPropagation();
        }}
        sx={{
          font: 'inherit',
          fontSize: 12.5,
          color: 'text.secondary',
          background: 'none',
          border: 0,
          p: 0,
          cursor: 'pointer',
          opacity: 0,
          '[role=row]:hover &, [aria-selected=true] &, &:focus-visible': { opacity: 1 },
        }}
      >
        show…
      </Box>
      <Menu open={anchor !== undefined} anchorEl={anchor ?? null} onClose={close}>
        <MenuItem
          onClick={() => {
            close();
            onEdit(fieldEdit(page, call.id, row, true));
          }}
        >
          where it fits
        </MenuItem>
        {partsFor(bench).map((part) => (
          <MenuItem
            key={part.part}
            onClick={() => {
              close();
              onEdit({
                kind: 'showField',
                page,
                part: part.part,
                source: sourceIn(call, part.part, row.field),
              });
            }}
          >
            in {part.label || `the ${part.kind}`}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
