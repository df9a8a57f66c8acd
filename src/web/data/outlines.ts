import { useQuery } from '@tanstack/react-query';
import type { RackCard } from '../../contract/api.ts';
import { OUTLINES_AT_ONCE } from '../../contract/requests.ts';
import type { Drawing } from '../../core/plate/index.ts';
import { readOutlines } from './api.ts';
import { outlineKey } from './queries.ts';

interface Wanted {
  readonly id: string;
  readonly give: (drawing: Drawing | null) => void;
  readonly fail: (error: unknown) => void;
}

let waiting: Wanted[] = [];

/**
 * Asks for an outline together with all others that are asked for in the same moment, so that a screenful is
 * one request.
 */
function loadOutline(id: string): Promise<Drawing | null> {
  return new Promise((give, fail) => {
    waiting.push({ id, give, fail });
    if (waiting.length > 1) return;
    setTimeout(() => {
      const all = waiting;
      waiting = [];
      for (let i = 0; i < all.length; i += OUTLINES_AT_ONCE) {
        const some = all.slice(i, i + OUTLINES_AT_ONCE);
        readOutlines(some.map((wanted) => wanted.id)).then(
          (found) => some.forEach((wanted) => wanted.give(found[wanted.id] ?? null)),
          (error: unknown) => some.forEach((wanted) => wanted.fail(error)),
        );
      }
    });
  });
}

/** The outline of a design at a version; null when it cannot be built. */
export function useOutline(card: Pick<RackCard, 'id' | 'version' | 'isStale'>) {
  return useQuery({
    queryKey: outlineKey(card),
    queryFn: () => loadOutline(card.id),
    staleTime: Infinity,
    gcTime: 5 * 60_000,
  });
}
