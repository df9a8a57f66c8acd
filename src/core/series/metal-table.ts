import { marked } from '../quantity/phrase.ts';
import { extent } from '../judge/evaluate.ts';
import { SINTERED_WALL, wireWall } from '../behaviour/making.ts';
import type { Surroundings } from '../judge/evaluate.ts';
import { assemble, metalPart, totalMass } from '../build/assemble.ts';
import type { Assembly } from '../build/assemble.ts';
import { checkDesign } from '../build/check.ts';
import type { Design } from '../document/design.ts';
import type { Metal } from '../material/metals.ts';
import { METALS } from '../material/metals.ts';
import { waterDensity } from '../material/water.ts';
import { solveTarget } from '../build/solve.ts';
import { fall } from '../behaviour/fall.ts';
import { submerged } from '../behaviour/submerged.ts';

/** One way to make a design in another metal. */
export interface MetalCase {
  readonly ok: true;
  readonly assembly: Assembly;
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

export type MetalOutcome = MetalCase | { readonly ok: false; readonly reason: string };

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
 * The same metal weight and the same size in each metal. Hook, keeper and guard stay as they are; the head's unlocked sizes follow.
 * `solved` must be a design that already meets its own target.
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
  const solved = solveTarget(design, surroundings.metals);
  if (!solved.ok) return { ok: false, reason: solved.problem.message };
  const [problem] = design.head.target ? checkDesign(solved.design, surroundings.metals) : [];
  if (problem) return { ok: false, reason: problem.message };
  const { assembly, scale } = solved;
  const { breadth, height } = extent(assembly);
  const wall = wireWall(assembly);
  const sintered = assembly.metal.making === 'sintered';
  const cautions = [
    sintered && assembly.collar ? `no cast ${design.keeper.kind} in a sintered metal` : '',
    sintered && wall < SINTERED_WALL ? `wall of ${marked(wall, 'size')} is too thin` : '',
  ];
  return {
    ok: true,
    assembly,
    length: assembly.profile.length,
    breadth,
    height,
    scale,
    metal: metalPart(assembly).mass,
    total: totalMass(assembly),
    submerged: submerged(assembly, waterDensity(surroundings.water)).weight,
    fall: fall(assembly, surroundings.water).speed,
    cost: (metalPart(assembly).mass / 1000) * assembly.metal.price,
    caution: cautions.filter(Boolean).join('; '),
  };
}
