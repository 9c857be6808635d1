import Box from '@mui/material/Box';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import { type ReactNode, useId, useState } from 'react';
import type { GroupView } from '@/api/client';

interface Props {
  groups: GroupView[];
  /** The one in which something is picked. */
  picked: string | undefined;
  onPick: ((group: string) => void) | undefined;
  children: (group: GroupView) => ReactNode;
}

/** Groups that share a place, one of which is seen. */
export default function Tabbed({ groups, picked, onPick, children }: Props) {
  const [chosen, setChosen] = useState<string>();
  const id = useId();
  const seen = groups.find((group) => group.id === (picked ?? chosen)) ?? groups[0];
  if (!seen) return null;
  return (
    <Box sx={{ flex: '0 0 100%', minWidth: 0 }}>
      <Tabs
        value={seen.id}
        onChange={(_, next: string) => {
          setChosen(next);
          onPick?.(next);
        }}
        variant="scrollable"
        aria-label="Sections"
        sx={{ borderBottom: '1px solid', borderColor: 'line', mb: 2, minHeight: 38 }}
      >
        {groups.map((group) => (
          <Tab
            key={group.id}
            value={group.id}
            label={group.heading || 'Section'}
            id={`${id}-${group.id}`}
            aria-controls={`${id}-panel`}
            sx={{ textTransform: 'none', minHeight: 38, py: 0.5 }}
          />
        ))}
      </Tabs>
      <Box role="tabpanel" id={`${id}-panel`} aria-labelledby={`${id}-${seen.id}`}>
        {children(seen)}
      </Box>
    </Box>
  );
}
