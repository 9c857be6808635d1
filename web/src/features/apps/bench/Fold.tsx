import ExpandMore from '@mui/icons-material/ExpandMore';
import Button from '@mui/material/Button';

interface Props {
  name: string;
  open: boolean;
  onToggle: () => void;
}

/** The name of a call, which folds its field sheet away and open again. */
export function Fold({ name, open, onToggle }: Props) {
  return (
    <Button
      aria-expanded={open}
      onClick={onToggle}
      startIcon={<ExpandMore sx={{ fontSize: 18, transform: open ? 'none' : 'rotate(-90deg)' }} />}
      sx={{ color: 'text.primary', fontWeight: 700, textTransform: 'none', px: 0.5, minWidth: 0 }}
    >
      {name}
    </Button>
  );
}
