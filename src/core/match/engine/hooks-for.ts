import { assemble } from '../../assembly/assemble.ts';
import { checkDesign } from '../../assembly/check.ts';
import { solveTarget } from '../../assembly/solve.ts';
import type { Design } from '../../document/design.ts';
import { chartIndex, HOOK_CHART } from '../../hook/chart.ts';
import { STYLES } from '../../hook/styles/index.ts';
import type { Pairing } from '../../judge/pairings.ts';
import { byFit } from '../../judge/pairings.ts';
import type { Metal } from '../../material/metals/metal.ts';
import { METALS } from '../../material/metals/index.ts';
import type { Plastic } from '../../plastic/schema.ts';
import { carries } from './carries.ts';
import { waysOn } from './wearing.ts';

/** A hook for a plastic on a head of a shape, with the best method on it. */
export interface HookPairing extends Pairing {
  readonly size: string;
  readonly style: string;
}

/**
 * Steps in which two hooks carry a bait equally well: then the one nearer to the head’s own size goes first.
 */
const ALIKE = 0.05;

/**
 * Hook sizes and styles for a plastic on a head, each with the method that carries it best, best first by the
 * measure the match has for it; hooks the head cannot take are left out. A way that is seldom used stands
 * only where no other does.
 */
export function hooksFor(
  design: Design,
  plastic: Plastic,
  metals: readonly Metal[] = METALS,
  styles: readonly string[] = STYLES.map(({ key }) => key),
): HookPairing[] {
  const solved = solveTarget(design, metals);
  if (!solved.ok) return [];
  const own = chartIndex(design.hook.size);
  const found = STYLES.filter(({ key }) => styles.includes(key)).flatMap((style) =>
    HOOK_CHART.flatMap(({ size }): HookPairing[] => {
      const tried: Design = {
        ...solved.design,
        hook: { ...design.hook, size, style: style.key, measured: undefined },
      };
      if (checkDesign(tried, metals).length > 0) return [];
      const ways = waysOn(assemble(tried, metals), [plastic]).map(({ pairing }) => pairing);
      const [best] = ways.sort((a, b) => carries(b).score - carries(a).score || byFit(a, b));
      return best ? [{ size, style: style.key, ...best }] : [];
    }),
  );
  const score = (one: Pairing) => Math.round(carries(one).score / ALIKE);
  const off = ({ size }: HookPairing) => Math.abs(chartIndex(size) - own);
  return found.sort((a, b) => score(b) - score(a) || off(a) - off(b) || byFit(a, b));
}
