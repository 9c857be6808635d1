import Redo from '@mui/icons-material/Redo';
import Undo from '@mui/icons-material/Undo';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Tooltip from '@mui/material/Tooltip';
import { useEffect } from 'react';
import { Link } from 'react-router';
import type { AppView } from '@/api/client';
import { Findings } from './Findings';
import type { Edits } from './useEdits';

const WORDS = {
  saved: 'Saved',
  saving: 'Saving…',
  failed: 'Not saved',
  behind: 'Changed elsewhere',
};

interface Props {
  view: AppView;
  /** The page to open; the first one where none is being built. */
  page: string | undefined;
  edits: Edits;
}

function isTyping(target: EventTarget | null) {
  return (
    target instanceof HTMLInputElement ||
    target instanceof HTMLTextAreaElement ||
    (target instanceof HTMLElement && target.isContentEditable)
  );
}

/** What stands in the top bar while an app is built. */
export function BenchTools({ view, page, edits }: Props) {
  const { undo, redo } = edits;
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (
        !(event.ctrlKey || event.metaKey) ||
        event.key.toLowerCase() !== 'z' ||
        isTyping(event.target)
      )
        return;
      event.preventDefault();
      if (event.shiftKey) redo();
      else undo();
    };
    window.addEventListener('keydown', onKey);
    return () => {
      window.removeEventListener('keydown', onKey);
    };
  }, [undo, redo]);
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 0.5, flex: 'none' }}>
      <Box
        role="status"
        aria-label="Saving"
        sx={{
          color:
            edits.saving === 'failed' || edits.saving === 'behind'
              ? 'error.main'
              : 'text.secondary',
          minWidth: 48,
          whiteSpace: 'nowrap',
        }}
      >
        {WORDS[edits.saving]}
      </Box>
      <Tooltip title={view.undo ? `Undo: ${view.undo}` : 'Nothing to undo'}>
        <span>
          <IconButton aria-label="Undo" disabled={!view.undo} onClick={undo}>
            <Undo fontSize="small" />
          </IconButton>
        </span>
      </Tooltip>
      <Tooltip title={view.redo ? `Do again: ${view.redo}` : 'Nothing to do again'}>
        <span>
          <IconButton aria-label="Redo" disabled={!view.redo} onClick={redo}>
            <Redo fontSize="small" />
          </IconButton>
        </span>
      </Tooltip>
      <Findings view={view} onEdit={edits.edit} />
      {page !== undefined && (
        <Button
          component={Link}
          to={`/draft/${view.id}/${page}`}
          target="_blank"
          variant="outlined"
          sx={{ flex: 'none' }}
        >
          Open app
        </Button>
      )}
    </Box>
  );
}
