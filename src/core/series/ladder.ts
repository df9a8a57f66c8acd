import { shortened } from '../quantity/text.ts';
import type { Rig } from '../assembly/rig.ts';
import { metalPart } from '../assembly/rig.ts';
import { extent } from '../head/extent.ts';
import type { Problem } from '../document/problem.ts';
import type { Design, LadderSpec } from '../document/design.ts';
import { chartIndex, HOOK_CHART } from '../hook/chart.ts';
import type { Metal } from '../material/metals/metal.ts';
import { METALS } from '../material/metals/index.ts';
import { fractionText, nearestOunceFraction } from '../quantity/ounces.ts';
import type { UnitSystem } from '../quantity/units.ts';
import { GRAMS_PER_OUNCE } from '../quantity/units.ts';
import { solveTarget, weightOf } from '../assembly/solve.ts';
import { buildSound } from '../assembly/sound.ts';

/** Weights a series usually runs through, ounces (common practice, no source). */
export const LADDER_OUNCES = [1 / 16, 1 / 8, 3 / 16, 1 / 4, 3 / 8, 1 / 2, 5 / 8, 3 / 4, 1] as const;
/** The like where heads are sold by the gram (common practice, no source). */
const LADDER_GRAMS = [2, 3, 5, 7, 10, 14, 18, 21, 28] as const;

/**
 * A series to begin from, round in the reader’s unit: 1/16 to 1 oz or 2 to 28 g, the hook in proportion to
 * the head.
 */
export const starterLadder = (system: UnitSystem = 'imperial'): LadderSpec => ({
  rule: 'proportion',
  rungs:
    system === 'imperial'
      ? LADDER_OUNCES.map((ounces) => ({ grams: ounces * GRAMS_PER_OUNCE }))
      : LADDER_GRAMS.map((grams) => ({ grams })),
});

/** One weight of a series, as built. */
export type Rung =
  | {
      readonly ok: true;
      readonly grams: number;
      readonly hook: string;
      readonly ruled: boolean;
      readonly design: Design;
      readonly rig: Rig;
    }
  | {
      readonly ok: false;
      readonly grams: number;
      readonly hook: string;
      readonly ruled: boolean;
      readonly design: Design;
      readonly problems: readonly Problem[];
    };

/** A name for a rung: the design's, less a weight at its end, and the new weight. */
export function rungName(name: string, grams: number): string {
  const bare = name.replace(/\s*(?:\d+\s+)?\d+(?:\/\d+)?(?:\.\d+)?\s*(?:oz|g)?\s*$/i, '').trim() || name;
  const fraction = nearestOunceFraction(grams);
  const weight = Math.abs(fraction.error) < 0.004 ? fractionText(fraction) : `${Number(grams.toFixed(2))} g`;
  return `${shortened(bare, 119 - weight.length)} ${weight}`;
}

/**
 * The series of a design: the same shape solved for each weight, keeper and guard as they are, and the hook
 * by the ladder's rule: kept; one chart size up for each doubling of the weight; or the size whose gap stands
 * to the head's height most nearly as in the design itself. A rung's own hook goes before the rule. Weights
 * are of what the design's own target is of, the metal where it has none.
 */
export const buildLadder = (design: Design, ladder: LadderSpec, metals: readonly Metal[] = METALS): Rung[] =>
  ladder.rungs.map(rungBuilder(design, ladder, metals));

/** Returns what builds one rung of a design’s ladder after the other, as `buildLadder` builds them all. */
export function rungBuilder(
  design: Design,
  ladder: Pick<LadderSpec, 'rule'>,
  metals: readonly Metal[] = METALS,
): (rung: LadderSpec['rungs'][number]) => Rung {
  const base = solveTarget(design, metals);
  const own = base.ok ? base.rig : undefined;
  const of = design.head.target?.of ?? 'metal';
  // Weights of a ladder are of one kind: what it begins from is weighed as they are.
  const from = own ? weightOf(own, of) : (design.head.target?.grams ?? 10);
  const index = chartIndex(design.hook.size);
  return ({ grams, hook: chosen, name }) => {
    const rung = (size: string): Design => ({
      ...design,
      name: name ?? rungName(design.name, grams),
      head: { ...design.head, target: { grams, of } },
      hook: size === design.hook.size ? design.hook : { ...design.hook, size, measured: undefined },
      ladder: undefined,
    });
    const size = chosen ?? ruled();
    const made = rung(size);
    const head = { grams, hook: size, ruled: chosen === undefined, design: made };
    const sound = buildSound(made, metals);
    return { ...head, ...sound };

    /**
     * How much larger in every length the head of a rung is. Sizes go with the cube root of the metal's
     * weight; on the scale, or in water, hook and fittings weigh with it, so there it is found with the hook
     * that it is, which is again found with it: two rounds settle it.
     */
    function grownBy(weight: number, own: Rig): number {
      const metal = metalPart(own).mass;
      if (of === 'metal') return Math.cbrt(weight / metal);
      let factor = Math.cbrt(weight / from);
      for (let round = 0; round < 2; round++) {
        const solved = solveTarget(rung(nearest(factor, own)), metals);
        if (!solved.ok) return factor;
        factor = Math.cbrt(metalPart(solved.rig).mass / metal);
      }
      return factor;
    }

    /**
     * The size whose gap stands to the height of a head so much larger most nearly as in the design itself.
     */
    function nearest(factor: number, own: Rig): string {
      const height = extent(own.head).height * factor;
      const ratio = own.measures.gap / extent(own.head).height;
      const share = own.measures.gap / (HOOK_CHART[index]?.gap ?? own.measures.gap);
      let best = design.hook.size;
      let off = Infinity;
      for (const row of HOOK_CHART) {
        const miss = Math.abs(Math.log((row.gap * share) / (ratio * height)));
        if (miss < off) [best, off] = [row.size, miss];
      }
      return best;
    }

    function ruled(): string {
      if (ladder.rule === 'keep' || index < 0) return design.hook.size;
      if (ladder.rule === 'step') {
        const steps = Math.round(Math.log2(grams / from));
        return (
          HOOK_CHART[Math.min(HOOK_CHART.length - 1, Math.max(0, index + steps))]?.size ?? design.hook.size
        );
      }
      if (!own) return design.hook.size;
      return nearest(grownBy(grams, own), own);
    }
  };
}
