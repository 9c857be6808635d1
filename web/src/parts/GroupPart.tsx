import ExpandMore from '@mui/icons-material/ExpandMore';
import Box from '@mui/material/Box';
import Collapse from '@mui/material/Collapse';
import Typography from '@mui/material/Typography';
import { type ReactNode, useId, useState } from 'react';
import type { GroupView } from '@/api/client';
import { Heading, UnderHeading } from './Heading';
import type { PageUse } from './model';

interface Props {
  part: GroupView;
  use: PageUse;
  /** Whether something in it is picked, so that it has to be seen. */
  open: boolean;
  empty: boolean;
  children: ReactNode;
}

/** Parts that belong together. */
export function GroupPart({ part, use, open, empty, children }: Props) {
  if (part.way === 'FOLDED') {
    return (
      <Folded words={part.heading} open={open || use.building}>
        {children}
      </Folded>
    );
  }
  return (
    <Box role="group" aria-label={part.heading}>
      {part.way === 'OPEN' && <Heading words={part.heading} />}
      {part.way === 'OPEN' && part.heading !== '' ? (
        <UnderHeading>{children}</UnderHeading>
      ) : (
        children
      )}
      {use.building && empty && (
        <Typography sx={{ color: 'text.secondary' }}>
          Nothing stands in it yet. Drag a part onto it, or choose the group where the part stands.
        </Typography>
      )}
    </Box>
  );
}

function Folded({ words, open, children }: { words: string; open: boolean; children: ReactNode }) {
  const [unfolded, setUnfolded] = useState(false);
  const id = useId();
  const shown = unfolded || open;
  return (
    <Box sx={{ borderTop: '1px solid', borderColor: 'line', pt: 1 }}>
      <Heading
        inline
        words={
          <Box
            component="button"
            type="button"
            aria-expanded={shown}
            aria-controls={id}
            onClick={(event: React.MouseEvent) => {
              if (!open) event.stopPropagation();
              setUnfolded(!unfolded);
            }}
            sx={{
              font: 'inherit',
              color: 'primary.main',
              background: 'none',
              border: 0,
              p: 0,
              cursor: 'pointer',
              display: 'flex',
              alignItems: 'center',
              gap: 0.5,
            }}
          >
            <ExpandMore
              sx={{ transform: shown ? 'none' : 'rotate(-90deg)', transition: 'transform .15s' }}
            />
            {words}
          </Box>
        }
      />
      <Collapse in={shown} id={id} unmountOnExit>
        <Box sx={{ pt: 1 }}>
          <UnderHeading>{children}</UnderHeading>
        </Box>
      </Collapse>
    </Box>
  );
}
