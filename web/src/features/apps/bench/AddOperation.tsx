import Add from '@mui/icons-material/Add';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ListSubheader from '@mui/material/ListSubheader';
import MenuItem from '@mui/material/MenuItem';
import MenuList from '@mui/material/MenuList';
import Popover from '@mui/material/Popover';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQueries, useQuery } from '@tanstack/react-query';
import { Fragment, useState } from 'react';
import type { AppEdit, Service } from '@/api/client';
import { serviceQuery, servicesQuery } from '@/api/queries';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';

/** More than these nobody reads through; finding narrows. */
const MOST = 200;

interface Props {
  page: string;
  /** Whether the page has none yet. */
  first: boolean;
  onEdit: (edit: AppEdit) => void;
}

/** The operations that were taken, by their services. */
function Operations({ onTake }: { onTake: (service: Service, operation: string) => void }) {
  const [find, setFind] = useState('');
  const services = useQuery(servicesQuery);
  const details = useQueries({ queries: (services.data ?? []).map(({ id }) => serviceQuery(id)) });
  const error = [services, ...details].find((query) => query.error)?.error;
  const wanted = find.toLowerCase();
  const found = details
    .flatMap(({ data }) => (data ? data.operations.map((one) => ({ service: data, one })) : []))
    .filter(({ service, one }) =>
      `${service.name} ${one.name} ${one.documentation}`.toLowerCase().includes(wanted),
    );
  return (
    <>
      <TextField
        autoFocus
        fullWidth
        placeholder="find an operation…"
        value={find}
        onChange={(event) => {
          setFind(event.target.value);
        }}
        onKeyDown={(event) => {
          if (event.key !== 'ArrowDown') return;
          event.preventDefault();
          event.currentTarget.parentElement?.querySelector<HTMLElement>('[role=menuitem]')?.focus();
        }}
        slotProps={{ htmlInput: { 'aria-label': 'Find an operation' } }}
      />
      <MenuList dense sx={{ height: 300, overflow: 'auto' }} aria-label="Operations">
        {found.slice(0, MOST).map(({ service, one }, index) => (
          <Fragment key={`${service.id} ${one.id}`}>
            {service !== found[index - 1]?.service && (
              <ListSubheader sx={{ lineHeight: '24px', fontSize: 12 }}>
                {service.name}
              </ListSubheader>
            )}
            <MenuItem
              title={one.documentation || undefined}
              onClick={() => {
                onTake(service, one.id);
              }}
            >
              {one.name}
            </MenuItem>
          </Fragment>
        ))}
      </MenuList>
      {error && <Problem error={error} />}
      {details.some(({ isLoading }) => isLoading) && <Waiting what="Fetching the operations" />}
      {services.data && found.length === 0 && !details.some(({ isLoading }) => isLoading) && (
        <Typography sx={{ color: 'text.secondary', p: 1 }}>
          {find
            ? `No operation matches “${find}”.`
            : 'No operation was taken yet. Read a description under Services first.'}
        </Typography>
      )}
    </>
  );
}

/** Puts another operation on the page: its form, its button and what it returns. */
export function AddOperation({ page, first, onEdit }: Props) {
  const [anchor, setAnchor] = useState<HTMLElement>();
  return (
    <Box sx={{ p: first ? 2.5 : 1, flex: 'none' }}>
      {first && (
        <Typography sx={{ color: 'text.secondary', mb: 1 }}>
          This page calls nothing yet. What an operation takes and returns will stand here, to be
          put on the page.
        </Typography>
      )}
      <Button
        variant={first ? 'contained' : 'text'}
        startIcon={<Add />}
        aria-haspopup="dialog"
        onClick={(event) => {
          setAnchor(event.currentTarget);
        }}
      >
        Add an operation
      </Button>
      <Popover
        open={anchor !== undefined}
        anchorEl={anchor ?? null}
        onClose={() => {
          setAnchor(undefined);
        }}
        // It stands at the bottom where the page has operations already.
        anchorOrigin={{ vertical: first ? 'bottom' : 'top', horizontal: 'left' }}
        transformOrigin={{ vertical: first ? 'top' : 'bottom', horizontal: 'left' }}
        slotProps={{
          paper: { 'aria-label': 'Add an operation', role: 'dialog', sx: { width: 420, p: 1.5 } },
        }}
      >
        <Operations
          onTake={(service, operation) => {
            setAnchor(undefined);
            const { id, edition, endpoint } = service;
            onEdit({
              kind: 'addCall',
              page,
              service: id,
              edition,
              operation,
              endpoint,
              fields: [],
            });
          }}
        />
      </Popover>
    </Box>
  );
}
