import Box from '@mui/material/Box';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { inlineLook } from '@/ui/inlineLook';
import type { WordChoice } from './choices';

interface Props<T> {
  /** What the word says now. */
  words: string;
  /** What is changed with it, for people who cannot see where it stands. */
  label: string;
  choices: WordChoice<T>[];
  onChoose: (value: T) => void;
  /** Moves what the word stands for, by so many places. */
  onMove?: (by: number) => void;
}

/** A word of a sentence that can be changed: a menu of what else fits there. */
export function WordMenu<T>({ words, label, choices, onChoose, onMove }: Props<T>) {
  const [anchor, setAnchor] = useState<HTMLElement>();
  const close = () => {
    setAnchor(undefined);
  };
  return (
    <>
      <Box
        component="button"
        type="button"
        aria-haspopup="menu"
        aria-label={`${label}: ${words}. Change`}
        onClick={(event: React.MouseEvent<HTMLElement>) => {
          setAnchor(event.currentTarget);
        }}
        onKeyDown={(event: React.KeyboardEvent) => {
          const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
          if (!event.altKey || by === undefined || !onMove) return;
          event.preventDefault();
          onMove(by);
        }}
        sx={{ ...inlineLook, fontWeight: 600, maxWidth: 'none', minWidth: 0 }}
      >
        {words}
      </Box>
      <Menu
        open={anchor !== undefined}
        anchorEl={anchor ?? null}
        onClose={close}
        slotProps={{ list: { dense: true }, paper: { sx: { maxHeight: 380 } } }}
      >
        {choices.map((choice, index) => (
          <MenuItem
            key={index}
            onClick={() => {
              close();
              onChoose(choice.value);
            }}
          >
            {choice.words}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
