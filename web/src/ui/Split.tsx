import Box from '@mui/material/Box';
import useMediaQuery from '@mui/material/useMediaQuery';
import type { ReactNode } from 'react';
import { Group, Panel, Separator, useDefaultLayout } from 'react-resizable-panels';

interface Props {
  id: string;
  left: ReactNode;
  right: ReactNode;
  leftSize: string;
}

/** Two panes that remember their width; one above the other where there is no room for both. */
export function Split({ id, left, right, leftSize }: Props) {
  const narrow = useMediaQuery('(max-width: 900px)');
  const layout = useDefaultLayout({ id, storage: localStorage });
  if (narrow) {
    return (
      <Box sx={{ height: '100%', overflow: 'auto' }}>
        {left}
        <Box sx={{ borderTop: '1px solid', borderColor: 'divider' }}>{right}</Box>
      </Box>
    );
  }
  return (
    <Group orientation="horizontal" style={{ height: '100%' }} {...layout}>
      <Panel id="left" defaultSize={leftSize} minSize="200px">
        {left}
      </Panel>
      <Separator aria-label="Pane width" style={{ width: 7 }}>
        <Box sx={{ width: '1px', height: '100%', mx: '3px', bgcolor: 'divider' }} />
      </Separator>
      <Panel id="right" minSize="320px">
        {right}
      </Panel>
    </Group>
  );
}
