import { useCallback, useSyncExternalStore } from 'react';

const listeners = new Set<() => void>();
const tell = () => {
  for (const listener of listeners) listener();
};
window.addEventListener('storage', tell);

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

const cache = new Map<string, { text: string | null; value: unknown }>();

/**
 * A small value kept in this browser, the same on every screen and in every tab. `check` guards against
 * anything unexpected there.
 */
export function useLocal<T>(
  key: string,
  initial: T,
  check: (value: unknown) => value is T,
): [T, (next: T | ((now: T) => T)) => void] {
  const read = useCallback((): T => {
    const text = localStorage.getItem(key);
    const known = cache.get(key);
    if (known && known.text === text) return known.value as T;
    let value: T = initial;
    try {
      const parsed: unknown = text === null ? initial : JSON.parse(text);
      if (check(parsed)) value = parsed;
    } catch {
      // Unreadable is the same as absent.
    }
    cache.set(key, { text, value });
    return value;
    // `initial` and `check` are constants of the caller.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  const value = useSyncExternalStore(subscribe, read);
  const write = useCallback(
    (next: T | ((now: T) => T)) => {
      const made = typeof next === 'function' ? (next as (now: T) => T)(read()) : next;
      localStorage.setItem(key, JSON.stringify(made));
      tell();
    },
    [key, read],
  );
  return [value, write];
}
