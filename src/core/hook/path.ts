import { lastOf } from '../numeric/at.ts';
import type { Vec3 } from '../numeric/vec.ts';
import { radians } from '../numeric/vec.ts';
import type { HookMeasures } from './chart.ts';
import { jointOf } from './joints/index.ts';
import { bentWire, pathLength } from './polyline.ts';
import type { Ring } from './ring.ts';
import type { EyeSpec, HookSpec } from './schema.ts';
import { styleShape } from './styles/index.ts';

/** A jig hook as a curve in the plane y = 0, with its eye. Lengths in mm, body frame. */
export interface HookPath {
  /**
   * Centre line from the eye's ring (of a hinged head: from the free hook's own ring) along the shank, round
   * the bend to the tip.
   */
  readonly centre: readonly Vec3[];
  /**
   * eye leg and shank: all that can lie in metal. Of a hinged head, the wire from the eye to the loop behind.
   */
  readonly legAndShank: readonly Vec3[];
  readonly wire: number;
  readonly eye: EyeRing;
  /** of a hinged head: where the hook swings, and the rings that join it */
  readonly hinge: Hinge | undefined;
  /** where leg and shank lines meet */
  readonly knee: Vec3;
  /** start of the bend on the shank */
  readonly bendStart: Vec3;
  /** rearmost point of the centre line */
  readonly bendRear: Vec3;
  readonly tip: Vec3;
  /** length of centre line without the ring */
  readonly length: number;
  /** height of the hook's centre line at its point above the shank's line through the head */
  readonly pointHeight: number;
  /** height of the shank's centre line under the point; below zero where the shank steps down */
  readonly shankLevel: number;
  /** how far the point is turned out from the shank, degrees */
  readonly pointLean: number;
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

/** The joint of a hinged head; mm. */
export interface Hinge {
  /** the point the hook swings about */
  readonly at: Vec3;
  /** fixed to the head: the loop at the end of the wire */
  readonly loop: Ring;
  /** between loop and hook: a split ring or clip */
  readonly link: Ring | undefined;
  /** the free hook's own eye */
  readonly hookEye: Ring;
}

/**
 * Inner width of the eye in wire diameters plus a constant in mm: generic proportions of jig hooks (from
 * memory; they vary by maker).
 */
const EYE_INNER = { wires: 1.2, plus: 0.5 };
/** Centre-line radius of the bend between leg and shank, in wire diameters (from memory). */
const KNEE_RADIUS = 1.5;
/** Clear length of leg between metal and ring, mm, so that the ring never lies in the head. */
const EYE_STAND = 0.3;
/** Length of the step of an offset shank, as a multiple of its depth (from memory). */
const NECK_RUN = 1.3;

/** How a hook is placed in a head; mm. */
export interface HookPlacement {
  /** x of the knee */
  readonly knee: number;
  /** distance from the knee along the leg's direction to the head's surface */
  readonly legInside: number;
  /** how far behind the rear face the shank must stay straight, mm: a cast collar's length */
  readonly straight?: number;
}

/** Unit vector of the eye's leg. */
export function legDirection(angle: number): Vec3 {
  return [Math.cos(radians(angle)), 0, Math.sin(radians(angle))];
}

/** Centre-line radius of an eye's ring, mm. */
export const eyeRadius = (eye: Pick<EyeSpec, 'size'>, wire: number): number =>
  eye.size === undefined ? (wire * (EYE_INNER.wires + 1) + EYE_INNER.plus) / 2 : (eye.size + wire) / 2;

/** How far behind the straight part an offset shank has stepped down, mm; 0 for a straight one. */
export const neckLength = (hook: Pick<HookSpec, 'style'>, { gap, wire }: HookMeasures): number => {
  const { offset } = styleShape(hook.style);
  return offset > 0 ? offset * gap * NECK_RUN + 2 * wire : 0;
};

/**
 * The hook's curve for its measures, style, eye and place in the head. `step` is the longest piece of centre
 * line, mm.
 */
export function hookPath(
  measures: HookMeasures,
  hook: Pick<HookSpec, 'style' | 'joint'>,
  eye: EyeSpec,
  placement: HookPlacement,
  step = 0.5,
): HookPath {
  const { gap, shank, wire } = measures;
  const shape = styleShape(hook.style);
  const along = legDirection(eye.angle);
  const ringRadius = eyeRadius(eye, wire);
  const leg = Math.max(0.2, placement.legInside + EYE_STAND - (eye.recess ?? 0));
  const kneeX = placement.knee;
  const reach = ringRadius + wire / 2;
  const ringCentre: Vec3 = [kneeX + along[0] * (leg + reach), 0, along[2] * (leg + reach)];
  const legEnd = { x: kneeX + along[0] * (leg + wire / 2), z: along[2] * (leg + wire / 2), radius: 0 };
  const knee = { x: kneeX, z: 0, radius: KNEE_RADIUS * wire };

  const hinge = hook.joint && hingeOf(hook.joint, wire, ringRadius);
  // A free hook's shank is measured from its own eye.
  const shankFrom = hinge ? hinge.hookEye.centre[0] - hinge.hookEye.radius : kneeX;
  const bendX = shankFrom - shank;
  const level = -shape.offset * gap;
  const bendRadius = (gap + wire) / 2;
  const rearX = bendX - bendRadius;
  const legLength = shape.pointLeg * gap;
  const lean = radians(shape.lean);
  const tip: Vec3 = [
    bendX + legLength * Math.cos(lean),
    0,
    level + 2 * bendRadius + legLength * Math.sin(lean),
  ];

  const neckFrom = hinge ? shankFrom - 1.5 * wire : -(placement.straight ?? 0) - wire;
  const run = shape.offset * gap * NECK_RUN;
  const neck =
    shape.offset > 0
      ? [
          { x: neckFrom, z: 0, radius: wire },
          { x: neckFrom - run, z: level, radius: wire },
        ]
      : [];
  const start = hinge ? [{ x: shankFrom - wire / 2, z: 0, radius: 0 }] : [legEnd, knee];
  const shankPoints = bentWire([...start, ...neck, { x: bendX, z: level, radius: 0 }], step);
  const points = shankPoints.slice();
  const turns = Math.max(12, Math.ceil((Math.PI * bendRadius) / step));
  for (let i = 1; i <= turns; i++) {
    const turn = (Math.PI * i) / turns;
    points.push([bendX - bendRadius * Math.sin(turn), 0, level + bendRadius * (1 - Math.cos(turn))]);
  }
  const pieces = Math.max(1, Math.ceil(legLength / step));
  const from = lastOf(points);
  for (let i = 1; i <= pieces; i++)
    points.push([
      from[0] + ((tip[0] - from[0]) * i) / pieces,
      0,
      from[2] + ((tip[2] - from[2]) * i) / pieces,
    ]);

  const harness =
    hinge && bentWire([legEnd, knee, { x: hinge.loop.centre[0] + hinge.loop.radius, z: 0, radius: 0 }], step);
  const wireRadius = wire / 2;
  const top =
    eye.plane === 'in line'
      ? ringCentre[2] + ringRadius + wireRadius
      : ringCentre[2] + ringRadius * along[2] + wireRadius;
  return {
    centre: points,
    legAndShank: harness ?? shankPoints,
    wire,
    eye: { centre: ringCentre, radius: ringRadius, wireRadius, plane: eye.plane, along, top },
    hinge,
    knee: [kneeX, 0, 0],
    bendStart: [bendX, 0, level],
    bendRear: [rearX, 0, level + bendRadius],
    tip,
    length: pathLength(points),
    pointHeight: tip[2],
    shankLevel: level,
    pointLean: shape.lean,
  };
}

/** Loop behind the head, link and the hook's own eye, one behind the other on the shank's line. */
function hingeOf({ kind, size }: NonNullable<HookSpec['joint']>, wire: number, hookEyeRadius: number): Hinge {
  const wireRadius = wire / 2;
  const loopRadius = (size + wire) / 2;
  const loop: Ring = {
    centre: [-(EYE_STAND + wireRadius + loopRadius), 0, 0],
    radius: loopRadius,
    wireRadius,
    turns: 1,
  };
  const behindLoop = loop.centre[0] - loopRadius;
  const link = jointOf(kind).link(size, behindLoop, wireRadius);
  // The hook's eye hangs in the link, or in the loop itself.
  const front = link
    ? link.centre[0] - link.radius + link.wireRadius + wireRadius
    : behindLoop + 3 * wireRadius;
  const hookEye: Ring = {
    centre: [front - hookEyeRadius, 0, 0],
    radius: hookEyeRadius,
    wireRadius,
    turns: 1,
  };
  return { at: [behindLoop, 0, 0], loop, link, hookEye };
}
