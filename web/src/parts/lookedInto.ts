import type { PageUse } from './model';

/**
 * What lets a value on a page that runs on the bench be looked into without a mouse.
 *
 * @param own whether Enter means nothing else there; Alt+Enter looks into it in any case
 */
export function lookedInto(use: PageUse, look: () => void, own = true) {
  if (use.building || !use.onPick) return {};
  return {
    ...(own && { tabIndex: 0 }),
    onKeyDown: (event: React.KeyboardEvent) => {
      const isMeant = event.altKey || (own && event.target === event.currentTarget);
      if (event.key !== 'Enter' || !isMeant) return;
      event.preventDefault();
      event.stopPropagation();
      look();
    },
  };
}
