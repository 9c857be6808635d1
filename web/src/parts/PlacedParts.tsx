import Box from '@mui/material/Box';
import { lazy, type ReactNode, Suspense, useState } from 'react';
import type { FrameView, StateWords, PageView, PartView } from '@/api/client';
import { DRAGGED, MOVED } from '@/lib/drag';
import { ButtonPart } from './ButtonPart';
import { CardsPart } from './CardsPart';
import { ChartPart } from './ChartPart';
import { FormPart } from './FormPart';
import { GroupPart } from './GroupPart';
import { LinesPart } from './LinesPart';
import { type PageUse, USUAL_WORDS } from './model';
import { Placing } from './placing';
import { RecordPart } from './RecordPart';
import { ResizeEdge } from './ResizeEdge';
import { TablePart } from './TablePart';
import { TextPart } from './TextPart';

/** Few pages have tabs. */
const Tabbed = lazy(() => import('./Tabbed'));

/** What can be done to the parts of a page that is built. */
export interface Building {
  /** What stands over the part that is picked. */
  strip: ReactNode;
  /** A field was dragged onto a part. */
  onField: (part: string, text: string) => void;
  /** A part was dragged onto another one. */
  onMove: (part: string, onto: string) => void;
  onResize: (part: string, width: FrameView['width']) => void;
}

interface DrawnProps {
  part: PartView;
  use: PageUse;
  words: StateWords;
  button: string | undefined;
  /** What stands in the part, if it is a group. */
  inside: ReactNode;
  /** Whether something in it is picked. */
  open: boolean;
  /** Whether it is a group with nothing in it. */
  empty: boolean;
}

/** The component of each kind of part; a new kind is a new line here. */
function Drawn({ part, use, words, button, inside, open, empty }: DrawnProps) {
  switch (part.kind) {
    case 'form':
      return <FormPart part={part} use={use} words={words} button={button} />;
    case 'lines':
      return <LinesPart part={part} use={use} words={words} />;
    case 'group':
      return (
        <GroupPart part={part} use={use} open={open} empty={empty}>
          {inside}
        </GroupPart>
      );
    case 'button':
      return <ButtonPart part={part} use={use} />;
    case 'table':
      return <TablePart part={part} use={use} words={words} />;
    case 'cards':
      return <CardsPart part={part} use={use} words={words} />;
    case 'chart':
      return <ChartPart part={part} use={use} words={words} />;
    case 'record':
      return <RecordPart part={part} use={use} words={words} />;
    case 'text':
      return <TextPart part={part} use={use} words={words} />;
  }
}

const GAP = 20;

/** How much of a line a part takes; where there is no room for several, each has a line of its own. */
const SHARES: Record<FrameView['width'], string> = {
  FULL: '100%',
  TWO_THIRDS: `calc((200% - ${String(GAP)}px) / 3)`,
  HALF: `calc((100% - ${String(GAP)}px) / 2)`,
  THIRD: `calc((100% - ${String(2 * GAP)}px) / 3)`,
  CONTENT: 'auto',
};

function share(width: FrameView['width']) {
  return width === 'CONTENT'
    ? { flex: '0 0 auto' }
    : {
        flex: `0 0 ${SHARES[width]}`,
        maxWidth: SHARES[width],
        '@container (max-width: 600px)': { flex: '0 0 100%', maxWidth: '100%' },
      };
}

interface PlaceProps {
  part: PartView;
  placing: Placing;
  use: PageUse;
  build: Building | undefined;
  children: ReactNode;
}

/** The place of a part: it can be picked, dropped onto and made wider while the page is built. */
function Place({ part, placing, use, build, children }: PlaceProps) {
  const { building, picked, onPick } = use;
  const [width, setWidth] = useState<FrameView['width']>();
  const frame = placing.frame(part.id);
  // A button in a row is set where its rows stand.
  const isPicked =
    part.kind === 'group' ? picked?.part === part.id : placing.holds(part, picked?.part);
  const strip = isPicked ? build?.strip : undefined;
  const onDrop = (event: React.DragEvent) => {
    event.preventDefault();
    event.stopPropagation();
    const moved = event.dataTransfer.getData(MOVED);
    if (moved !== '') build?.onMove(moved, part.id);
    else build?.onField(part.id, event.dataTransfer.getData(DRAGGED));
  };
  return (
    <Box
      onClick={
        building
          ? (event) => {
              event.stopPropagation();
              onPick?.({ part: part.id });
            }
          : undefined
      }
      onDragOver={
        build
          ? (event) => {
              event.preventDefault();
            }
          : undefined
      }
      onDrop={build ? onDrop : undefined}
      sx={{
        minWidth: 0,
        ...share(width ?? frame?.width ?? 'FULL'),
        // The settings of a narrow part need the whole line.
        ...(strip ? { flex: '0 0 100%', maxWidth: '100%' } : {}),
        ...(building
          ? {
              position: 'relative',
              borderLeft: '3px solid',
              borderColor: isPicked ? 'primary.main' : 'transparent',
              pl: 1.5,
              ml: -2,
              '&:hover': { borderColor: 'primary.main' },
            }
          : {}),
      }}
    >
      {strip}
      {frame?.hidden && (
        <Box sx={{ fontSize: 12, color: 'text.secondary' }}>Visitors do not see this just now.</Box>
      )}
      <Box sx={frame?.hidden ? { opacity: 0.6 } : {}}>{children}</Box>
      {build && !strip && part.kind !== 'button' && (
        <ResizeEdge
          onTry={setWidth}
          onResize={(next) => {
            setWidth(undefined);
            if (next !== (frame?.width ?? 'FULL')) build.onResize(part.id, next);
          }}
        />
      )}
    </Box>
  );
}

interface Props {
  page: PageView;
  use: PageUse;
  build: Building | undefined;
}

/** The parts of a page where they stand: side by side, in groups, under tabs. */
export function PlacedParts({ page, use, build }: Props) {
  const placing = new Placing(page);
  const one = (part: PartView) => (
    <Place key={part.id} part={part} placing={placing} use={use} build={build}>
      <Drawn
        part={part}
        use={use}
        words={placing.frame(part.id)?.words ?? USUAL_WORDS}
        button={placing.buttonBelow(part.id)}
        inside={part.kind === 'group' ? all(part.id) : null}
        open={placing.holds(part, use.picked?.part)}
        empty={placing.inside(part.id).length === 0}
      />
    </Place>
  );
  const all = (group: string | undefined): ReactNode => (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: `${String(GAP)}px` }}>
      {placing.placed(group).map((placed) =>
        'part' in placed ? (
          one(placed.part)
        ) : (
          <Suspense key={placed.tabs[0]?.id}>
            <Tabbed
              groups={placed.tabs}
              picked={placed.tabs.find((tab) => placing.holds(tab, use.picked?.part))?.id}
              onPick={
                use.building
                  ? (part) => {
                      use.onPick?.({ part });
                    }
                  : undefined
              }
            >
              {one}
            </Tabbed>
          </Suspense>
        ),
      )}
    </Box>
  );
  return all(undefined);
}
