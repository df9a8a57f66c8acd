import { itemAt } from '../numeric/at.ts';
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

/** A row of the hook chart, and by how much, as a logarithm, its gap is off what is wanted. */
type Off = Readonly<Record<'row' | 'by', number>>;

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

    /** Gap of a chart row on this design's hook: a measured one is that much wider or narrower than its row. */
    function gapOf(row: number, own: Rig): number {
      return itemAt(HOOK_CHART, row).gap * (own.measures.gap / itemAt(HOOK_CHART, index).gap);
    }

    /** How much larger, as a logarithm, a row's gap stands to a head so high (mm) than in the design itself. */
    function excess(row: number, height: number, own: Rig): number {
      return Math.log(gapOf(row, own) / height / (own.measures.gap / extent(own.head).height));
    }

    /** The row whose gap stands to a head so high (mm) most nearly as in the design itself. */
    function nearest(height: number, own: Rig): number {
      const misses = HOOK_CHART.map((_, row) => Math.abs(excess(row, height, own)));
      return misses.indexOf(Math.min(...misses));
    }

    /**
     * The row in proportion to its own head. Heights go with the cube root of the metal's weight. On the
     * scale or in water, hook and fittings weigh with it: a larger hook leaves a smaller head, so the two
     * rows between which hooks go from too small to too large are closed in on, and the nearer is taken.
     */
    function proportioned(weight: number, own: Rig): number {
      if (of === 'metal')
        return nearest(extent(own.head).height * Math.cbrt(weight / metalPart(own).mass), own);
      const offOf = (row: number): number => {
        const solved = solveTarget(rung(itemAt(HOOK_CHART, row).size), metals);
        // Where hook and fittings alone weigh too much it is too large.
        return solved.ok ? excess(row, extent(solved.rig.head).height, own) : Infinity;
      };
      let below: Off = { row: -1, by: -Infinity };
      let above: Off = { row: HOOK_CHART.length, by: Infinity };
      while (above.row - below.row > 1) {
        const row = Math.floor((below.row + above.row) / 2);
        const by = offOf(row);
        if (by < 0) below = { row, by };
        else above = { row, by };
      }
      return -below.by < above.by ? below.row : above.row;
    }

    function ruled(): string {
      if (ladder.rule === 'keep' || index < 0) return design.hook.size;
      if (ladder.rule === 'step') {
        const steps = Math.round(Math.log2(grams / from));
        return itemAt(HOOK_CHART, Math.min(HOOK_CHART.length - 1, Math.max(0, index + steps))).size;
      }
      return own ? itemAt(HOOK_CHART, proportioned(grams, own)).size : design.hook.size;
    }
  };
}
