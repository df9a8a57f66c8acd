import { useCallback } from 'react';
import { useSearchParams } from 'react-router';

/** A value of the address, and the standard one that leaves it. */
type Change = readonly [key: string, value: string, standard?: string];

/**
 * The state of a screen as its address keeps it, so that a link can be sent. `set` replaces the address in
 * place; a value that is the standard one (empty unless told otherwise) leaves it. Several at once go by
 * `setAll`: one call does not see another's before it.
 */
export function useAddress() {
  const [search, setSearch] = useSearchParams();
  const setAll = useCallback(
    (changes: readonly Change[]) =>
      setSearch(
        (now) => {
          const next = new URLSearchParams(now);
          for (const [key, value, standard = ''] of changes) {
            if (value === standard) next.delete(key);
            else next.set(key, value);
          }
          return next;
        },
        { replace: true },
      ),
    [setSearch],
  );
  const set = useCallback(
    (key: string, value: string, standard = '') => setAll([[key, value, standard]]),
    [setAll],
  );
  const clear = useCallback(() => setSearch({}, { replace: true }), [setSearch]);
  return { search, set, setAll, clear };
}
