import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { AppView, Bench } from '@/api/client';
import type { Edits } from './useEdits';
import { NameDialog } from '@/ui/NameDialog';

interface Props {
  view: AppView;
  page: string;
  bench: Bench;
  onEdit: Edits['edit'];
}

type Asking = 'page' | 'app' | 'text' | 'button' | 'group' | 'empty';

/** What can be done with the page as a whole. */
export function PageMenu({ view, page, bench, onEdit }: Props) {
  const [anchor, setAnchor] = useState<HTMLElement>();
  const [asking, setAsking] = useState<Asking>();
  const navigate = useNavigate();
  const doAndClose = (action: () => void) => () => {
    setAnchor(undefined);
    action();
  };
  const ask = (what: Asking) =>
    doAndClose(() => {
      setAsking(what);
    });
  const goToLast = ({ id, pages }: AppView) => {
    void navigate(`/apps/${id}/pages/${pages.at(-1)?.id ?? ''}`);
  };
  const close = () => {
    setAsking(undefined);
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
        <MenuItem onClick={ask('page')}>Rename the page…</MenuItem>
        <MenuItem onClick={ask('app')}>Rename the app…</MenuItem>
        <MenuItem onClick={ask('text')}>Add a text at the top…</MenuItem>
        <MenuItem onClick={ask('button')}>Add a button…</MenuItem>
        <MenuItem onClick={ask('group')}>Add a group or tab…</MenuItem>
        <MenuItem
          onClick={doAndClose(() => {
            onEdit({ kind: 'copyPage', page }, goToLast);
          })}
        >
          Copy the page
        </MenuItem>
        <MenuItem onClick={ask('empty')}>New empty page…</MenuItem>
        {bench.calls.map((call) => (
          <MenuItem
            key={call.id}
            onClick={doAndClose(() => {
              onEdit({ kind: 'removeCall', page, call: call.id });
            })}
          >
            Remove {call.operationName} and what it shows
          </MenuItem>
        ))}
        <MenuItem
          onClick={doAndClose(() => {
            onEdit({ kind: 'removePage', page });
            void navigate('/apps');
          })}
        >
          Remove the page
        </MenuItem>
      </Menu>
      {asking === 'page' && (
        <NameDialog
          label="Name of the page"
          start={bench.page.name}
          onClose={close}
          onName={(name) => {
            onEdit({ kind: 'renamePage', page, name });
          }}
        />
      )}
      {asking === 'app' && (
        <NameDialog
          label="Name of the app"
          start={view.name}
          onClose={close}
          onName={(name) => {
            onEdit({ kind: 'renameApp', name });
          }}
        />
      )}
      {asking === 'empty' && (
        <NameDialog
          label="Name of the new page"
          start=""
          onClose={close}
          onName={(name) => {
            onEdit({ kind: 'addEmptyPage', name }, goToLast);
          }}
        />
      )}
      {asking === 'button' && (
        <NameDialog
          label="Words on the button"
          start=""
          onClose={close}
          onName={(words) => {
            onEdit({ kind: 'addButton', page, words });
          }}
        />
      )}
      {asking === 'group' && (
        <NameDialog
          label="Words over the group"
          start=""
          onClose={close}
          onName={(words) => {
            onEdit({ kind: 'addGroup', page, words });
          }}
        />
      )}
      {asking === 'text' && (
        <NameDialog
          label="Words at the top"
          start=""
          onClose={close}
          onName={(text) => {
            onEdit({ kind: 'addText', page, text });
          }}
        />
      )}
    </>
  );
}
