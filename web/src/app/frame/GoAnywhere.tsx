import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import TextField from '@mui/material/TextField';
import { useQueries, useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { appsQuery, serviceQuery, servicesQuery } from '@/api/queries';

interface Goal {
  id: string;
  words: string;
  kind: string;
  to: string;
}

const FIXED: Goal[] = [
  { id: 'intake', words: 'Read a description', kind: 'Do', to: '/services' },
  { id: 'apps', words: 'All pages', kind: 'Go', to: '/apps' },
  { id: 'upkeep', words: 'What the workspace keeps', kind: 'Go', to: '/upkeep' },
];

function useGoals(enabled: boolean): { goals: Goal[]; loading: boolean } {
  const services = useQuery(servicesQuery);
  const apps = useQuery(appsQuery);
  const details = useQueries({
    queries: (services.data ?? []).map((service) => ({ ...serviceQuery(service.id), enabled })),
  });
  const pages = (apps.data ?? []).flatMap((app) =>
    app.pages.map((page) => ({
      id: `${app.id}/${page.id}`,
      words: `${app.name} / ${page.name}`,
      kind: 'Page',
      to: `/apps/${app.id}/pages/${page.id}`,
    })),
  );
  const operations = details.flatMap(({ data }) =>
    (data?.operations ?? []).map((operation) => ({
      id: `${data?.id}/${operation.id}`,
      words: `${data?.name} / ${operation.name}`,
      kind: 'Operation',
      to: `/services/${data?.id}/operations/${encodeURIComponent(operation.id)}`,
    })),
  );
  const loading = [services, apps, ...details].some((query) => query.isLoading);
  return { goals: [...FIXED, ...pages, ...operations], loading };
}

/** One box to go anywhere or do anything. */
export function GoAnywhere() {
  const [open, setOpen] = useState(false);
  const { goals, loading } = useGoals(open);
  const navigate = useNavigate();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
        event.preventDefault();
        setOpen(true);
      }
    };
    window.addEventListener('keydown', onKey);
    return () => {
      window.removeEventListener('keydown', onKey);
    };
  }, []);
  const close = () => {
    setOpen(false);
  };
  return (
    <>
      <Button
        variant="outlined"
        color="inherit"
        onClick={() => {
          setOpen(true);
        }}
        sx={{ color: 'text.secondary', borderColor: 'divider', fontWeight: 400, flex: 'none' }}
      >
        Go to… &nbsp; Ctrl+K
      </Button>
      <Dialog
        open={open}
        onClose={close}
        fullWidth
        maxWidth="sm"
        aria-label="Go anywhere"
        slotProps={{ paper: { sx: { position: 'absolute', top: 60, m: 0 } } }}
      >
        <Autocomplete
          open
          autoHighlight
          loading={loading}
          loadingText="Looking…"
          noOptionsText="Nothing like this here."
          options={goals}
          getOptionLabel={(goal) => goal.words}
          getOptionKey={(goal) => goal.kind + goal.id}
          groupBy={(goal) => goal.kind}
          onChange={(_, goal) => {
            if (!goal) return;
            close();
            void navigate(goal.to);
          }}
          slotProps={{ popper: { placement: 'bottom-start' } }}
          renderInput={(params) => (
            <TextField
              {...params}
              autoFocus
              placeholder="A page, an operation, or what you want to do"
              sx={{ p: 1 }}
            />
          )}
        />
      </Dialog>
    </>
  );
}
