import type { ReadingId } from '../behaviour/registry.ts';
import type { Bait, Rig } from '../assembly/rig.ts';
import { keeperOf } from '../fitting/keepers/index.ts';
import type { Design } from '../document/design.ts';
import { sureBite } from '../hook/bite.ts';
import { plasticKindOf } from '../plastic/kinds/index.ts';
import type { Limits } from '../plastic/kinds/kind.ts';
import { marked } from '../quantity/phrase.ts';
import { hasRoom } from '../rigging/lay.ts';
import { toDesign, toMethod } from '../rigging/laying.ts';
import {
  ALONG_BACK,
  hookSizeLimits,
  IN_ROOM,
  INSIDE,
  SEAT,
  SEAT_WANTED,
  SHOULDER,
  TAIL_ROOM,
} from '../rigging/limits.ts';
import type { LaidMeasures } from '../rigging/method.ts';
import { methodOf } from '../rigging/methods/index.ts';
import { cutForExit, exitLimits } from './remedies.ts';
import { trailerChecks } from './trailer-checks.ts';
import type { FitCheck, Look } from './verdict.ts';
import { atLeast, checked } from './verdict.ts';

/**
 * Every point of the fit of a plastic on a rig. `value` gives a reading. Without `ways` the fixes name no
 * hook: for lists, where only the verdicts are wanted.
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
    ...(method.isUnderSkirt ? trailerChecks(look) : [sizeCheck(look)]),
  ];
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
        : `Take a plastic about ${marked(height / 1.2, 'size')} high at the nose, or a denser metal ` +
          'for a smaller head.',
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
  design && keeperOf(design.keeper.kind).castName !== undefined && 'diameter' in design.keeper
    ? design.keeper.diameter
    : undefined;

function straightCheck({ method, value, anyHook, remedies }: Look, limits: Limits): FitCheck {
  const isMeant = method.isBentOnPurpose === true;
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

function sizeCheck({ rig, plastic, laid, anyHook, remedies }: Look): FitCheck {
  return checked(
    {
      id: 'rig.hookSize',
      name: 'Gap of the hook over the bait’s length',
      value: rig.soldGap / laid.length,
      quantity: 'share',
      ...hookSizeLimits({ length: laid.length, height: plastic.height }),
    },
    (verdict) =>
      verdict === 'good'
        ? 'The hook is in proportion to the bait.'
        : 'So large a hook deadens a bait of this length.',
    () => `${anyHook()}, or take a longer bait.`,
    remedies,
  );
}
