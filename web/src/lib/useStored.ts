import { useState } from 'react';

/** Keeps a value for whoever reads it with {@link useStored} from now on. */
export function keep(key: string, value: unknown) {
  window.localStorage.setItem(key, JSON.stringify(value));
}

/** State that a reload keeps: how wide a pane is, what is open. Never anything that matters. */
export function useStored<T>(key: string, initial: T): [T, (value: T) => void] {
  const [value, setValue] = useState<T>(() => {
    const stored = window.localStorage.getItem(key);
    try {
      return stored === null ? initial : (JSON.parse(stored) as T);
    } catch {
      // Somebody else's or an older format; the default is as good.
      return initial;
    }
  });
  const store = (next: T) => {
    keep(key, next);
    setValue(next);
  };
  return [value, store];
}
