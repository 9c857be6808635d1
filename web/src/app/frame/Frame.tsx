import Box from '@mui/material/Box';
import { type ReactNode, useState } from 'react';
import { FrameContext, type FrameContent } from '@/ui/frame';
import { Rail } from './Rail';
import { TopBar } from './TopBar';

const EMPTY: FrameContent = { path: [], tools: null };

/** The frame around every place: top bar, rail, and the place itself. */
export function Frame({ children }: { children: ReactNode }) {
  const [content, setContent] = useState(EMPTY);
  return (
    <FrameContext value={setContent}>
      <Box sx={{ height: '100%', display: 'grid', gridTemplateRows: '44px minmax(0, 1fr)' }}>
        <TopBar content={content} />
        <Box sx={{ display: 'grid', gridTemplateColumns: '84px minmax(0, 1fr)', minHeight: 0 }}>
          <Rail />
          <Box component="main" sx={{ minWidth: 0, minHeight: 0, overflow: 'auto' }}>
            {children}
          </Box>
        </Box>
      </Box>
    </FrameContext>
  );
}
