import Box from '@mui/material/Box';
import Tooltip from '@mui/material/Tooltip';
import type { AppEdit, BenchItem } from '@/api/client';
import { differs, onlyHereEdit } from './model';

interface Props {
  page: string;
  item: BenchItem;
  onEdit: (edit: AppEdit) => void;
}

/** A small ring beside what was changed: open where this page alone has it so, shut where all do. */
export function OnlyHere({ page, item, onEdit }: Props) {
  const here = differs(item);
  const words = here
    ? 'Only this page has it so. Press to have it as in the model.'
    : 'All pages have it so. Press to have it so only here.';
  return (
    <Tooltip title={words}>
      <Box
        component="button"
        type="button"
        aria-label={words}
        aria-pressed={here}
        onClick={(event: React.MouseEvent) => {
          event.stopPropagation();
          onEdit(
            here
              ? { kind: 'setOnlyHere', page, item: item.item ?? '', only: {} }
              : onlyHereEdit(page, item),
          );
        }}
        sx={{
          flex: 'none',
          width: 10,
          height: 10,
          p: 0,
          borderRadius: '50%',
          border: '1.5px solid',
          borderColor: 'primary.main',
          bgcolor: here ? 'transparent' : 'primary.main',
          cursor: 'pointer',
        }}
      />
    </Tooltip>
  );
}
