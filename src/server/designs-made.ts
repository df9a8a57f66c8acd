import type { Design, Metal } from '../core/index.ts';
import type { Made } from './documents.ts';
import type { Pool } from './pool.ts';
import { HttpProblem } from './problem.ts';
import { brokenSummary, cardOf } from './summary.ts';
import type { MadeDesign } from './work.ts';

/** Seconds a design’s figures may take; a usual one takes hundredths. */
const MOST_SECONDS = 20;

/**
 * Summaries and cards of designs, made in a thread. A design whose figures cannot be had in time is kept all the same, with a summary that says
 * so: what was typed is never refused for that.
 */
export function designMaker(
  pool: Pool,
  metals: () => Promise<readonly Metal[]>,
): (designs: readonly Design[]) => Promise<readonly Made[]> {
  return async (designs) => {
    const now = await metals();
    const columns = ({ summary, card }: MadeDesign, design: Design): Made => ({
      summary,
      card,
      revision: summary.revision,
      metal: design.head.metal,
    });
    const make = async (some: readonly Design[]): Promise<Made[]> => {
      try {
        const made = await pool.run('summaries', [some, now], MOST_SECONDS);
        return some.map((design, i) => columns(made[i] as MadeDesign, design));
      } catch (error) {
        if (!(error instanceof HttpProblem)) throw error;
        const [only] = some;
        if (some.length > 1 || !only) {
          const each: Made[] = [];
          for (const design of some) each.push(...(await make([design])));
          return each;
        }
        const summary = brokenSummary(only, now, error.message);
        return [columns({ summary, card: cardOf(only, summary) }, only)];
      }
    };
    return make(designs);
  };
}
