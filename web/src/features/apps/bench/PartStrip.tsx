import ArrowBack from '@mui/icons-material/ArrowBack';
import ArrowDownward from '@mui/icons-material/ArrowDownward';
import ArrowForward from '@mui/icons-material/ArrowForward';
import ArrowUpward from '@mui/icons-material/ArrowUpward';
import DeleteOutlined from '@mui/icons-material/DeleteOutlined';
import DragIndicator from '@mui/icons-material/DragIndicator';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import type { AppEdit, BenchItem } from '@/api/client';
import { MOVED, TAKING } from '@/lib/drag';
import { TOTALS } from '@/parts/totals';
import { InlineEdit } from '@/ui/InlineEdit';
import { FormatMenu } from '../look/FormatMenu';
import { changeEdit, differs, takingText } from './model';
import { InputSettings } from './InputSettings';
import { InsideFields } from './InsideFields';
import { OneOf } from './OneOf';
import { OnlyHere } from './OnlyHere';
import { PartSettings } from './PartSettings';
import { SourcePicker } from './SourcePicker';

const small = { fontSize: 16 };

const TOTAL_WORDS = { NONE: 'nothing under it', ...TOTALS };

interface Props {
  app: string;
  page: string;
  item: BenchItem;
  onEdit: (edit: AppEdit) => void;
}

function what({ item, kind }: BenchItem) {
  return item === undefined ? kind : `${kind} of this part`;
}

/** The settings of what is picked, in a thin strip over it. */
export function PartStrip({ app, page, item, onEdit }: Props) {
  const inside = item.item;
  // Columns stand side by side, all else below each other.
  const sideways = item.kind === 'column';
  const move = (by: number) => {
    onEdit(
      inside === undefined
        ? { kind: 'movePart', page, part: item.part, by }
        : { kind: 'moveItem', page, item: inside, by },
    );
  };
  const fill = (source: Parameters<Parameters<typeof SourcePicker>[0]['onFill']>[0]) => {
    onEdit({ kind: 'fillSlot', slot: item.slot, ...(source ? { source } : {}) });
  };
  return (
    <Box
      role="toolbar"
      aria-label={`Settings of this ${what(item)}`}
      onClick={(event) => {
        event.stopPropagation();
      }}
      onFocus={(event) => {
        event.stopPropagation();
      }}
      sx={{ display: 'flex', mb: 0.75, px: 1, bgcolor: 'shallow', fontSize: 12.5 }}
    >
      <Box
        sx={{
          flex: 1,
          minWidth: 0,
          display: 'flex',
          flexWrap: 'wrap',
          alignItems: 'center',
          gap: 0.75,
          minHeight: 28,
        }}
      >
        <Box
          component="span"
          draggable
          aria-hidden
          title={
            inside === undefined
              ? 'Drag onto another part to move it there, or onto a field to show that'
              : 'Drag onto a field, which it takes then'
          }
          onDragStart={(event) => {
            event.dataTransfer.setData(TAKING, takingText(item));
            if (inside === undefined) event.dataTransfer.setData(MOVED, item.part);
            event.dataTransfer.effectAllowed = 'move';
          }}
          sx={{ cursor: 'grab', display: 'flex' }}
        >
          <DragIndicator sx={small} />
        </Box>
        <Box component="span" sx={{ color: 'text.secondary' }}>
          {item.kind}
        </Box>
        <InlineEdit
          key={inside ?? item.part}
          value={item.label}
          placeholder="no heading"
          label={`Words of this ${what(item)}`}
          onCommit={(label) => {
            if (inside === undefined) fill({ kind: 'fixed', text: label });
            else onEdit(changeEdit(page, item, { label }));
          }}
        />
        {inside !== undefined && (differs(item) || Object.keys(item.set).length > 0) && (
          <OnlyHere page={page} item={item} onEdit={onEdit} />
        )}
        <Box component="span" sx={{ color: 'text.secondary' }}>
          {inside === undefined ? 'words' : item.kind === 'input' ? 'starts with' : 'shows'}
        </Box>
        <Box sx={{ maxWidth: 190, minWidth: 0, display: 'flex' }}>
          <SourcePicker
            app={app}
            page={page}
            slot={item.slot}
            label={inside === undefined ? 'Words filled from' : `${item.label} filled from`}
            words={item.words}
            source={item.source}
            empty={inside === undefined ? 'as usual' : 'nothing'}
            onFill={fill}
          />
        </Box>
        {inside !== undefined && item.kind !== 'input' && item.look && (
          <FormatMenu
            look={item.look}
            onFormat={(format) => {
              onEdit(changeEdit(page, item, { format }));
            }}
          />
        )}
        {item.settings && (
          <PartSettings
            app={app}
            page={page}
            item={item}
            settings={item.settings}
            onEdit={onEdit}
          />
        )}
        {item.input && inside !== undefined && (
          <InputSettings
            app={app}
            page={page}
            input={inside}
            settings={item.input}
            onEdit={onEdit}
          />
        )}
        {item.inside && inside !== undefined && (
          <InsideFields
            settings={item.inside}
            onChoose={(fields) => {
              onEdit({ kind: 'chooseInside', page, column: inside, fields });
            }}
          />
        )}
        {item.total && inside !== undefined && (
          <OneOf
            label="What stands under it"
            value={item.total.total ?? 'NONE'}
            words={TOTAL_WORDS}
            onChoose={(total) => {
              onEdit({
                kind: 'setTotal',
                page,
                column: inside,
                ...(total === 'NONE' ? {} : { total }),
              });
            }}
          />
        )}
      </Box>
      <Box sx={{ flex: 'none', display: 'flex', alignSelf: 'flex-start' }}>
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
        <IconButton
          aria-label={`Remove this ${what(item)}`}
          title="Remove"
          onClick={() => {
            onEdit(
              inside === undefined
                ? { kind: 'removePart', page, part: item.part }
                : { kind: 'removeItem', page, item: inside },
            );
          }}
        >
          <DeleteOutlined sx={small} />
        </IconButton>
      </Box>
    </Box>
  );
}
