import { useStored } from '@/lib/useStored';

const REMEMBERED = 3;

/** What this visitor marked and opened last, kept in the browser and nowhere else. */
export function useUsed() {
  const [used, setUsed] = useStored<string[]>('start.used', []);
  const [marked, setMarked] = useStored<string[]>('start.marked', []);
  return {
    used,
    marked,
    use: (key: string) => {
      setUsed([key, ...used.filter((one) => one !== key)].slice(0, REMEMBERED));
    },
    mark: (key: string) => {
      setMarked(marked.includes(key) ? marked.filter((one) => one !== key) : [...marked, key]);
    },
  };
}
