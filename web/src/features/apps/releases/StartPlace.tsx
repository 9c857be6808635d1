import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { AppView } from '@/api/client';
import { FolioEditor } from '@/folio/FolioEditor';
import { AppPlace } from './AppPlace';

/** What visitors see as long as nothing was arranged, to begin from. */
const usual = (view: AppView) => ({
  sections: [
    {
      title: 'Pages',
      entries: view.pages
        .filter(({ alone }) => alone)
        .map(({ id, name }) => ({ app: '', page: id, name, line: '' })),
    },
  ],
});

/** The start page of an app, arranged where it stands. */
export function StartPlace() {
  return (
    <AppPlace place="start">
      {(view, edits) => (
        <Box sx={{ p: 2.5, maxWidth: 900 }}>
          <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2, mb: 2 }}>
            <Typography sx={{ color: 'text.secondary', flex: 1 }}>
              Visitors of {view.name} begin here, once it is released. Press words to change them;
              drag entries, or move them with Alt+up and Alt+down.
            </Typography>
            <Button component={Link} to={`/draft/${view.id}`} target="_blank" sx={{ flex: 'none' }}>
              See it
            </Button>
          </Box>
          <FolioEditor
            folio={view.start.sections.length > 0 ? view.start : usual(view)}
            app={view.id}
            choices={view.pages
              .filter(({ alone }) => alone)
              .map(({ id, name }) => ({ app: '', appName: '', page: id, name }))}
            onChange={(folio) => {
              edits.edit({ kind: 'setStartPage', folio });
            }}
          />
        </Box>
      )}
    </AppPlace>
  );
}
