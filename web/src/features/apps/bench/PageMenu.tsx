import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { AppEdit, AppView, Page } from '@/api/client';

interface Props {
  view: AppView;
  page: Page;
  onEdit: (edit: AppEdit) => void;
}

/** What can be done with the page as a whole. */
export function PageMenu({ view, page, onEdit }: Props) {
  const [anchor, setAnchor] = useState<HTMLElement>();
  const navigate = useNavigate();
  const doAndClose = (action: () => void) => () => {
    setAnchor(undefined);
    action();
  };
  const rename = (what: string, now: string, edit: (name: string) => AppEdit) => () => {
    const name = window.prompt(`A name for ${what}`, now);
    if (name !== null && name.trim() !== now) onEdit(edit(name));
  };
  return (
    <>
      <Button
        aria-haspopup="menu"
        aria-expanded={anchor !== undefined}
        onClick={(event) => {
          setAnchor(event.currentTarget);
        }}
      >
        Page
      </Button>
      <Menu
        open={anchor !== undefined}
        anchorEl={anchor ?? null}
        onClose={() => {
          setAnchor(undefined);
        }}
      >
        <MenuItem
          onClick={doAndClose(
            rename('the page', page.name, (name) => ({ kind: 'renamePage', page: page.id, name })),
          )}
        >
          Rename the page…
        </MenuItem>
        <MenuItem
          onClick={doAndClose(
            rename('the app', view.app.name, (name) => ({ kind: 'renameApp', name })),
          )}
        >
          Rename the app…
        </MenuItem>
        <MenuItem
          onClick={doAndClose(() => {
            onEdit({
              kind: 'addText',
              page: page.id,
              text: 'Some words for the people who use this page.',
            });
          })}
        >
          Add a text at the top
        </MenuItem>
        <MenuItem
          onClick={doAndClose(() => {
            onEdit({ kind: 'removePage', page: page.id });
            void navigate('/apps');
          })}
        >
          Remove the page
        </MenuItem>
      </Menu>
    </>
  );
}
