import type { QuantityKind } from '../quantity/units.ts';
import { sureBite } from '../hook/bite.ts';
import type { Limits } from '../plastic/kinds/kind.ts';
import type { Plastic, Toughness } from '../plastic/schema.ts';
import type { Evaluation } from './evaluate.ts';
import { methodOf } from '../rigging/methods/index.ts';
import type { Metal } from '../material/metals/metal.ts';
import { cutForExit, exitLimits, firstFittingHook, TAIL_ROOM } from './remedies.ts';
import type { Rig } from '../build/rig.ts';
import { METALS } from '../material/metals/index.ts';
import { marked } from '../quantity/phrase.ts';
import type { LaidPlastic, MethodKind } from '../rigging/method.ts';
import type { ReadingId } from '../behaviour/index.ts';
export type Verdict = 'good' | 'tight' | 'bad';

/** What to change for a better fit: a field and its value beside the sentence, so that a button can do it. */
export type Remedy =
  | { readonly kind: 'hook'; readonly size: string }
  /** cut so much off the nose of the plastic, mm */
  | { readonly kind: 'cut'; readonly length: number };

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
  /** what of that can be done at once */
  readonly remedies: readonly Remedy[];
}

export interface Fit {
  readonly laid: LaidPlastic;
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
const SEAT_LIMIT: Readonly<Record<Toughness, readonly [number, number]>> = {
  soft: [0.55, 0.7],
  standard: [0.65, 0.8],
  stretchy: [0.85, 1.05],
};

/**
 * Judges every point of the fit of an evaluated rig; fixes are found by trying them. Throws where the rig has no plastic, which is a mistake
 * of the program.
 */
export function judgeFit({ design, rig, readings }: Judged, metals: readonly Metal[] = METALS): Fit {
  const { bait } = rig;
  if (!bait) throw new Error('There is no plastic on this rig to judge.');
  const method = methodOf(bait.method);
  const size = firstFittingHook(design, bait.plastic, method, metals);
  const look: Look = {
    rig,
    plastic: bait.plastic,
    laid: bait.laid,
    method,
    value: (id) => readings[id]?.value ?? NaN,
    anyHook: size ? `Go to ${size}` : 'No hook of the chart fits this body',
    remedies: size ? [{ kind: 'hook', size }] : [],
  };
  const checks = [
    exitCheck(look),
    gapCheck(look),
    tailCheck(look),
    biteCheck(look),
    shoulderCheck(look),
    ...(bait.laid.seat > 0 ? [seatCheck(look)] : []),
    ...(method.straight ? [straightCheck(look, method.straight)] : []),
  ];
  return { laid: bait.laid, checks, verdict: worst(checks.map(({ verdict }) => verdict)) };
}

/** What a fit is judged from: an evaluation that came out. */
type Judged = Pick<Extract<Evaluation, { ok: true }>, 'design' | 'rig' | 'readings'>;

/** What one look at a rig needs. */
interface Look {
  readonly rig: Rig;
  readonly plastic: Plastic;
  readonly laid: LaidPlastic;
  readonly method: MethodKind;
  /** a reading, NaN where it does not apply */
  readonly value: (id: ReadingId) => number;
  /** the way out by another hook, as the start of a sentence */
  readonly anyHook: string;
  /** the same, to be done at once */
  readonly remedies: readonly Remedy[];
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
  remedies: readonly Remedy[] = [],
): FitCheck {
  const verdict = Number.isNaN(head.value) ? 'bad' : judge(head.value, head.good, head.tight);
  if (verdict === 'good') return { ...head, verdict, says: says(verdict), fix: '', remedies: [] };
  return { ...head, verdict, says: says(verdict), fix: fix(), remedies };
}

function exitCheck({ rig, plastic, laid, method, value, anyHook, remedies }: Look): FitCheck {
  const { good, tight } = exitLimits(plastic, method);
  const bare = method.point === 'bare';
  const share = value('rig.exit');
  const cut = share < good[0] ? cutForExit(rig, plastic, method, laid) : 0;
  return checked(
    {
      id: 'rig.exit',
      name: method.exitName,
      value: share,
      quantity: 'share',
      good,
      tight,
    },
    (verdict) => {
      if (Number.isNaN(share)) return 'The hook never leaves the body: the bend is lower than the back.';
      if (verdict === 'good')
        return bare ? 'It leaves the body where it should.' : 'It lies where it should.';
      return share < good[0]
        ? 'It is too near the nose: the body swings free and short strikes miss.'
        : 'It is too far back and deadens the tail.';
    },
    () => (cut > 0 ? `${anyHook} or cut ${marked(cut, 'size')} off the nose.` : `${anyHook}.`),
    cut > 0 ? [...remedies, { kind: 'cut', length: cut }] : remedies,
  );
}

function gapCheck({ rig, method, value, anyHook, remedies }: Look): FitCheck {
  const { gap } = rig.measures;
  const limits = method.freeGap;
  return checked(
    {
      id: 'rig.freeGap',
      name: method.gapName,
      value: value('rig.freeGap'),
      quantity: 'size',
      ...atLeast(limits.good * gap, limits.tight * gap),
    },
    (verdict) =>
      verdict === 'good'
        ? 'The point has room to take hold.'
        : `The body takes ${Math.round(value('rig.fill') * 100)}% of the gap and shields the point.`,
    () => `${anyHook}, or take a slimmer plastic.`,
    remedies,
  );
}

function tailCheck({ plastic, value, anyHook, remedies }: Look): FitCheck {
  return checked(
    {
      id: 'rig.tailRoom',
      name: 'Body behind the hook',
      value: value('rig.tailRoom'),
      quantity: 'size',
      ...atLeast(TAIL_ROOM * plastic.length, 0),
    },
    (verdict) =>
      verdict === 'good' ? 'Tail or claws move freely.' : 'The hook reaches into the part that should move.',
    () => `${anyHook}.`,
    remedies,
  );
}

function biteCheck({ rig, value }: Look): FitCheck {
  const sure = sureBite(rig.measures.gap);
  return checked(
    {
      id: 'rig.bite',
      name: 'Bite above the eye',
      value: value('hook.biteAboveEye'),
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

function shoulderCheck({ rig, laid: { shoulderHeight, shoulderBreadth }, value: valueOf }: Look): FitCheck {
  if (rig.family.within && !rig.joint) {
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
  if (rig.joint) {
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
  const value = broader && !rig.family.isBroad ? shoulderBreadth : shoulderHeight;
  const height = valueOf('head.height');
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

function seatCheck({ plastic, laid: { seat, crest } }: Look): FitCheck {
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

function straightCheck({ value, anyHook, remedies }: Look, limits: Limits): FitCheck {
  return checked(
    {
      id: 'rig.straight',
      name: 'Body bent by',
      value: value('rig.bend'),
      quantity: 'angle',
      ...limits,
    },
    (verdict) => (verdict === 'good' ? 'The body lies straight.' : 'The body is bent and will spin.'),
    () => `${anyHook}, or thread it with the point bare.`,
    remedies,
  );
}
