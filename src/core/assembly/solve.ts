import type { TargetOf } from '../head/schema.ts';
import type { Problem } from '../document/problem.ts';
import { marked } from '../quantity/phrase.ts';
import { build } from './assemble.ts';
import type { Known } from './known.ts';
import { lookUp } from './known.ts';
import type { Rig } from './rig.ts';
import { headMass, metalPart } from './rig.ts';
import type { Design } from '../document/design.ts';
import { completeDimensions } from '../head/family.ts';
import type { Family } from '../head/family.ts';
import { isGrowing } from '../head/bulk.ts';
import type { Metal } from '../material/metals/metal.ts';
import { METALS } from '../material/metals/index.ts';
import { waterDensity } from '../material/water.ts';
import { submerged } from './submerged.ts';
import { collarBulk } from '../head/quadrature.ts';
import { clamp } from '../numeric/vec.ts';
import { findRoot } from '../numeric/root.ts';

/** Share by which a met weight may be off its target. */
const EXACT = 1e-6;
/** The same where the search had to close in by halving; more is a jump of the weight, not a root. */
const MET = 1e-5;

/** A design whose unlocked sizes meet its weight, with its rig; or why none does. */
export type Solved =
  | { readonly ok: true; readonly design: Design; readonly rig: Rig }
  | { readonly ok: false; readonly problem: Problem };

/** Smallest and largest factor tried; a head never changes more than this in one step. */
const SPAN: readonly [number, number] = [0.1, 10];

/** The design with its unlocked sizes multiplied by a factor. Shares, exponents and locked sizes stay. */
export function scaleHead(design: Design, family: Family, factor: number): Design {
  const locks = new Set(design.head.locks ?? []);
  const complete = completeDimensions(family, design.head.dimensions, design.head);
  const dimensions = Object.fromEntries(
    family.dimensions.map(({ key, scales }) => [
      key,
      (complete[key] ?? 0) * (scales && !locks.has(key) ? factor : 1),
    ]),
  );
  return { ...design, head: { ...design.head, dimensions } };
}

/**
 * Water a submerged weight is promised in: fresh, 15 °C, whatever water the design is judged in, so that its
 * size does not follow the brief.
 */
const PROMISED_IN = waterDensity({ temperature: 15, salinity: 0 });

/**
 * The weight of a built design that a target speaks of: metal, the total with hook, or everything submerged;
 * g or gram-force.
 */
export function weightOf(built: Rig, of: TargetOf): number {
  if (of === 'metal') return metalPart(built).mass;
  if (of === 'total') return headMass(built);
  return submerged(built, PROMISED_IN).weight;
}

/**
 * What the weight of a head is expected to be at a factor, as a share of its target, and the factor at which
 * it is expected to be a share.
 */
interface Law {
  readonly share: (factor: number) => number;
  readonly factor: (share: number) => number;
}

/**
 * The law by which the weight of a built head is expected to follow the factor: its outside by the cube, what
 * wire and holes take out of it by their length, and the collar and the rest not at all. A guess to start
 * from; the weight itself is always that of the built head.
 */
function expectation(rig: Rig, at: number, { grams, of }: NonNullable<Design['head']['target']>): Law {
  const counted = (rig.density - (of === 'submerged' ? PROMISED_IN : 0)) / 1000 / grams;
  const collar = rig.collar ? collarBulk(rig.profile, rig.collar).volume : 0;
  const body = (counted * (rig.body.volume - collar)) / at ** 3;
  const holes = (counted * (rig.wireInside + rig.otherInside)) / at;
  const rest = weightOf(rig, of) / grams - body * at ** 3 + holes * at;
  return {
    share: (factor) => body * factor ** 3 - holes * factor + rest,
    factor: (share) => {
      let factor = Math.cbrt(Math.max((share - rest) / body, 1e-3));
      for (let step = 0; step < 4; step++)
        factor = Math.cbrt(Math.max((share - rest + holes * factor) / body, 1e-3));
      return factor;
    },
  };
}

/** A design built at a factor. */
interface Built {
  readonly factor: number;
  readonly design: Design;
  readonly rig: Rig;
}

/**
 * Whether every length of a head's body, its collar left out, grows with the factor: no size is locked or
 * keeps its own measure, and no feature does.
 */
const growsWhole = ({ head }: Design, rig: Rig): boolean =>
  (head.locks ?? []).length === 0 &&
  rig.family.dimensions.every(({ kind, scales }) => kind !== 'size' || scales) &&
  isGrowing(rig.head);

/**
 * Meets the weight target of a design by one factor on all unlocked sizes; a design without a target is built
 * as it stands. Weight grows steadily with the factor, so the root is single; the hook, the collar and the
 * fittings keep their size, which is why the factor is not simply a cube root. Says in words when the target
 * cannot be met, and when the document names what there is not.
 */
export function solveTarget(design: Design, metals: readonly Metal[] = METALS): Solved {
  const looked = lookUp(design, metals);
  if (looked.ok) return meetTarget(design, looked.known);
  const [problem] = looked.problems;
  if (!problem) throw new Error('What is not known is not said: a mistake of the program.');
  return { ok: false, problem };
}

/** The same of a design whose names are looked up. */
export function meetTarget(design: Design, known: Known): Solved {
  const { target } = design.head;
  const { family } = known;
  if (!target) return { ok: true, design, rig: build(design, known) };
  const locks = new Set(design.head.locks ?? []);
  const free = family.dimensions.filter(({ key, scales }) => scales && !locks.has(key));
  if (free.length === 0) {
    return fail(
      'Every size is locked, so nothing can change to meet the weight. Unlock one size, or let the weight go.',
    );
  }
  const complete = completeDimensions(family, design.head.dimensions, design.head);
  // The factor may not carry any free size outside its family's range.
  const low = Math.max(SPAN[0], ...free.map(({ key, min }) => min / (complete[key] || min)));
  const high = Math.min(SPAN[1], ...free.map(({ key, max }) => max / (complete[key] || max)));
  let first: Built | undefined;
  let last: Built | undefined;
  const weigh = (factor: number) => {
    const scaled = scaleHead(design, family, factor);
    // Of a body that grows as a whole the volume is known from the first one built; what keeps its size is
    // reckoned anew each time.
    const like =
      first && growsWhole(design, first.rig)
        ? { from: first.rig.head, factor: factor / first.factor }
        : undefined;
    last = { factor, design: scaled, rig: build(scaled, known, like) };
    first ??= last;
    return weightOf(last.rig, target.of);
  };
  if (!(low < high)) return fail('Its sizes are outside the family’s range. Set them within it first.');
  const miss = (factor: number) => weigh(factor) / target.grams - 1;
  // Against what a simple law expects weight is nearly a straight line: a few secant steps from the present
  // size meet most targets.
  let previous = clamp(1, low, high);
  let missed = miss(previous);
  const law = last && expectation(last.rig, previous, target);
  let slope = 1;
  for (let step = 0; law && step < 8 && Math.abs(missed) > EXACT; step++) {
    const next = clamp(law.factor(law.share(previous) - missed / slope), low, high);
    if (next === previous) break;
    const now = miss(next);
    slope = (now - missed) / (law.share(next) - law.share(previous));
    [previous, missed] = [next, now];
    // Where so little metal is left that weight does not rise with what is expected, only the bracketed
    // search below is sure.
    if (!(slope > 0)) break;
  }
  if (Math.abs(missed) <= EXACT && last) {
    return { ok: true, design: last.design, rig: { ...last.rig, scale: last.factor } };
  }
  const root = findRoot((cube) => miss(Math.cbrt(cube)), low ** 3, high ** 3, 1e-7);
  if (!root.ok) {
    const heavy = root.atLow > 0;
    const reached = (1 + (heavy ? root.atLow : root.atHigh)) * target.grams;
    const edge = free
      .map(
        ({ key, name }) =>
          `${name.toLowerCase()} ${marked((complete[key] ?? 0) * (heavy ? low : high), 'size')}`,
      )
      .join(', ');
    return fail(
      heavy
        ? `The ${target.of} weight cannot come down to ${marked(target.grams, 'mass')}: even at ` +
            `${edge} it is ${marked(reached, 'mass')}. Ask for more weight, a lighter metal or a ` +
            'smaller hook, or unlock a size.'
        : `The ${target.of} weight cannot reach ${marked(target.grams, 'mass')}: even at ${edge} it ` +
            `is ${marked(reached, 'mass')}. Ask for less weight or a denser metal, or unlock a size.`,
    );
  }
  const scale = Math.cbrt(root.x);
  const solved = scaleHead(design, family, scale);
  const rig = { ...build(solved, known), scale };
  const met = weightOf(rig, target.of);
  if (!(Math.abs(met / target.grams - 1) <= MET)) {
    // A hair smaller and a hair larger: between the two a part finds room, or none any more, and the weight
    // jumps.
    const [under, over] = [weigh(scale * (1 - 1e-6)), weigh(scale * (1 + 1e-6))];
    return fail(
      `No size of the head gives exactly ${marked(target.grams, 'mass')}: at ${free
        .map(({ key, name }) => `${name.toLowerCase()} ${marked((complete[key] ?? 0) * scale, 'size')}`)
        .join(
          ', ',
        )} it jumps from ${marked(Math.min(under, over), 'mass')} to ${marked(Math.max(under, over), 'mass')}, because a part of it only just fits there. Ask for another weight, or make the collar or the features smaller.`,
    );
  }
  return { ok: true, design: solved, rig };

  function fail(message: string): Solved {
    return { ok: false, problem: { path: '/head/target/grams', message: `Weight: ${message}` } };
  }
}
