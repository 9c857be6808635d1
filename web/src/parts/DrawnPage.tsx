import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogTitle from '@mui/material/DialogTitle';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { FrameView, PageView, PartView } from '@/api/client';
import { DRAGGED } from '@/lib/drag';
import type { PageUse, PartProps } from './model';
import { ButtonPart } from './ButtonPart';
import { CardsPart } from './CardsPart';
import { ChartPart } from './ChartPart';
import { FormPart } from './FormPart';
import { RecordPart } from './RecordPart';
import { TablePart } from './TablePart';
import { TextPart } from './TextPart';

/** The component of each kind of part; a new kind is a new line here. */
function Drawn({ part, use, whenEmpty, button }: PartProps<PartView>) {
  switch (part.kind) {
    case 'form':
      return <FormPart part={part} use={use} whenEmpty={whenEmpty} button={button} />;
    case 'button':
      return <ButtonPart part={part} use={use} whenEmpty={whenEmpty} />;
    case 'table':
      return <TablePart part={part} use={use} whenEmpty={whenEmpty} />;
    case 'cards':
      return <CardsPart part={part} use={use} whenEmpty={whenEmpty} />;
    case 'chart':
      return <ChartPart part={part} use={use} whenEmpty={whenEmpty} />;
    case 'record':
      return <RecordPart part={part} use={use} whenEmpty={whenEmpty} />;
    case 'text':
      return <TextPart part={part} use={use} whenEmpty={whenEmpty} />;
  }
}

const isPressed = (part: PartView) => part.kind === 'button' && part.manner !== 'DANGEROUS';

const GAP = 20;

/** How much of a line a part takes; where there is no room for several, each has a line of its own. */
const SHARES: Record<FrameView['width'], string> = {
  FULL: '100%',
  TWO_THIRDS: `calc((200% - ${String(GAP)}px) / 3)`,
  HALF: `calc((100% - ${String(GAP)}px) / 2)`,
  THIRD: `calc((100% - ${String(2 * GAP)}px) / 3)`,
  CONTENT: 'auto',
};

function share(frame: FrameView | undefined) {
  const width = frame?.width ?? 'FULL';
  return width === 'CONTENT'
    ? { flex: '0 0 auto' }
    : {
        flex: `0 0 ${SHARES[width]}`,
        maxWidth: SHARES[width],
        '@container (max-width: 600px)': { flex: '0 0 100%', maxWidth: '100%' },
      };
}

function Question({ words, use }: { words: string; use: PageUse }) {
  return (
    <Dialog
      open
      onClose={() => {
        use.onReply(false);
      }}
    >
      <DialogTitle>{words}</DialogTitle>
      <DialogActions>
        <Button
          onClick={() => {
            use.onReply(false);
          }}
        >
          No
        </Button>
        <Button
          variant="contained"
          autoFocus
          onClick={() => {
            use.onReply(true);
          }}
        >
          Yes
        </Button>
      </DialogActions>
    </Dialog>
  );
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
  const frames = new Map(page.frames.map((frame) => [frame.part, frame]));
  return (
    <Box
      component="article"
      aria-label={page.name}
      aria-busy={use.busy}
      sx={{ containerType: 'inline-size' }}
    >
      <Typography variant="h1" component="h1" sx={{ fontSize: 24 }}>
        {page.name}
      </Typography>
      <Box sx={{ height: 4, mt: 0.5, mb: 1.5 }}>
        {use.busy && <LinearProgress aria-label="Waiting for the service" />}
      </Box>
      {page.messages.map((message, index) => (
        <Alert
          key={index}
          severity={message.failed ? 'error' : 'success'}
          variant="outlined"
          sx={{ mb: 2 }}
        >
          {message.text}
        </Alert>
      ))}
      {page.asking && !building && <Question words={page.asking} use={use} />}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: `${String(GAP)}px` }}>
        {page.parts.map((part, at) => (
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
            sx={{
              minWidth: 0,
              ...share(frames.get(part.id)),
              // The settings of a narrow part need the whole line.
              ...(strip && picked?.part === part.id ? { flex: '0 0 100%', maxWidth: '100%' } : {}),
              ...(building
                ? {
                    position: 'relative',
                    borderLeft: '3px solid',
                    borderColor: picked?.part === part.id ? 'primary.main' : 'transparent',
                    pl: 1.5,
                    ml: -2,
                    '&:hover': { borderColor: 'primary.main' },
                  }
                : {}),
            }}
          >
            {picked?.part === part.id && strip}
            {frames.get(part.id)?.hidden && (
              <Box sx={{ fontSize: 12, color: 'text.secondary' }}>
                Visitors do not see this just now.
              </Box>
            )}
            <Box sx={frames.get(part.id)?.hidden ? { opacity: 0.6 } : {}}>
              <Drawn
                part={part}
                use={use}
                whenEmpty={frames.get(part.id)?.whenEmpty ?? ''}
                button={page.parts.slice(at).find(isPressed)?.id}
              />
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
