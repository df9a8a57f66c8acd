import { assemble } from '../assembly/assemble.ts';
import { checkDesign } from '../assembly/check.ts';
import { headMass, metalPart } from '../assembly/rig.ts';
import { solveTarget } from '../assembly/solve.ts';
import type { Design } from '../document/design.ts';
import type { Problem } from '../document/problem.ts';
import type { Dimensions, Family } from '../head/family.ts';
import { completeDimensions } from '../head/family.ts';
import { familyOf } from '../head/families/index.ts';
import type { Metal } from '../material/metals/metal.ts';
import { METALS } from '../material/metals/index.ts';
import { clamp } from '../numeric/vec.ts';
import { marked } from '../quantity/phrase.ts';
import type { MetalAgrees } from './take-in-words.ts';
import { findingsInWords } from './take-in-words.ts';

/**
 * How far a hand with a caliper and a small scale are off, mm and g, one way (common practice, no source).
 */
export const CALIPER = 0.05;
/** What a shop’s scale resolves, g (common practice, no source). */
export const SCALE = 0.02;
/**
 * How far a size that was not measured may be from the shape's usual proportions, as a share (working value,
 * no source).
 */
const UNMEASURED = 0.12;
/** How near a density that a packet names is meant, as a share (working value, no source). */
const CLAIM = 0.015;

/** A head in the hand. */
export interface InHand {
  /** shape, hook, eye, keeper and guard as they were told; its metal is the one the packet names */
  readonly design: Design;
  /** sizes that were measured; of the others the family's usual proportions are taken */
  readonly measured: Dimensions;
  /** everything as it lies on the scale, g */
  readonly grams: number;
}

/** What measurements make of a head, or why they make none. */
export type TakenIn =
  | {
      readonly ok: true;
      /** ready for the Rack: measured sizes as measured, the others found, no target */
      readonly design: Design;
      /**
       * what the sizes and the weight make the metal, g/cm³, with its span from caliper, scale and unmeasured
       * sizes
       */
      readonly density: number;
      readonly densities: readonly [low: number, high: number];
      readonly metals: readonly MetalAgrees[];
      /** sizes that were found and not measured */
      readonly found: readonly string[];
      /** sentences: what adds up and what does not; quantities are marked */
      readonly says: readonly string[];
    }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/**
 * Sizes of a family with those measured in place; the others keep its proportions, by the mean ratio of the
 * measured ones to the usual.
 */
function proportioned(family: Family, usual: Dimensions, measured: Dimensions): Record<string, number> {
  const logs = family.dimensions.flatMap(({ key, scales }) => {
    const [mine, theirs] = [measured[key], usual[key]];
    return scales && mine && theirs ? [Math.log(mine / theirs)] : [];
  });
  const factor = logs.length > 0 ? Math.exp(logs.reduce((sum, log) => sum + log, 0) / logs.length) : 1;
  return Object.fromEntries(
    family.dimensions.map(({ key, scales, min, max }) => [
      key,
      measured[key] ?? clamp((usual[key] ?? 0) * (scales ? factor : 1), min, max),
    ]),
  );
}

/**
 * How far the density may be off, as a factor: each measured size by what the caliper may be off, those not
 * measured together, since they were found together, and the scale.
 */
function doubtOf(
  volumeAt: (sizes: Dimensions) => number,
  { sizes, volume }: { readonly sizes: Dimensions; readonly volume: number },
  of: Readonly<Record<'known' | 'unknown', readonly { readonly key: string }[]>>,
  metalGrams: number,
): number {
  const off = (change: Dimensions) => Math.log(volumeAt({ ...sizes, ...change }) / volume);
  const variance =
    of.known.reduce((sum, { key }) => sum + off({ [key]: (sizes[key] ?? 0) + CALIPER }) ** 2, 0) +
    (of.unknown.length > 0
      ? off(Object.fromEntries(of.unknown.map(({ key }) => [key, (sizes[key] ?? 0) * (1 + UNMEASURED)]))) ** 2
      : 0) +
    (SCALE / metalGrams) ** 2;
  return Math.exp(2 * Math.sqrt(variance));
}

/** Whether a metal of such densities may be one found to be of others, g/cm³; within 6% it nearly is. */
function verdictOf(
  [low, high]: readonly [number, number],
  found: readonly [number, number],
): MetalAgrees['verdict'] {
  if (high >= found[0] && low <= found[1]) return 'agrees';
  return Math.max(low / found[1], found[0] / high) < 1.06 ? 'nearly' : 'does not';
}

/**
 * Takes in a head from measurements: finds the sizes that were not measured so that all agrees with its
 * weight, for the metal it is said to be of and for every other, and says what does not add up. With nothing
 * measured the weight alone sizes it.
 */
export function takeIn(hand: InHand, metals: readonly Metal[] = METALS): TakenIn {
  const steps = takingIn(hand, metals);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/** The same in steps, one a metal, so that whoever waits sees how far it is and can stop it. */
export function* takingIn(
  { design, measured, grams }: InHand,
  metals: readonly Metal[] = METALS,
): Generator<undefined, TakenIn, undefined> {
  const family = familyOf(design.head.family);
  if (!family)
    return {
      ok: false,
      problems: [{ path: '/head/family', message: 'Shape: it is not known. Choose one.' }],
    };
  const usual = completeDimensions(family, design.head.dimensions, design.head);
  const { target: _, ...head } = design.head;
  const isNothing = !family.dimensions.some(({ key, scales }) => scales && measured[key] !== undefined);
  // With no size at all the weight alone says how large it is, as the metal it is said to be.
  const byWeight = isNothing
    ? solveTarget(
        {
          ...design,
          head: { ...head, dimensions: { ...usual, ...measured }, target: { grams, of: 'total' } },
        },
        metals,
      )
    : undefined;
  if (byWeight && !byWeight.ok) return { ok: false, problems: [byWeight.problem] };
  const dimensions = byWeight
    ? completeDimensions(family, byWeight.design.head.dimensions, design.head)
    : proportioned(family, usual, measured);
  const plain: Design = { ...design, head: { ...head, dimensions } };
  const problems = checkDesign(plain, metals);
  if (problems.length > 0) return { ok: false, problems };
  const rig = assemble(plain, metals);
  const other = headMass(rig) - metalPart(rig).mass;
  if (!(grams > other))
    return {
      ok: false,
      problems: [
        {
          path: '/grams',
          message:
            `Weight: hook and fittings alone are ${marked(other, 'mass')}, which leaves no metal at ` +
            `${marked(grams, 'mass')}. Check the hook’s size, or weigh again.`,
        },
      ],
    };
  const volume = metalPart(rig).volume;
  const density = ((grams - other) / volume) * 1000;
  const scaled = family.dimensions.filter(({ scales }) => scales);
  const known = scaled.filter(({ key }) => measured[key] !== undefined);
  const unknown = scaled.filter(({ key }) => measured[key] === undefined);
  const half = doubtOf(
    (sizes) => metalPart(assemble({ ...plain, head: { ...plain.head, dimensions: sizes } }, metals)).volume,
    { sizes: dimensions, volume },
    { known, unknown },
    grams - other,
  );
  const densities = [density / half, density * half] as const;
  const solve = (metal: Metal) => {
    if (unknown.length === 0) return undefined;
    const wanted: Design = {
      ...plain,
      head: {
        ...plain.head,
        metal: metal.key,
        ...(metal.key === design.head.metal ? {} : { density: undefined }),
        target: { grams, of: 'total' },
        locks: known.map(({ key }) => key),
      },
    };
    const solved = solveTarget(wanted, metals);
    return solved.ok ? solved : undefined;
  };
  const claimed = design.head.density;
  const spanOf = (metal: Metal): readonly [number, number] =>
    metal.key === design.head.metal && claimed !== undefined
      ? [claimed * (1 - CLAIM), claimed * (1 + CLAIM)]
      : metal.densityRange;
  const agreement: MetalAgrees[] = [];
  for (const metal of metals) {
    agreement.push({
      metal,
      verdict: verdictOf(spanOf(metal), densities),
      factor: solve(metal)?.rig.scale,
    });
    yield;
  }
  const said = agreement.find(({ metal }) => metal.key === design.head.metal);
  const solved = said && said.verdict !== 'does not' ? solve(said.metal) : undefined;
  const final: Design = solved
    ? {
        ...design,
        head: { ...head, dimensions: solved.design.head.dimensions },
      }
    : {
        ...plain,
        // Sizes by caliper and a weight by scale: then the metal is what does not fit its name, and the
        // design carries what it is.
        head: said?.verdict === 'agrees' ? plain.head : { ...plain.head, density },
      };
  return {
    ok: true,
    design: final,
    density,
    densities,
    metals: agreement,
    found: unknown.map(({ key }) => key),
    says: findingsInWords(said, agreement, {
      span: said ? spanOf(said.metal) : [0, Infinity],
      nominal: claimed ?? said?.metal.density ?? NaN,
      density,
      densities,
      volume,
      grams,
      other,
      isAll: unknown.length === 0,
      isNothing,
    }),
  };
}
