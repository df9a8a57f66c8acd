import { marked } from './quantity/phrase.ts';
import type { Assembly } from './assemble.ts';
import { assemble, metalPart, totalMass } from './assemble.ts';
import type { Design, Problem } from './design.ts';
import { completeDimensions } from './head/family.ts';
import { familyOf } from './head/families/index.ts';
import type { Metal } from './material/metals.ts';
import { METALS } from './material/metals.ts';
import { clamp } from './numeric/vec.ts';
import { findRoot } from './numeric/root.ts';

export type Solved =
  | { readonly ok: true; readonly design: Design; readonly assembly: Assembly; readonly scale: number }
  | { readonly ok: false; readonly problem: Problem };

/** Smallest and largest factor tried; a head never changes more than this in one step. */
const SPAN: readonly [number, number] = [0.1, 10];

/** The design with its unlocked sizes multiplied by a factor. Shares, exponents and locked sizes stay. */
export function scaleHead(design: Design, factor: number): Design {
  const family = familyOf(design.head.family);
  if (!family) return design;
  const locks = new Set(design.head.locks ?? []);
  const complete = completeDimensions(family, design.head.dimensions);
  const dimensions = Object.fromEntries(
    family.dimensions.map(({ key, scales }) => [
      key,
      (complete[key] ?? 0) * (scales && !locks.has(key) ? factor : 1),
    ]),
  );
  return { ...design, head: { ...design.head, dimensions } };
}

/**
 * Meets the weight target of a design by one factor on all unlocked sizes; a design without a target is built as it stands.
 * Weight grows steadily with the factor, so the root is single; the hook, the collar and the fittings keep their size, which is why
 * the factor is not simply a cube root. Says in words when the target cannot be met.
 */
export function solveTarget(design: Design, metals: readonly Metal[] = METALS): Solved {
  const { target } = design.head;
  if (!target) return { ok: true, design, assembly: assemble(design, metals), scale: 1 };
  const family = familyOf(design.head.family);
  if (!family) return { ok: false, problem: { path: '/head/family', message: 'The family is not known.' } };
  const locks = new Set(design.head.locks ?? []);
  const free = family.dimensions.filter(({ key, scales }) => scales && !locks.has(key));
  if (free.length === 0) {
    return fail(
      'Every size is locked, so nothing can change to meet the weight. Unlock one size, or let the weight go.',
    );
  }
  const complete = completeDimensions(family, design.head.dimensions);
  // The factor may not carry any free size outside its family's range.
  const low = Math.max(SPAN[0], ...free.map(({ key, min }) => min / (complete[key] || min)));
  const high = Math.min(SPAN[1], ...free.map(({ key, max }) => max / (complete[key] || max)));
  const weigh = (factor: number) => {
    const built = assemble(scaleHead(design, factor), metals);
    return target.of === 'metal' ? metalPart(built).mass : totalMass(built);
  };
  if (!(low < high)) return fail('Its sizes are outside the family’s range. Set them within it first.');
  // Most targets are met close to the cube root; a narrow bracket there saves work.
  const now = weigh(clamp(1, low, high));
  const guess = clamp(Math.cbrt(target.grams / Math.max(now, 1e-6)), low, high);
  // Against the cube of the factor weight is nearly a straight line, and false position needs few steps.
  const miss = (cube: number) => weigh(Math.cbrt(cube)) / target.grams - 1;
  let root = findRoot(miss, Math.max(low, guess * 0.93) ** 3, Math.min(high, guess * 1.07) ** 3, 1e-7);
  if (!root.ok) root = findRoot(miss, low ** 3, high ** 3, 1e-7);
  if (!root.ok) {
    const heavy = root.atLow > 0;
    const reached = (1 + (heavy ? root.atLow : root.atHigh)) * target.grams;
    const edge = free.map(({ key, name }) => `${name.toLowerCase()} ${marked((complete[key] ?? 0) * (heavy ? low : high), 'size')}`).join(', '); // prettier-ignore
    return fail(
      heavy
        ? `The ${target.of} weight cannot come down to ${marked(target.grams, 'mass')}: even at ${edge} it is ${marked(reached, 'mass')}. Ask for more weight, a lighter metal or a smaller hook, or unlock a size.`
        : `The ${target.of} weight cannot reach ${marked(target.grams, 'mass')}: even at ${edge} it is ${marked(reached, 'mass')}. Ask for less weight or a denser metal, or unlock a size.`,
    );
  }
  const scale = Math.cbrt(root.x);
  const solved = scaleHead(design, scale);
  return { ok: true, design: solved, assembly: assemble(solved, metals), scale };

  function fail(message: string): Solved {
    return { ok: false, problem: { path: '/head/target/grams', message: `Weight: ${message}` } };
  }
}
