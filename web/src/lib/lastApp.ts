import { useEffect } from 'react';
import { keep, useStored } from './useStored';

const KEY = 'app';

/** The app that was worked on last, which is proposed elsewhere; empty before there is one. */
export const useLastApp = () => useStored(KEY, '');

/** Remembers that an app is worked on. */
export function useWorkingOn(app: string) {
  useEffect(() => {
    keep(KEY, app);
  }, [app]);
}
