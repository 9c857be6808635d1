import ArrowBack from '@mui/icons-material/ArrowBack';
import ArrowDownward from '@mui/icons-material/ArrowDownward';
import ArrowForward from '@mui/icons-material/ArrowForward';
import ArrowUpward from '@mui/icons-material/ArrowUpward';
import DeleteOutlined from '@mui/icons-material/DeleteOutlined';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import type { AppEdit, Page, Part } from '@/api/client';
import { InlineEdit } from '@/ui/InlineEdit';
import type { Picked } from '../live/model';

const NAMES: Record<Part['kind'], string> = {
  form: 'form',
  button: 'button',
  table: 'table',
  record: 'record',
  text: 'text',
};

const small = { fontSize: 16 };

interface Props {
  page: Page;
  part: Part;
  picked: Picked;
  onEdit: (edit: AppEdit) => void;
}

/** The settings of what is picked, in a thin strip over it. */
export function PartStrip({ page, part, picked, onEdit }: Props) {
  const inside =
    part.kind === 'form'
      ? part.inputs
      : part.kind === 'table' || part.kind === 'record'
        ? part.items
        : [];
  const item = inside.find((one) => one.id === picked.item);
  const where = { page: page.id, part: part.id };
  const what = item
    ? `${part.kind === 'table' ? 'column' : 'field'} of the ${NAMES[part.kind]}`
    : NAMES[part.kind];
  // Columns stand side by side, all else below each other.
  const sideways = item !== undefined && part.kind === 'table';
  const move = (by: number) => {
    onEdit(
      item ? { kind: 'moveItem', ...where, item: item.id, by } : { kind: 'movePart', ...where, by },
    );
  };
  return (
    <Box
      role="toolbar"
      aria-label={`Settings of this ${what}`}
      onClick={(event) => {
        event.stopPropagation();
      }}
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 0.75,
        height: 28,
        mb: 0.75,
        px: 1,
        bgcolor: 'shallow',
        fontSize: 12.5,
      }}
    >
      <Box component="span" sx={{ color: 'text.secondary' }}>
        {what}
      </Box>
      <InlineEdit
        key={item?.id ?? part.id}
        value={item ? item.label : part.label}
        placeholder="no heading"
        label={`Words of this ${what}`}
        onCommit={(label) => {
          onEdit({ kind: 'relabel', ...where, ...(item ? { item: item.id } : {}), label });
        }}
      />
      <Box sx={{ flex: 1 }} />
      <IconButton
        aria-label={sideways ? 'Move left' : 'Move up'}
        onClick={() => {
          move(-1);
        }}
      >
        {sideways ? <ArrowBack sx={small} /> : <ArrowUpward sx={small} />}
      </IconButton>
      <IconButton
        aria-label={sideways ? 'Move right' : 'Move down'}
        onClick={() => {
          move(1);
        }}
      >
        {sideways ? <ArrowForward sx={small} /> : <ArrowDownward sx={small} />}
      </IconButton>
      {!item && (
        <IconButton
          aria-label={`Remove this ${what}`}
          title="Remove"
          onClick={() => {
            onEdit({ kind: 'removePart', ...where });
          }}
        >
          <DeleteOutlined sx={small} />
        </IconButton>
      )}
    </Box>
  );
}
