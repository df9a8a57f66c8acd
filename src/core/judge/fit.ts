import type { QuantityKind } from '../quantity/units.ts';
import type { Design } from '../document/design.ts';
import { SKIRT_RANGES } from '../fitting/skirt.ts';
import { sureBite } from '../hook/bite.ts';
import { plasticKindOf } from '../plastic/kinds/index.ts';
import type { Limits } from '../plastic/kinds/kind.ts';
import type { Plastic } from '../plastic/schema.ts';
import type { Evaluation } from './evaluate.ts';
import { methodOf } from '../rigging/methods/index.ts';
import type { Metal } from '../material/metals/metal.ts';
import { cutForExit, exitLimits, firstFittingHook } from './remedies.ts';
import type { Bait, Rig } from '../build/rig.ts';
import { METALS } from '../material/metals/index.ts';
import { marked } from '../quantity/phrase.ts';
import {
  ALONG_BACK,
  HOOK_SIZE,
  IN_ROOM,
  INSIDE,
  SEAT,
  SEAT_WANTED,
  SHOULDER,
  SKIRT_ENDS,
  SKIRT_UNEVEN,
  TAIL_ROOM,
  TRAILER,
  UNEVEN,
} from '../rigging/limits.ts';
import { hasRoom } from '../rigging/lay.ts';
import { toDesign, toMethod } from '../rigging/laying.ts';
import type { LaidMeasures, LaidPlastic, MethodKind, Obstacle, Remedy } from '../rigging/method.ts';
import type { ReadingId } from '../behaviour/index.ts';
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
  /** what of that can be done at once */
  readonly remedies: readonly Remedy[];
}

export interface Fit {
  readonly laid: LaidPlastic;
  /** why the method cannot be used at all; undefined where it can */
  readonly obstacle: Obstacle | undefined;
  /** the steps of a person's hands, in order, with lengths marked */
  readonly steps: readonly string[];
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

/**
 * Judges every point of the fit of an evaluated rig; fixes are found by trying them. Throws where the rig has no plastic, which is a mistake
 * of the program.
 */
export function judgeFit({ design, rig, readings }: Judged, metals: readonly Metal[] = METALS): Fit {
  const { bait } = rig;
  if (!bait) throw new Error('There is no plastic on this rig to judge.');
  const method = methodOf(bait.method);
  // Fixes are looked for once, and only where something is wrong.
  let found: { readonly size: string } | undefined;
  const hook = () => (found ??= { size: firstFittingHook(design, bait.plastic, method, metals) }).size;
  const checks = fitChecks(rig, bait, (id) => readings[id]?.value ?? NaN, { design, hook });
  const obstacle = method.obstacle?.(rig, bait.plastic);
  return {
    laid: bait.laid,
    obstacle,
    steps: method.steps(bait.laid, rig),
    checks,
    verdict: obstacle ? 'bad' : worst(checks.map(({ verdict }) => verdict)),
  };
}

/**
 * Every point of the fit of a plastic on a rig. `value` gives a reading. Without `ways` the fixes name no hook: for lists, where only
 * the verdicts are wanted.
 */
export function fitChecks(
  rig: Rig,
  bait: Bait & { readonly laid: LaidMeasures },
  value: (id: ReadingId) => number,
  ways?: { readonly design: Design; readonly hook: () => string },
): FitCheck[] {
  const method = methodOf(bait.method);
  const size = () => ways?.hook() ?? '';
  const look: Look = {
    rig,
    design: ways?.design,
    plastic: bait.plastic,
    laid: bait.laid,
    method,
    value,
    anyHook: () => (size() ? `Go to ${size()}` : 'No hook of the chart fits this body'),
    remedies: () => (size() ? [toDesign('/hook/size', size(), size())] : []),
  };
  return [
    exitCheck(look),
    gapCheck(look),
    tailCheck(look),
    biteCheck(look),
    ...(method.isApart ? [] : [shoulderCheck(look)]),
    ...(bait.laid.seat > 0 && !bait.laid.isWithin && !method.isApart ? [seatCheck(look)] : []),
    ...(method.straight ? [straightCheck(look, method.straight)] : []),
    ...(method.point === 'along' ? [backCheck(look)] : []),
    ...(method.key === 'trailer' ? trailerChecks(look) : [sizeCheck(look)]),
  ];
}

/** What a fit is judged from: an evaluation that came out. */
type Judged = Pick<Extract<Evaluation, { ok: true }>, 'design' | 'rig' | 'readings'>;

/** What one look at a rig needs. */
interface Look {
  readonly rig: Rig;
  /** as a document, where fixes are wanted */
  readonly design: Design | undefined;
  readonly plastic: Plastic;
  readonly laid: LaidMeasures;
  readonly method: MethodKind;
  /** a reading, NaN where it does not apply */
  readonly value: (id: ReadingId) => number;
  /** the way out by another hook, as the start of a sentence */
  readonly anyHook: () => string;
  /** the same, to be done at once */
  readonly remedies: () => readonly Remedy[];
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
  remedies: () => readonly Remedy[] = () => [],
): FitCheck {
  const verdict = Number.isNaN(head.value) ? 'bad' : judge(head.value, head.good, head.tight);
  if (verdict === 'good') return { ...head, verdict, says: says(verdict), fix: '', remedies: [] };
  return { ...head, verdict, says: says(verdict), fix: fix(), remedies: remedies() };
}

function exitCheck({ rig, design, plastic, laid, method, value, anyHook, remedies }: Look): FitCheck {
  const { good, tight } = exitLimits(plastic, method);
  const bare = method.point === 'bare';
  const share = value('rig.exit');
  // A cut is looked for where fixes are wanted: it takes many layings.
  const cut = design && share < good[0] ? cutForExit(rig, plastic, method, laid) : 0;
  const cutTo = Math.round(10 * ((plastic.cut ?? 0) + cut)) / 10;
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
    () => (cut > 0 ? `${anyHook()} or cut ${marked(cut, 'size')} off the nose.` : `${anyHook()}.`),
    () =>
      cut > 0
        ? [
            ...remedies(),
            { of: 'plastic', path: '/cut', value: cutTo, says: `cut ${marked(cut, 'size')} off` },
          ]
        : remedies(),
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
    () => `${anyHook()}, or take a slimmer plastic.`,
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
    () => `${anyHook()}.`,
    remedies,
  );
}

function biteCheck({ rig, laid, design, value }: Look): FitCheck {
  const sure = sureBite(rig.measures.gap);
  const isEye = value('rig.bite') >= value('hook.biteAboveEye') - 0.01;
  const leaned = design ? Math.max(0, design.eye.angle - 15) : 0;
  return checked(
    {
      id: 'rig.bite',
      name: 'Bite with the plastic on',
      value: value('rig.bite'),
      quantity: 'size',
      ...atLeast(sure, sure / 2),
    },
    (verdict) =>
      verdict === 'good'
        ? 'The point stands clear of eye and bait.'
        : isEye
          ? 'The point stands too little above the eye.'
          : `The bait before it stands nearly as high as the point${laid.standOff > 0 ? ', and the screw stands it back' : ''}.`,
    () =>
      isEye
        ? 'Lean the eye forward, or take a larger hook.'
        : 'Take a slimmer plastic or a wider hook, or seat it closer to the head.',
    () =>
      isEye && design && design.eye.angle > 20
        ? [toDesign('/eye/angle', leaned, `lean the eye to ${marked(leaned, 'angle')}`)]
        : [],
  );
}

function shoulderCheck({ rig, plastic, laid, value: valueOf }: Look): FitCheck {
  const { shoulderHeight, shoulderBreadth } = laid;
  if (laid.isWithin) {
    const limits = hasRoom(plastic) ? IN_ROOM : INSIDE;
    return checked(
      {
        id: 'rig.shoulder',
        name: 'Metal inside the body',
        value: Math.max(shoulderHeight, shoulderBreadth),
        quantity: 'share',
        ...limits,
      },
      (verdict) =>
        verdict === 'good'
          ? 'The body closes around the metal.'
          : Math.max(shoulderHeight, shoulderBreadth) > limits.good[1]
            ? 'The metal fills the body and will split it.'
            : 'The metal is lost in the body.',
      () =>
        Math.max(shoulderHeight, shoulderBreadth) > limits.good[1]
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

function seatCheck({ rig, plastic, design, laid: { seat, crest } }: Look): FitCheck {
  const { least, most } = SEAT[plastic.toughness];
  const nose = (2 * crest) / seat;
  // The widest of it is its core with the barbs on both sides: the core is what is changed.
  const isTooWide = seat > most[0];
  const wanted = nose * (isTooWide ? most[0] : SEAT_WANTED);
  const core = Math.round(20 * (wanted - 2 * crest + (coreOf(design) ?? 2 * crest))) / 20;
  const leastCore = rig.measures.wire + 0.6;
  return checked(
    {
      id: 'rig.seat',
      name: 'Collar against the nose',
      value: seat,
      quantity: 'share',
      good: [least[0], most[0]],
      tight: [least[1], most[1]],
    },
    (verdict) => {
      if (verdict === 'good') return 'The collar fills the nose without splitting it.';
      return isTooWide
        ? `A ${plastic.toughness} plastic may split over this collar.`
        : 'The collar is too thin to hold the nose.';
    },
    () =>
      isTooWide
        ? `Bring the collar with its barbs down to ${marked(wanted, 'size')}, or take a stretchier plastic.`
        : `Bring the collar with its barbs up to ${marked(wanted, 'size')}.`,
    () =>
      coreOf(design) !== undefined && core >= leastCore
        ? [toDesign('/keeper/diameter', core, `collar ${marked(core, 'size')}`)]
        : [],
  );
}

/** Core of a cast keeper as its document says it, mm. */
const coreOf = (design: Design | undefined): number | undefined =>
  design?.keeper.kind === 'collar' || design?.keeper.kind === 'barrel' ? design.keeper.diameter : undefined;

function straightCheck({ method, value, anyHook, remedies }: Look, limits: Limits): FitCheck {
  const isMeant = method.key === 'bent';
  return checked(
    {
      id: 'rig.straight',
      name: 'Body bent by',
      value: value('rig.bend'),
      quantity: 'angle',
      ...limits,
    },
    (verdict) =>
      verdict === 'good'
        ? isMeant
          ? 'It keeps the slight bend that makes it swing.'
          : 'The body lies straight.'
        : 'The body is bent and will spin.',
    () => `${anyHook()}, or thread it with the point bare.`,
    () => [...remedies(), toMethod('threaded', 'thread it')],
  );
}

function backCheck({ plastic, laid, value }: Look): FitCheck {
  const flat = plasticKindOf(plastic.kind).section === 'flat-backed';
  // Where the back is round the wire lies on a ridge, and rolls off it to one side.
  const off = -value('rig.cover') - (flat ? laidIn(laid) : 0);
  return checked(
    { id: 'rig.back', name: 'Point off the back', value: off, quantity: 'size', ...ALONG_BACK },
    (verdict) =>
      verdict === 'good'
        ? 'The point lies close along the back.'
        : 'The point stands off the back and catches what it should slide past.',
    () => 'Take a plastic with a flat back, or put the tip under the skin.',
    () => [toMethod('skin', 'tip under the skin')],
  );
}

/** How deep a wire beds into a flat back that it lies along, mm: half of itself. */
const laidIn = ({ cover }: LaidMeasures): number => -cover / 2;

function sizeCheck({ rig, laid, anyHook, remedies }: Look): FitCheck {
  return checked(
    {
      id: 'rig.hookSize',
      name: 'Gap of the hook over the bait’s length',
      value: rig.measures.gap / laid.length,
      quantity: 'share',
      ...HOOK_SIZE,
    },
    (verdict) =>
      verdict === 'good'
        ? 'The hook is in proportion to the bait.'
        : 'So large a hook deadens a bait of this length.',
    () => `${anyHook()}, or take a longer bait.`,
    remedies,
  );
}

function trailerChecks(look: Look): FitCheck[] {
  const { rig, laid } = look;
  const trailer = trailerCheck(look);
  if (!rig.skirt) return [trailer];
  const { length, uneven } = rig.skirt;
  const wanted = Math.min(SKIRT_RANGES.length[1], Math.max(SKIRT_RANGES.length[0], Math.round(laid.tailAt)));
  const off = length - laid.tailAt;
  return [
    trailer,
    checked(
      { id: 'rig.skirt', name: 'Skirt past the meat', value: off, quantity: 'size', ...SKIRT_ENDS },
      (verdict) =>
        verdict === 'good'
          ? 'It covers the meat of the trailer and lets its legs show.'
          : off > 0
            ? 'It hides the legs of the trailer.'
            : 'It leaves the meat of the trailer bare.',
      () => `Take a skirt whose strands end ${marked(wanted, 'size')} behind the head.`,
      () => [toDesign('/skirt/length', wanted, `skirt ${marked(wanted, 'size')}`)],
    ),
    checked(
      { id: 'rig.uneven', name: 'Skirt uneven by', value: uneven, quantity: 'size', ...UNEVEN },
      (verdict) =>
        verdict === 'good'
          ? 'Its ends are uneven, as they should be.'
          : uneven < UNEVEN.good[0]
            ? 'Its ends are even: uneven ones move better.'
            : 'Its ends are so uneven that the shortest leave the meat bare.',
      () => `Trim its ends uneven by about ${marked(SKIRT_UNEVEN, 'size')}.`,
      () => [toDesign('/skirt/uneven', SKIRT_UNEVEN, `uneven by ${marked(SKIRT_UNEVEN, 'size')}`)],
    ),
  ];
}

function trailerCheck({ rig, plastic, laid }: Look): FitCheck {
  const head = rig.profile.length - rig.hook.bendRear[0];
  const ratio = laid.length / head;
  const cut = Math.round(laid.length - TRAILER.good[1] * head);
  const isLong = ratio > TRAILER.good[1];
  return checked(
    { id: 'rig.trailer', name: 'Trailer against head and hook', value: ratio, quantity: 'share', ...TRAILER },
    (verdict) =>
      verdict === 'good'
        ? 'In proportion to the head.'
        : isLong
          ? 'Too long for this head: fish strike short of the hook.'
          : 'Too short to show behind the skirt.',
    () => (isLong ? `Cut ${marked(cut, 'size')} off the nose.` : 'Take a longer trailer.'),
    () =>
      isLong && cut < plastic.length / 2
        ? [
            {
              of: 'plastic',
              path: '/cut',
              value: (plastic.cut ?? 0) + cut,
              says: `cut ${marked(cut, 'size')} off`,
            },
          ]
        : [],
  );
}
