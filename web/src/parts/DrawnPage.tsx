import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { PageView, PartView } from '@/api/client';
import { DRAGGED } from '@/lib/drag';
import type { PageUse } from './model';
import { ButtonPart } from './ButtonPart';
import { FormPart } from './FormPart';
import { RecordPart } from './RecordPart';
import { TablePart } from './TablePart';
import { TextPart } from './TextPart';

/** The component of each kind of part; a new kind is a new line here. */
function Drawn({ part, use }: { part: PartView; use: PageUse }) {
  switch (part.kind) {
    case 'form':
      return <FormPart part={part} use={use} />;
    case 'button':
      return <ButtonPart part={part} use={use} />;
    case 'table':
      return <TablePart part={part} use={use} />;
    case 'record':
      return <RecordPart part={part} use={use} />;
    case 'text':
      return <TextPart part={part} use={use} />;
  }
}

interface Props {
  page: PageView;
  use: PageUse;
  /** What stands over the part that is picked. */
  strip?: ReactNode;
  /** A field was dragged onto a part. */
  onDropped?: (part: string, text: string) => void;
}

/** A page with its real parts: the same while it is built, run and used. */
export function DrawnPage({ page, use, strip, onDropped }: Props) {
  const { building, picked, onPick } = use;
  return (
    <Box
      component="article"
      aria-label={page.name}
      sx={{ containerType: 'inline-size', display: 'grid', gap: 2.5 }}
    >
      <Typography variant="h1" component="h1" sx={{ fontSize: 24 }}>
        {page.name}
      </Typography>
      {page.messages.map((message, index) => (
        <Alert key={index} severity={message.failed ? 'error' : 'success'} variant="outlined">
          {message.text}
        </Alert>
      ))}
      {page.parts.map((part) => (
        <Box
          key={part.id}
          onClick={
            building
              ? () => {
                  onPick?.({ part: part.id });
                }
              : undefined
          }
          onDragOver={
            onDropped
              ? (event) => {
                  event.preventDefault();
                }
              : undefined
          }
          onDrop={
            onDropped
              ? (event) => {
                  event.preventDefault();
                  onDropped(part.id, event.dataTransfer.getData(DRAGGED));
                }
              : undefined
          }
          sx={
            building
              ? {
                  position: 'relative',
                  borderLeft: '3px solid',
                  borderColor: picked?.part === part.id ? 'primary.main' : 'transparent',
                  pl: 1.5,
                  ml: -2,
                  minWidth: 0,
                  '&:hover': { borderColor: 'primary.main' },
                }
              : { minWidth: 0 }
          }
        >
          {picked?.part === part.id && strip}
          <Drawn part={part} use={use} />
        </Box>
      ))}
    </Box>
  );
}
