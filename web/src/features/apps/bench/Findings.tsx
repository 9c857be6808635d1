import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Drawer from '@mui/material/Drawer';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { AppEdit, AppFinding, AppView } from '@/api/client';
import { findingsQuery } from '@/api/queries';
import { count } from '@/lib/format';
import { FindingList } from '@/ui/FindingList';
import { Problem } from '@/ui/Problem';
import { Waiting } from '@/ui/Waiting';

/** The place of the product that a finding is about. */
export function placeOf(app: string, { page, subject }: AppFinding): string {
  if (subject?.kind === 'aboutField') return `/apps/${app}/model/${subject.type}`;
  const part =
    subject?.kind === 'aboutPart'
      ? subject.part
      : subject?.kind === 'aboutSlot' && subject.slot.kind === 'ofPart'
        ? subject.slot.owner
        : undefined;
  const query = part === undefined ? '' : `?pick=${encodeURIComponent(part)}`;
  return page === undefined ? `/apps/${app}/model` : `/apps/${app}/pages/${page}${query}`;
}

interface Props {
  view: AppView;
  onEdit: (edit: AppEdit) => void;
}

function List({ view, onEdit, onGo }: Props & { onGo: (to: string) => void }) {
  const { data, error } = useQuery(findingsQuery(view.id, view.version));
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting what="Looking through the app" />;
  if (data.length === 0) return <Typography>Nothing to mend in this app.</Typography>;
  return data.map((found, index) => (
    <Box key={index} component="section" sx={{ mb: 1.5 }}>
      <Typography sx={{ color: 'text.secondary', fontSize: 12 }}>
        {found.pageName ?? 'the model'}
      </Typography>
      <FindingList findings={[found.finding]} label={found.pageName ?? 'the model'} />
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', pl: 3 }}>
        <Button
          onClick={() => {
            onGo(placeOf(view.id, found));
          }}
        >
          Go there
        </Button>
        {found.repairs.map((repair) => (
          <Button
            key={repair.words}
            variant="outlined"
            onClick={() => {
              onEdit(repair.edit);
            }}
          >
            {repair.words}
          </Button>
        ))}
      </Box>
    </Box>
  ));
}

/** How much there is to mend, and a list that leads to each place. */
export function Findings({ view, onEdit }: Props) {
  const [open, setOpen] = useState(false);
  const navigate = useNavigate();
  const close = () => {
    setOpen(false);
  };
  const all = view.errors + view.warnings;
  return (
    <>
      <Button
        aria-haspopup="dialog"
        onClick={() => {
          setOpen(true);
        }}
        sx={{ flex: 'none', color: view.errors > 0 ? 'error.main' : undefined }}
      >
        {all === 0 ? 'Nothing to mend' : count(all, 'thing to mend', 'things to mend')}
      </Button>
      <Drawer
        anchor="right"
        open={open}
        onClose={close}
        slotProps={{ paper: { role: 'dialog', 'aria-label': 'What there is to mend' } }}
      >
        <Box sx={{ width: 440, maxWidth: '100vw', p: 2 }}>
          <Box sx={{ display: 'flex', alignItems: 'baseline', mb: 1 }}>
            <Typography variant="h2" sx={{ flex: 1 }}>
              To mend
            </Typography>
            <Button onClick={close}>Close</Button>
          </Box>
          {open && (
            <List
              view={view}
              onEdit={onEdit}
              onGo={(to) => {
                close();
                void navigate(to);
              }}
            />
          )}
        </Box>
      </Drawer>
    </>
  );
}
