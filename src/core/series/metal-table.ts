import type { ReadingId } from '../behaviour/registry.ts';
import { evaluate } from '../judge/evaluate.ts';
import type { Rig } from '../assembly/rig.ts';
import { metalPart } from '../assembly/rig.ts';
import type { Surroundings } from '../behaviour/behaviour.ts';
import { assemble } from '../assembly/assemble.ts';
import type { Design } from '../document/design.ts';
import type { Metal } from '../material/metals/metal.ts';
import { METALS } from '../material/metals/index.ts';

/** One way to make a design in another metal. */
export interface MetalCase {
  readonly ok: true;
  readonly rig: Rig;
  readonly length: number;
  readonly breadth: number;
  readonly height: number;
  /** linear factor against the design as it stands */
  readonly scale: number;
  /** g */
  readonly metal: number;
  readonly total: number;
  /** gram-force */
  readonly submerged: number;
  /** m/s */
  readonly fall: number;
  /** of the metal, in the shop's money */
  readonly cost: number;
  /** a caution about making it so, or empty */
  readonly caution: string;
}

/** A design in another metal, or why it cannot be. */
export type MetalOutcome = MetalCase | { readonly ok: false; readonly reason: string };

/** A design in one metal: at the same weight and at the same size. */
export interface MetalRow {
  readonly metal: Metal;
  /** density used: the design's own where it is the design's metal */
  readonly density: number;
  readonly sameWeight: MetalOutcome;
  readonly sameSize: MetalOutcome;
}

/** The three metals every design is held against at a glance, besides its own. */
export const COMPARED_METALS: readonly string[] = ['lead', 'bismuth-tin', 'tungsten'];

/**
 * The same metal weight and the same size in each metal. Hook, keeper and guard stay as they are; the head's
 * unlocked sizes follow. `solved` must be a design that already meets its own target.
 */
export function metalTable(
  solved: Design,
  surroundings: Surroundings,
  compared: readonly string[] = COMPARED_METALS,
): MetalRow[] {
  const metals = surroundings.metals ?? METALS;
  const own = metalPart(assemble(solved, metals)).mass;
  const keys = [...new Set([...compared, solved.head.metal])];
  return keys.flatMap((key) => {
    const metal = metals.find((candidate) => candidate.key === key);
    if (!metal) return [];
    const density = key === solved.head.metal ? (solved.head.density ?? metal.density) : metal.density;
    const sameSize: Design = {
      ...solved,
      head: { ...solved.head, metal: key, density, target: undefined },
    };
    const sameWeight: Design = {
      ...sameSize,
      head: { ...sameSize.head, target: { grams: own, of: 'metal' } },
    };
    return [
      {
        metal,
        density,
        sameWeight: outcome(sameWeight, surroundings),
        sameSize: outcome(sameSize, surroundings),
      },
    ];
  });
}

function outcome(design: Design, surroundings: Surroundings): MetalOutcome {
  const result = evaluate(design, surroundings);
  if (!result.ok) return { ok: false, reason: result.problems[0]?.message ?? '' };
  const { rig, readings, flags } = result;
  const value = (id: ReadingId) => readings[id]?.value ?? NaN;
  return {
    ok: true,
    rig,
    length: value('head.length'),
    breadth: value('head.breadth'),
    height: value('head.height'),
    scale: value('head.scale'),
    metal: value('mass.metal'),
    total: value('mass.total'),
    submerged: value('mass.submerged'),
    fall: value('fall.speed'),
    cost: value('cost.metal'),
    caution: flags
      .filter(({ level, code }) => level === 'stop' && code.startsWith('making.'))
      .flatMap(({ brief }) => brief ?? [])
      .join('; '),
  };
}
