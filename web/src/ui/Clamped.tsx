import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useLayoutEffect, useRef, useState } from 'react';

/** A text of which the first lines are shown, and the others when somebody wants them. */
export function Clamped({ text, lines }: { text: string; lines: number }) {
  const [open, setOpen] = useState(false);
  const [cut, setCut] = useState(false);
  const shown = useRef<HTMLDivElement>(null);
  useLayoutEffect(() => {
    const box = shown.current;
    if (box && !open) setCut(box.scrollHeight > box.clientHeight + 1);
  }, [text, open]);
  return (
    <Box sx={{ color: 'text.secondary', maxWidth: 900 }}>
      <Box
        ref={shown}
        sx={{
          overflow: 'hidden',
          overflowWrap: 'anywhere',
          ...(!open && {
            display: '-webkit-box',
            WebkitBoxOrient: 'vertical',
            WebkitLineClamp: lines,
          }),
        }}
      >
        {text}
      </Box>
      {cut && (
        <Button
          size="small"
          aria-expanded={open}
          onClick={() => {
            setOpen(!open);
          }}
        >
          {open ? 'less' : 'all of it'}
        </Button>
      )}
    </Box>
  );
}
