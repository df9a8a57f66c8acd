import { marked } from '../quantity/phrase.ts';
import type { Assembly } from '../build/assemble.ts';
import { extent, sureBite } from '../judge/evaluate.ts';
import type { Design } from '../document/design.ts';
import type { Metal } from '../material/metals.ts';
import { METALS } from '../material/metals.ts';
import type { Plastic } from '../document/plastic.ts';
import type { QuantityKind } from '../quantity/units.ts';
import type { RigGeometry, RigMethod } from '../rigging/lay.ts';
import type { Limits } from '../rigging/limits.ts';
import { exitLimits, GAP_LIMITS, STRAIGHT, TAIL_ROOM } from '../rigging/limits.ts';
import { cutForExit, firstFittingHook } from './fit-remedies.ts';
import { layOnHead } from '../rigging/lay.ts';

export type Verdict = 'good' | 'tight' | 'bad';

/** One thing looked at when a plastic is put on a head. */
export interface FitCheck extends Limits {
  readonly id: string;
  readonly name: string;
  readonly value: number;
  readonly quantity: QuantityKind;
  readonly verdict: Verdict;
  /** what the verdict means, in words */
  readonly says: string;
  /** what to change, in words; empty when good */
  readonly fix: string;
}

export interface Fit {
  readonly geometry: RigGeometry;
  readonly checks: readonly FitCheck[];
  /** the worst of the checks */
  readonly verdict: Verdict;
}

const ORDER: readonly Verdict[] = ['good', 'tight', 'bad'];
export const worst = (verdicts: readonly Verdict[]): Verdict =>
  ORDER[Math.max(0, ...verdicts.map((verdict) => ORDER.indexOf(verdict)))] ?? 'good';

function judge(value: number, good: readonly [number, number], tight: readonly [number, number]): Verdict {
  if (value >= good[0] && value <= good[1]) return 'good';
  return value >= tight[0] && value <= tight[1] ? 'tight' : 'bad';
}

/** Largest keeper over nose thickness each toughness bears before it splits (common practice, no source). */
const SEAT_LIMIT: Readonly<Record<Plastic['toughness'], readonly [number, number]>> = {
  soft: [0.55, 0.7],
  standard: [0.65, 0.8],
  stretchy: [0.85, 1.05],
};

/** Puts a plastic on a design and judges every point of the fit; fixes are found by trying them. waterDensity in kg/m³. */
export function judgeFit(
  design: Design,
  assembly: Assembly,
  plastic: Plastic,
  method: RigMethod,
  waterDensity: number,
  metals: readonly Metal[] = METALS,
): Fit {
  const geometry = layOnHead(assembly, plastic, method, waterDensity);
  const other = firstFittingHook(design, plastic, method, waterDensity, metals);
  const anyHook = other ? `Go to ${other}` : 'No hook of the chart fits this body';
  const look: Look = { design, assembly, plastic, geometry, anyHook, waterDensity };
  const checks = [
    exitCheck(look),
    gapCheck(look),
    tailCheck(look),
    biteCheck(look),
    shoulderCheck(look),
    ...(geometry.seat > 0 ? [seatCheck(look)] : []),
    ...(method === 'buried' ? [straightCheck(look)] : []),
  ];
  return { geometry, checks, verdict: worst(checks.map(({ verdict }) => verdict)) };
}

/** What one look at a rig needs. */
interface Look {
  readonly design: Design;
  readonly assembly: Assembly;
  readonly plastic: Plastic;
  readonly geometry: RigGeometry;
  /** the way out by another hook, as the start of a sentence */
  readonly anyHook: string;
  readonly waterDensity: number;
}

const atLeast = (good: number, tight: number): Limits => ({
  good: [good, Infinity],
  tight: [tight, Infinity],
});

/** A check from its value and limits; words and fix are made only for the verdict that came out. */
function checked(
  head: Pick<FitCheck, 'id' | 'name' | 'value' | 'quantity'> & Limits,
  says: (verdict: Verdict) => string,
  fix: () => string,
): FitCheck {
  const verdict = Number.isNaN(head.value) ? 'bad' : judge(head.value, head.good, head.tight);
  return { ...head, verdict, says: says(verdict), fix: verdict === 'good' ? '' : fix() };
}

function exitCheck({ assembly, plastic, geometry, anyHook, waterDensity }: Look): FitCheck {
  const { good, tight } = exitLimits(plastic, geometry.method);
  const bare = geometry.method === 'threaded';
  return checked(
    {
      id: 'rig.exit',
      name: bare ? 'Hook comes out at' : 'Point lies at',
      value: geometry.exitShare,
      quantity: 'share',
      good,
      tight,
    },
    (verdict) => {
      if (Number.isNaN(geometry.exit))
        return 'The hook never leaves the body: the bend is lower than the back.';
      if (verdict === 'good')
        return bare ? 'It leaves the body where it should.' : 'It lies where it should.';
      return geometry.exitShare < good[0]
        ? 'It is too near the nose: the body swings free and short strikes miss.'
        : 'It is too far back and deadens the tail.';
    },
    () => {
      const cut = cutForExit(assembly, plastic, geometry, waterDensity);
      return cut > 0 ? `${anyHook} or cut ${marked(cut, 'size')} off the nose.` : `${anyHook}.`;
    },
  );
}

function gapCheck({ assembly, geometry, anyHook }: Look): FitCheck {
  const { gap } = assembly.measures;
  const limits = GAP_LIMITS[geometry.method];
  return checked(
    {
      id: 'rig.freeGap',
      name: geometry.method === 'threaded' ? 'Free gap over the plastic' : 'Room for the body to drop',
      value: geometry.freeGap,
      quantity: 'size',
      ...atLeast(limits.good * gap, limits.tight * gap),
    },
    (verdict) =>
      verdict === 'good'
        ? 'The point has room to take hold.'
        : `The body takes ${Math.round(geometry.fill * 100)}% of the gap and shields the point.`,
    () => `${anyHook}, or take a slimmer plastic.`,
  );
}

function tailCheck({ plastic, geometry, anyHook }: Look): FitCheck {
  return checked(
    {
      id: 'rig.tailRoom',
      name: 'Body behind the hook',
      value: geometry.tailRoom,
      quantity: 'size',
      ...atLeast(TAIL_ROOM * plastic.length, 0),
    },
    (verdict) =>
      verdict === 'good' ? 'Tail or claws move freely.' : 'The hook reaches into the part that should move.',
    () => `${anyHook}.`,
  );
}

function biteCheck({ assembly: { hook, measures } }: Look): FitCheck {
  const sure = sureBite(measures.gap);
  return checked(
    {
      id: 'rig.bite',
      name: 'Bite above the eye',
      value: hook.pointHeight - hook.eye.top,
      quantity: 'size',
      ...atLeast(sure, sure / 2),
    },
    (verdict) =>
      verdict === 'good'
        ? 'The point stands clear of the eye.'
        : 'The point stands too little above the eye.',
    () => 'Lean the eye forward, or take a larger hook.',
  );
}

/** Metal inside a bait over the bait there: what is left must close around it (working limits, common practice, no source). */
const INSIDE: Limits = { good: [0.15, 0.72], tight: [0.08, 0.9] };
/** Head size over body size at the seat: near 1 they run into each other (working limits, common practice, no source). */
const SHOULDER: Limits = { good: [0.8, 1.35], tight: [0.6, 1.9] };

function shoulderCheck({ design, assembly, geometry: { shoulderHeight, shoulderBreadth } }: Look): FitCheck {
  if (assembly.family.within && !assembly.hook.hinge) {
    return checked(
      {
        id: 'rig.shoulder',
        name: 'Metal inside the body',
        value: Math.max(shoulderHeight, shoulderBreadth),
        quantity: 'share',
        ...INSIDE,
      },
      (verdict) =>
        verdict === 'good'
          ? 'The body closes around the metal.'
          : shoulderHeight > 0.5
            ? 'The metal fills the body and will split it.'
            : 'The metal is lost in the body.',
      () =>
        Math.max(shoulderHeight, shoulderBreadth) > INSIDE.good[1]
          ? 'Take a denser metal for a slimmer weight, less weight, or a thicker plastic.'
          : 'Take more weight, or a slimmer plastic.',
    );
  }
  // A free hook's bait ends clear of the head.
  if (assembly.hook.hinge) {
    return checked(
      {
        id: 'rig.shoulder',
        name: 'Head against body',
        value: shoulderHeight,
        quantity: 'share',
        good: [0, Infinity],
        tight: [0, Infinity],
      },
      () => 'The bait swings free behind the head.',
      () => '',
    );
  }
  // A football is meant to stand out sideways; of other heads the direction further from 1 is judged.
  const broader = Math.abs(Math.log(shoulderBreadth)) > Math.abs(Math.log(shoulderHeight));
  const value = broader && design.head.family !== 'football' ? shoulderBreadth : shoulderHeight;
  const { height } = extent(assembly);
  return checked(
    { id: 'rig.shoulder', name: 'Head against body', value, quantity: 'share', ...SHOULDER },
    (verdict) => {
      if (verdict === 'good') return 'Head and body run into each other.';
      return value < 1
        ? 'The body stands out behind the head and catches.'
        : 'The head stands out over the body; the nose will work loose.';
    },
    () =>
      value < 1
        ? `Take a head about ${marked((height / value) * 0.9, 'size')} high, or a slimmer plastic.`
        : `Take a plastic about ${marked(height / 1.2, 'size')} high at the nose, or a denser metal for a smaller head.`,
  );
}

function seatCheck({ plastic, geometry: { seat, crest } }: Look): FitCheck {
  const [safe, most] = SEAT_LIMIT[plastic.toughness];
  const nose = (2 * crest) / seat;
  return checked(
    {
      id: 'rig.seat',
      name: 'Collar against the nose',
      value: seat,
      quantity: 'share',
      good: [0.2, safe],
      tight: [0.1, most],
    },
    (verdict) => {
      if (verdict === 'good') return 'The collar fills the nose without splitting it.';
      return seat > safe
        ? `A ${plastic.toughness} plastic may split over this collar.`
        : 'The collar is too thin to hold the nose.';
    },
    () =>
      seat > safe
        ? `Bring the collar with its barbs down to ${marked(nose * safe, 'size')}, or take a stretchier plastic.`
        : `Bring the collar with its barbs up to ${marked(nose * 0.4, 'size')}.`,
  );
}

function straightCheck({ geometry, anyHook }: Look): FitCheck {
  return checked(
    {
      id: 'rig.straight',
      name: 'Body bent by',
      value: geometry.bend,
      quantity: 'angle',
      good: [-8, STRAIGHT.good],
      tight: [-16, STRAIGHT.tight],
    },
    (verdict) => (verdict === 'good' ? 'The body lies straight.' : 'The body is bent and will spin.'),
    () => `${anyHook}, or thread it with the point bare.`,
  );
}
