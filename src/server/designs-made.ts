import { itemAt } from '../core/numeric/index.ts';
import type { Design } from '../core/document/index.ts';
import type { Metal } from '../core/material/index.ts';
import type { Made } from './saving.ts';
import type { Pool } from './pool.ts';
import { HttpProblem } from './problem.ts';
import { pendingCard } from './summary.ts';
import type { MadeDesign } from './work.ts';

/** Seconds of work a design’s figures may take; a usual one takes tenths. */
const MOST_SECONDS = 20;

/** What a design is kept with whose figures are still to be worked out: its name on a card. */
export const pendingMade = (design: Design): Made => ({
  summary: null,
  card: pendingCard(design),
  revision: 0,
  metal: design.head.metal,
});

/**
 * Summaries and cards of designs, made in a thread. A design whose figures cannot be had, for want of time or
 * memory or because too much waits, is kept all the same, with its name on a card and no figures, which says
 * that they are still to be made: `pending` is told of it. That is never a property of the design.
 */
export function designMaker(
  pool: Pool,
  metals: () => Promise<readonly Metal[]>,
  pending: () => void,
): (designs: readonly Design[], isAwaited?: boolean) => Promise<readonly Made[]> {
  return async (designs, isAwaited = true) => {
    const now = await metals();
    const columns = ({ summary, card }: MadeDesign, design: Design): Made => ({
      summary,
      card,
      revision: summary.revision,
      metal: design.head.metal,
    });
    const make = async (some: readonly Design[]): Promise<Made[]> => {
      try {
        const made = await pool.run('summaries', [some, now], { seconds: MOST_SECONDS, isAwaited });
        return some.map((design, i) => columns(itemAt(made, i), design));
      } catch (error) {
        if (!(error instanceof HttpProblem)) throw error;
        const [only] = some;
        if (some.length > 1 || !only) {
          const each: Made[] = [];
          for (const design of some) each.push(...(await make([design])));
          return each;
        }
        pending();
        return [pendingMade(only)];
      }
    };
    return make(designs);
  };
}
