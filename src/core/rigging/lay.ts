import { extent } from '../head/extent.ts';
import { radians } from '../numeric/vec.ts';
import type { Vec2, Vec3 } from '../numeric/vec.ts';
import {
  FULL_NOSE,
  limbsOf,
  leftLength,
  limbVolume,
  plasticDensity,
  plasticSection,
  plasticVolume,
  sectionArea,
  sectionRise,
  tailStart,
  wallOf,
} from '../plastic/body.ts';
import { MADE } from '../plastic/kinds/kind.ts';
import { plasticKindOf } from '../plastic/kinds/index.ts';
import type { Plastic } from '../plastic/schema.ts';
import type { LaidLimb, LaidMeasures, LaidPlastic, MethodKind, Mount } from './method.ts';

/** Places along a laid body at which it is drawn and asked. */
const STATIONS = 72;
/** How far behind the seat head and body are measured against each other, mm. */
const BEHIND_SEAT = 6;
/** Length of nose a head without a cast collar is taken to need, mm. */
const PLAIN_SEAT = 3;

/** Where a method puts a plastic's nose, and how it lies from there. */
function placed(mount: Mount, plastic: Plastic, method: MethodKind, cut: number) {
  const { hook, family } = mount;
  // A screw holds the nose off the head, whatever the method.
  const standOff = hook.hinge || family.within ? 0 : (mount.keeper?.standoff ?? 0);
  const usual = seatOf(mount) - standOff;
  const seat = method.seat?.(mount, usual, FULL_NOSE * plastic.length) ?? usual;
  const left = cut > 0 ? { ...plastic, cut: (plastic.cut ?? 0) + cut } : plastic;
  const section = (fromNose: number) => plasticSection(left, fromNose);
  const tipFromNose = Math.max(0, seat - hook.tip[0]);
  const laying = method.lay({ hook, seat, tipFromNose, section });
  return { standOff, seat, left, section, tipFromNose, laying, length: leftLength(left) };
}

/**
 * What the fit asks of a plastic laid on a head: quick, for lists. `cut` mm are taken off the nose first,
 * besides what the plastic says is cut already.
 */
export function measureOnHead(mount: Mount, plastic: Plastic, method: MethodKind, cut = 0): LaidMeasures {
  return measuresOf(mount, method, cut, placed(mount, plastic, method, cut));
}

/**
 * Lays a plastic on a head by a method. `cut` mm are taken off the nose first, besides what the plastic says
 * is cut already.
 */
export function layOnHead(mount: Mount, plastic: Plastic, method: MethodKind, cut = 0): LaidPlastic {
  const place = placed(mount, plastic, method, cut);
  const { left, seat, section, length, laying } = place;
  const { rise } = laying;
  const limbs = laidLimbs(left, seat, rise);
  return {
    ...measuresOf(mount, method, cut, place),
    limbs,
    volume: plasticVolume(left),
    centre: centreOf(left, seat, rise, length, limbs),
    density: plasticDensity(plastic),
    body: Array.from({ length: STATIONS + 1 }, (_, i) => {
      const fromNose = (length * i) / STATIONS;
      return { at: [seat - fromNose, rise(fromNose)] satisfies Vec2, ...section(fromNose) };
    }),
  };
}

function measuresOf(
  mount: Mount,
  method: MethodKind,
  cut: number,
  { standOff, seat, left, section, tipFromNose, laying, length }: ReturnType<typeof placed>,
): LaidMeasures {
  const { hook, collar, measures, family } = mount;
  const { rise, exit, freeGap, filling, bend, cover, start, entry } = laying;
  // What head and body are measured against each other at: just behind the seat, or amid the metal that lies
  // in the bait.
  const isWithin = (family.within === true || method.within === true) && !hook.hinge;
  const amid = isWithin ? seat - mount.profile.length / 2 : BEHIND_SEAT;
  const behind = section(Math.min(amid, length * (isWithin ? 0.5 : 0.1)));
  const wall = isWithin ? wallOf(left) : 0;
  const nose = section(Math.min(-(collar?.from ?? -PLAIN_SEAT), length * 0.1) / 2);
  const sizes = extent(mount.head);
  const crest = collar
    ? Math.max(collar.radius(-1e-6), ...collar.breaks.map((x) => collar.radius(x - 1e-6)))
    : 0;
  // A bait that is pulled off its covered point gives way: only the eye stands in front of that one.
  const isBare = method.point === 'bare';
  let highest = hook.hinge ? 0 : hook.eye.top;
  for (let i = 0; isBare && i <= 12; i++) {
    const at = (tipFromNose * i) / 12;
    highest = Math.max(highest, rise(at) + section(at).halfHeight);
  }
  return {
    seatAt: seat,
    standOff,
    cut,
    start,
    entry,
    exit,
    exitShare: exit / length,
    freeGap,
    fill: (2 * filling) / measures.gap,
    cover,
    bite: hook.tip[2] - highest,
    reach: seat - hook.tip[0],
    tailRoom: tailStart(left) - exit,
    shoulderHeight: sizes.height / Math.max(2 * (behind.halfHeight - wall), 1e-3),
    shoulderBreadth: sizes.breadth / Math.max(2 * (behind.halfBreadth - wall), 1e-3),
    isWithin,
    crest,
    seat: crest / Math.max(Math.min(nose.halfHeight, nose.halfBreadth), 1e-3),
    bend,
    length,
    tailAt: tailStart(left),
  };
}

/** Limbs where they lie: a pair off to its sides, a single one up or straight on. */
function laidLimbs(plastic: Plastic, seat: number, rise: (fromNose: number) => number): LaidLimb[] {
  return limbsOf(plastic).map((limb) => {
    const { from, long, side, off } = limb;
    const aside = side === 0 ? 0 : Math.sin(radians(off));
    const up = side === 0 ? Math.sin(radians(off)) : 0;
    const back = Math.cos(radians(off));
    const { halfBreadth } = plasticSection(plastic, from);
    const root: Vec3 = [seat - from, side * halfBreadth * 0.6, rise(from)];
    return {
      ...limb,
      root,
      end: [root[0] - long * back, root[1] + side * long * aside, root[2] + long * up],
    };
  });
}

/** Centre of a laid plastic, by its sections along the axis and its limbs. */
function centreOf(
  plastic: Plastic,
  seat: number,
  rise: (fromNose: number) => number,
  length: number,
  limbs: readonly LaidLimb[],
): Vec3 {
  let [sum, x, z] = [0, 0, 0];
  const take = (volume: number, [px, , pz]: Vec3) => {
    sum += volume;
    x += volume * px;
    z += volume * pz;
  };
  for (let i = 0; i < STATIONS; i++) {
    const at = ((i + 0.5) * length) / STATIONS;
    const section = plasticSection(plastic, at);
    take((sectionArea(plastic, at) * length) / STATIONS, [seat - at, 0, rise(at) + sectionRise(section)]);
  }
  for (const limb of limbs) {
    const { root, end } = limb;
    take(limbVolume(limb), [(root[0] + end[0]) / 2, 0, (root[2] + end[2]) / 2]);
  }
  return sum > 0 ? [x / sum, 0, z / sum] : [seat, 0, 0];
}

/**
 * x at which the plastic's nose sits: at the rear face; with the metal inside the bait at the eye; with a
 * free hook at the hook's own eye.
 */
export function seatOf({ family, hook }: Pick<Mount, 'family' | 'hook'>): number {
  if (hook.hinge) return hook.hinge.hookEye.centre[0] - hook.hinge.hookEye.radius;
  return family.within ? hook.knee[0] : 0;
}

/** Whether a plastic has a room that a head can lie in. */
export const hasRoom = ({ kind }: Pick<Plastic, 'kind'>): boolean =>
  MADE[plasticKindOf(kind).make].room === true;
