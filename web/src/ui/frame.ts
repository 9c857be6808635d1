import { createContext, type ReactNode, use, useEffect } from 'react';

/** What a place puts into the top bar: where one is, and what can be done there. */
export interface FrameContent {
  path: { words: string; to?: string }[];
  tools: ReactNode;
}

export const FrameContext = createContext<(content: FrameContent) => void>(() => undefined);

/** Fills the top bar as long as the calling place is open. `content` must be memoised. */
export function useFrame(content: FrameContent) {
  const fill = use(FrameContext);
  useEffect(() => {
    fill(content);
    document.title = [...content.path.map((step) => step.words).toReversed(), 'Mapsel'].join(' – ');
  }, [fill, content]);
}
