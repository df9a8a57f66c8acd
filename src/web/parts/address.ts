import { useCallback } from 'react';
import { useSearchParams } from 'react-router';

/**
 * The state of a screen as its address keeps it, so that a link can be sent. `set` replaces the address in place; a value that is
 * the standard one (empty unless told otherwise) leaves it.
 */
export function useAddress() {
  const [search, setSearch] = useSearchParams();
  const set = useCallback(
    (key: string, value: string, standard = '') =>
      setSearch(
        (now) => {
          const next = new URLSearchParams(now);
          if (value === standard) next.delete(key);
          else next.set(key, value);
          return next;
        },
        { replace: true },
      ),
    [setSearch],
  );
  const clear = useCallback(() => setSearch({}, { replace: true }), [setSearch]);
  return { search, set, clear };
}
