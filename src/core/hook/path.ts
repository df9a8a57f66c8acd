import type { EyeSpec } from '../design.ts';
import type { Vec3 } from '../numeric/vec.ts';
import { radians } from '../numeric/vec.ts';
import type { HookMeasures } from './chart.ts';

/** A round-bend jig hook as a curve in the plane y = 0, with its eye. Lengths in mm, body frame. */
export interface HookPath {
  /** Centre line from the eye's ring down the leg, along the shank, round the bend to the tip; y = 0 throughout. */
  readonly centre: readonly Vec3[];
  /** the first part of it, leg and shank: all that can lie in metal */
  readonly legAndShank: readonly Vec3[];
  readonly wire: number;
  readonly eye: EyeRing;
  /** where leg and shank lines meet */
  readonly knee: Vec3;
  /** start of the round bend on the shank */
  readonly bendStart: Vec3;
  /** rearmost point of the centre line */
  readonly bendRear: Vec3;
  readonly tip: Vec3;
  /** length of centre line without the ring */
  readonly length: number;
  /** height of the hook's centre line at its point above the shank */
  readonly pointHeight: number;
}

/** The eye: a torus of wire. */
export interface EyeRing {
  readonly centre: Vec3;
  /** centre-line radius */
  readonly radius: number;
  readonly wireRadius: number;
  readonly plane: EyeSpec['plane'];
  /** unit vector along the leg, away from the shank */
  readonly along: Vec3;
  /** height of the ring's highest metal above the shank line */
  readonly top: number;
}

/**
 * Share of the gap that the straight point leg measures, and inner width of the eye in wire diameters plus a constant in
 * mm: generic proportions of round-bend jig hooks (from memory; they vary by maker).
 */
const POINT_LEG = 0.62;
const EYE_INNER = { wires: 1.2, plus: 0.5 };
/** Centre-line radius of the bend between leg and shank, in wire diameters (from memory). */
const KNEE_RADIUS = 1.5;
/** Clear length of leg between metal and ring, mm, so that the ring never lies in the head. */
const EYE_STAND = 0.3;

export interface HookPlacement {
  /** x of the knee */
  readonly knee: number;
  /** distance from the knee along the leg's direction to the head's surface */
  readonly legInside: number;
}

/** Unit vector of the eye's leg. */
export function legDirection(angle: number): Vec3 {
  return [Math.cos(radians(angle)), 0, Math.sin(radians(angle))];
}

/** The hook's curve for its measures, eye and place in the head. `step` is the longest piece of centre line, mm. */
export function hookPath(
  measures: HookMeasures,
  eye: EyeSpec,
  placement: HookPlacement,
  step = 0.5,
): HookPath {
  const { gap, shank, wire } = measures;
  const along = legDirection(eye.angle);
  const ringRadius = (wire * (EYE_INNER.wires + 1) + EYE_INNER.plus) / 2;
  const leg = placement.legInside + EYE_STAND;
  const kneeX = placement.knee;
  const reach = ringRadius + wire / 2;
  const ringCentre: Vec3 = [kneeX + along[0] * (leg + reach), 0, along[2] * (leg + reach)];
  const legEnd: Vec3 = [kneeX + along[0] * (leg + wire / 2), 0, along[2] * (leg + wire / 2)];

  // The knee's fillet takes the same length from leg and shank; a short leg tightens it.
  const half = radians(eye.angle) / 2;
  const filletRadius = Math.min(KNEE_RADIUS * wire, half > 0 ? (0.9 * leg) / Math.tan(half) : Infinity);
  const cut = eye.angle > 0 ? filletRadius * Math.tan(half) : 0;

  const bendRadius = (gap + wire) / 2;
  const bendX = kneeX - shank;
  const rearX = bendX - bendRadius;
  const tipX = bendX + POINT_LEG * gap;

  const points: Vec3[] = [];
  const straight = (from: Vec3, to: Vec3) => {
    const span = Math.hypot(to[0] - from[0], to[2] - from[2]);
    const pieces = Math.max(1, Math.ceil(span / step));
    for (let i = points.length === 0 ? 0 : 1; i <= pieces; i++) {
      const share = i / pieces;
      points.push([from[0] + (to[0] - from[0]) * share, 0, from[2] + (to[2] - from[2]) * share]);
    }
  };
  straight(legEnd, [kneeX + along[0] * cut, 0, along[2] * cut]);
  if (eye.angle > 0) {
    // Arc from the leg to the shank about a centre behind and above the knee.
    const centreX = kneeX - cut;
    const turns = Math.max(3, Math.ceil((2 * half * filletRadius) / Math.min(step, 0.3)));
    for (let i = 1; i <= turns; i++) {
      const turn = 2 * half * (1 - i / turns);
      points.push([centreX + filletRadius * Math.sin(turn), 0, filletRadius * (1 - Math.cos(turn))]);
    }
  }
  straight([kneeX - cut, 0, 0], [bendX, 0, 0]);
  const legAndShank = points.slice();
  const turns = Math.max(12, Math.ceil((Math.PI * bendRadius) / step));
  for (let i = 1; i <= turns; i++) {
    const turn = (Math.PI * i) / turns;
    points.push([bendX - bendRadius * Math.sin(turn), 0, bendRadius * (1 - Math.cos(turn))]);
  }
  straight([bendX, 0, 2 * bendRadius], [tipX, 0, 2 * bendRadius]);

  const wireRadius = wire / 2;
  const top =
    eye.plane === 'in line'
      ? ringCentre[2] + ringRadius + wireRadius
      : ringCentre[2] + ringRadius * along[2] + wireRadius;
  let length = 0;
  points.forEach((point, i) => {
    const previous = points[i - 1];
    if (previous) length += Math.hypot(point[0] - previous[0], point[2] - previous[2]);
  });
  return {
    centre: points,
    legAndShank,
    wire,
    eye: { centre: ringCentre, radius: ringRadius, wireRadius, plane: eye.plane, along, top },
    knee: [kneeX, 0, 0],
    bendStart: [bendX, 0, 0],
    bendRear: [rearX, 0, bendRadius],
    tip: [tipX, 0, 2 * bendRadius],
    length,
    pointHeight: 2 * bendRadius,
  };
}
