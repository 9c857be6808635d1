import ExpandMore from '@mui/icons-material/ExpandMore';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { Link } from 'react-router';
import type { PathStep } from '@/ui/frame';

interface Props {
  words: string;
  choices: NonNullable<PathStep['choices']>;
}

/** A step of the way that opens what else there is at its place. */
export function PathMenu({ words, choices }: Props) {
  const [anchor, setAnchor] = useState<HTMLElement>();
  const close = () => {
    setAnchor(undefined);
  };
  return (
    <>
      <Button
        color="inherit"
        aria-haspopup="menu"
        aria-expanded={anchor !== undefined}
        endIcon={<ExpandMore />}
        onClick={(event) => {
          setAnchor(event.currentTarget);
        }}
        sx={{
          p: 0,
          minWidth: 0,
          fontSize: 14,
          fontWeight: 400,
          lineHeight: 'inherit',
          textDecoration: 'underline',
          verticalAlign: 'baseline',
          '& .MuiButton-endIcon': { ml: 0, mr: 0 },
        }}
      >
        {words}
      </Button>
      <Menu open={anchor !== undefined} anchorEl={anchor ?? null} onClose={close}>
        {choices.map((one) => (
          <MenuItem
            key={one.to}
            component={Link}
            to={one.to}
            selected={one.here ?? false}
            aria-current={one.here ? 'page' : undefined}
            onClick={close}
          >
            {one.words}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
