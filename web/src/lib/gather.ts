/** A key that somebody waits for. */
interface Waiting<V> {
  key: string;
  resolve: (value: V) => void;
  reject: (cause: unknown) => void;
}

/**
 * Makes one request of all that is asked for at once, as by the rows of a table that come into
 * view together.
 *
 * @param ask answers for several keys
 */
export function gathering<V>(
  ask: (keys: string[]) => Promise<ReadonlyMap<string, V>>,
): (key: string) => Promise<V> {
  let waiting: Waiting<V>[] = [];
  const send = async () => {
    const asked = waiting;
    waiting = [];
    try {
      const answers = await ask(asked.map((one) => one.key));
      for (const { key, resolve, reject } of asked) {
        const answer = answers.get(key);
        if (answer === undefined) reject(new Error(`There was no answer for ${key}`));
        else resolve(answer);
      }
    } catch (cause) {
      asked.forEach((one) => {
        one.reject(cause);
      });
    }
  };
  return (key) =>
    new Promise((resolve, reject) => {
      if (waiting.length === 0) setTimeout(() => void send());
      waiting.push({ key, resolve, reject });
    });
}
