import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Folio, FolioEntry } from '@/api/client';
import { DRAGGED } from '@/lib/drag';
import { InlineEdit } from '@/ui/InlineEdit';
import { moved, placed, stepped, withEntry } from './entries';
import { FigureMenu } from './FigureMenu';
import { FolioLine } from './Folio';
import { LiveFigure } from './LiveFigure';

/** A page that can have an entry. */
export interface Choice {
  app: string;
  appName: string;
  page: string;
  name: string;
}

interface Props {
  folio: Folio;
  app: string;
  choices: Choice[];
  onChange: (folio: Folio) => void;
}

function AddEntry({ choices, onAdd }: { choices: Choice[]; onAdd: (choice: Choice) => void }) {
  const [anchor, setAnchor] = useState<HTMLElement>();
  return (
    <>
      <Button
        aria-haspopup="menu"
        onClick={(event) => {
          setAnchor(event.currentTarget);
        }}
      >
        + Entry
      </Button>
      <Menu
        open={anchor !== undefined}
        anchorEl={anchor ?? null}
        onClose={() => {
          setAnchor(undefined);
        }}
        slotProps={{ paper: { sx: { maxHeight: 380 } } }}
      >
        {choices.length === 0 && <MenuItem disabled>No page can be opened by itself</MenuItem>}
        {choices.map((choice) => (
          <MenuItem
            key={`${choice.app} ${choice.page}`}
            onClick={() => {
              setAnchor(undefined);
              onAdd(choice);
            }}
          >
            {choice.appName ? `${choice.appName}: ${choice.name}` : choice.name}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}

/** A start page, arranged where it stands: by dragging, by keyboard, with its figures live. */
export function FolioEditor({ folio, app, choices, onChange }: Props) {
  const all = placed(folio);
  const retitled = (section: number, title: string) => {
    onChange({
      sections: folio.sections.map((one, index) => (index === section ? { ...one, title } : one)),
    });
  };
  const dropped = (event: React.DragEvent, section: number, place: number) => {
    const from = event.dataTransfer.getData(DRAGGED);
    if (!from) return;
    event.preventDefault();
    const [fromSection = 0, fromPlace = 0] = from.split(' ').map(Number);
    onChange(moved(folio, { section: fromSection, place: fromPlace }, { section, place }));
  };
  const mayDrop = (event: React.DragEvent) => {
    if (event.dataTransfer.types.includes(DRAGGED)) event.preventDefault();
  };
  return (
    <>
      {folio.sections.map(({ title, entries }, section) => (
        <Box component="section" key={section} aria-label={title || 'Section'} sx={{ mb: 3 }}>
          <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1, mb: 0.75, fontSize: 17 }}>
            <Box component="h2" sx={{ m: 0, fontSize: 17, flex: 1 }}>
              <InlineEdit
                label="Title of the section"
                value={title}
                placeholder="a title"
                onCommit={(words) => {
                  retitled(section, words);
                }}
              />
            </Box>
            <AddEntry
              choices={choices}
              onAdd={(choice) => {
                const entry: FolioEntry = {
                  app: choice.app,
                  page: choice.page,
                  name: choice.name,
                  line: '',
                };
                onChange({
                  sections: folio.sections.with(section, { title, entries: [...entries, entry] }),
                });
              }}
            />
            <Button
              color="inherit"
              sx={{ color: 'text.secondary' }}
              onClick={() => {
                onChange({ sections: folio.sections.toSpliced(section, 1) });
              }}
            >
              Remove section
            </Button>
          </Box>
          <Box
            component="ol"
            sx={{ listStyle: 'none', m: 0, p: 0, minHeight: 24 }}
            onDragOver={mayDrop}
            onDrop={(event) => {
              if (entries.length === 0) dropped(event, section, 0);
            }}
          >
            {all
              .filter((one) => one.section === section)
              .map(({ entry, place, number }) => {
                const change = (changed: Partial<FolioEntry>) => {
                  onChange(withEntry(folio, section, place, { ...entry, ...changed }));
                };
                return (
                  <FolioLine
                    key={`${entry.app} ${entry.page} ${place}`}
                    number={number}
                    item={{
                      draggable: true,
                      tabIndex: 0,
                      'aria-label': `Entry ${number}, ${entry.name}. Alt+up and Alt+down move it`,
                      onDragStart: (event: React.DragEvent) => {
                        event.dataTransfer.setData(DRAGGED, `${section} ${place}`);
                      },
                      onDragOver: mayDrop,
                      onDrop: (event: React.DragEvent) => {
                        event.stopPropagation();
                        dropped(event, section, place);
                      },
                      onKeyDown: (event: React.KeyboardEvent) => {
                        if (!event.altKey) return;
                        if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return;
                        event.preventDefault();
                        onChange(stepped(folio, section, place, event.key === 'ArrowUp' ? -1 : 1));
                      },
                    }}
                    figure={
                      <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline' }}>
                        <LiveFigure entry={entry} app={app} draft={app !== ''} />
                        <FigureMenu
                          entry={entry}
                          app={entry.app || app}
                          onChange={(figure) => {
                            if (figure) {
                              change({ figure });
                              return;
                            }
                            const { figure: gone, ...rest } = entry;
                            if (gone) onChange(withEntry(folio, section, place, rest));
                          }}
                        />
                      </Box>
                    }
                    end={
                      <Button
                        color="inherit"
                        sx={{ color: 'text.secondary' }}
                        aria-label={`Take ${entry.name} off`}
                        onClick={() => {
                          onChange(withEntry(folio, section, place, undefined));
                        }}
                      >
                        Take off
                      </Button>
                    }
                  >
                    <Box sx={{ fontWeight: 600, fontSize: 16 }}>
                      <InlineEdit
                        label="Name"
                        value={entry.name}
                        onCommit={(name) => {
                          if (name) change({ name });
                        }}
                      />
                    </Box>
                    <InlineEdit
                      label="What it is for"
                      value={entry.line}
                      placeholder="what it is for, in a line"
                      onCommit={(line) => {
                        change({ line });
                      }}
                    />
                  </FolioLine>
                );
              })}
          </Box>
          {entries.length === 0 && (
            <Typography sx={{ color: 'text.secondary' }}>
              Nothing in this section yet: add an entry, or drag one here.
            </Typography>
          )}
        </Box>
      ))}
      <Button
        variant="outlined"
        onClick={() => {
          onChange({ sections: [...folio.sections, { title: 'New section', entries: [] }] });
        }}
      >
        + Section
      </Button>
    </>
  );
}
