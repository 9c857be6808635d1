import { createContext, type ReactNode, use, useEffect } from 'react';

/** A step of the way to where one is; some are a choice of places. */
export interface PathStep {
  words: string;
  to?: string;
  choices?: { words: string; to: string; here?: boolean }[];
}

/** What a place puts into the top bar: where one is, and what can be done there. */
export interface FrameContent {
  path: PathStep[];
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
