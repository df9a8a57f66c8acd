import { itemAt } from '../numeric/at.ts';
import { withBait } from '../assembly/assemble.ts';
import type { Rig } from '../assembly/rig.ts';
import { usualBait } from '../assembly/usual-bait.ts';
import { collarOutline } from '../head/outline.ts';
import { sightOf } from '../head/surface.ts';
import { GRAVITY, waterDensity, waterViscosity } from '../material/water.ts';
import { steadyNear, steadyPlaces } from '../numeric/steady.ts';
import type { Vec2, Vec3 } from '../numeric/vec.ts';
import { clamp, degrees, radians } from '../numeric/vec.ts';
import type { Surroundings } from './behaviour.ts';
import { fishingOf } from './fishing.ts';
import { hanging } from './hang.ts';
import { oncePer } from './once.ts';
import type { Flat } from './outline.ts';
import { hull2, touchdown, turned } from './outline.ts';
import type { RestPose } from './rest-poses.ts';
import { restOf } from './rest.ts';
import { viewsOf } from './views.ts';
import type { Roll } from './wet-body.ts';
import { dragAt, rolled, rolledOver, wetHead, wetHook } from './wet-body.ts';

/** Steps in which a rolling head's balance is looked at, rad: 3°. */
const ROLLED = Math.PI / 60;

/** How a head is dragged: in the side view, forward and up from its eye, mm. */
export interface Dragged {
  /** nose-down pitch, degrees */
  readonly pitch: number;
  /** angle of the line over the level at the head, degrees */
  readonly line: number;
  /** outline of the head's metal, counter-clockwise, forward and up from the eye */
  readonly outline: Flat;
  /** of all that can touch, likewise */
  readonly hull: Flat;
  /** outline of the metal from above, counter-clockwise, forward and to the left from the rear face */
  readonly above: Flat;
  /**
   * the wire's centre line from the eye to the point, likewise, and the plastic's outline where one is on it
   */
  readonly wire: Flat;
  readonly bait: Flat | undefined;
  /** name of the plastic it is commonly fished with, where it is told with that because it bears none */
  readonly usually: string | undefined;
  /** how far it is rolled over to a side, degrees: 0 point up, 90 on its side */
  readonly roll: number;
  /** of the bottom below the eye, mm */
  readonly floor: number;
}

/**
 * Elevation of a straight line from head to rod, degrees: depth and the rod's height over the line that is
 * out.
 */
export function lineAngle(depth: number, rodHeight: number, lineOut: number): number {
  return degrees(Math.asin(clamp((depth + rodHeight) / lineOut, 0, 1)));
}

/**
 * Speed at which a head is dragged over the bottom, m/s: slowly (common practice, no source). What current
 * there is comes on top.
 */
const DRAGGED_AT = 0.2;

/**
 * A rig as it is dragged: with what it is usually fished with, where it is made to hold a plastic and bears
 * none.
 */
const fished = oncePer((rig): Rig => {
  const bait = usualBait(rig);
  return bait ? withBait(rig, bait) : rig;
});

/**
 * Pull of a line and what the water does, forward and up, N, with the water's moment about the eye, N·mm,
 * nose down positive.
 */
interface Load {
  readonly force: Vec2;
  readonly moment: number;
}

/**
 * What of a rig does not hang on the line or the ground: how it lies before it is pulled, in one of the poses
 * it rests in. Undefined where it floats.
 */
function lyingIn(rig: Rig, around: Surroundings, { down }: RestPose) {
  const rho = waterDensity(around.water);
  const viscosity = waterViscosity(around.water);
  const { weight: grams, centre } = hanging(rig, rho);
  if (!(grams > 0)) return undefined;
  const weight = (grams / 1000) * GRAVITY;
  // Rolled so that what points down there lies in the plane it is dragged in.
  const across = Math.hypot(down[1], down[2]);
  const isUpright = across < END_ON || (down[2] < 0 && Math.abs(down[1]) < AS_UPRIGHT * across);
  const roll: Roll = isUpright ? { cos: 1, sin: 0 } : { cos: -down[2] / across, sin: -down[1] / across };
  const eye = rolled(rig.places.eye, roll);
  const fromEye = ([x, z]: Vec2): Vec2 => [x - eye[0], z - eye[2]];
  const { side, top } = isUpright ? viewsOf(rig.head) : viewsRolled(rig, roll);
  const metal = hull2(side.map(fromEye));
  const outline = hull2([
    ...metal,
    ...seenRolled(rig.bodies[0].besides(), roll, 2).map(fromEye),
    ...(rig.collar ? collarOutline(rig.collar) : []).map(fromEye),
  ]);
  const weightIn = rolled(centre, roll);
  const weightAt = fromEye([weightIn[0], weightIn[2]]);
  const wet = rolledOver(wetHead(rig), roll);
  const speed = DRAGGED_AT + fishingOf(around).current;
  const free =
    rig.bodies[1] && rig.joint ? { wet: wetHook(rig.bodies[1], rig), at: rig.joint.at } : undefined;
  // A free hook trails level behind its hinge.
  const trailing = free ? dragAt(free.wet, free.at, Math.PI / 2, speed, rho, viscosity) : undefined;
  const water = (pitch: number): Load => {
    const own = dragAt(wet, eye, pitch + Math.PI / 2, speed, rho, viscosity);
    const [hingeAt, hingeUp] = free ? turned(pitch, fromEye([free.at[0], free.at[2]])) : [0, 0];
    const behind = trailing ? trailing.force : 0;
    const lifted = trailing ? trailing.lift : 0;
    return {
      force: [-own.force - behind, own.lift + lifted],
      moment: own.moment - behind * hingeUp - lifted * hingeAt,
    };
  };
  // Where the weight acts, forward of and above what carries it.
  const overFoot = (pitch: number, [footAt, foot] = touchdown(outline, pitch)): Vec2 => {
    const [at, up] = turned(pitch, weightAt);
    return [at - footAt, up - foot];
  };
  // Moments about where it touches, nose down positive, under forces at the eye forward and up, N, and a
  // moment about it.
  const moment =
    (pulled: (pitch: number) => Load) =>
    (pitch: number): number => {
      const foot = touchdown(outline, pitch);
      const [ahead] = overFoot(pitch, foot);
      const {
        force: [forward, up],
        moment: about,
      } = pulled(pitch);
      return weight * ahead + forward * -foot[1] - up * -foot[0] + about;
    };
  const rested = steadyNear(moment(STILL), Math.asin(clamp(down[0], -1, 1)), {
    step: ROLLED,
    count: Math.PI / ROLLED,
    halvings: 14,
  });
  const inView = (place: Vec3): Vec2 => {
    const [x, , z] = rolled(place, roll);
    return fromEye([x, z]);
  };
  const wire = rig.hook.centre.map(inView);
  const bait =
    rig.bait &&
    hull2(
      rig.bait.laid.body.flatMap(({ at: [x, z], halfHeight, halfBreadth }): Vec2[] => {
        const [atX, atZ] = inView([x, 0, z]);
        // Seen aslant it is as high as its section there.
        const half = Math.hypot(halfHeight * roll.cos, halfBreadth * roll.sin);
        return [
          [atX, atZ + half],
          [atX, atZ - half],
        ];
      }),
    );
  const lean = degrees(Math.abs(Math.atan2(roll.sin, roll.cos)));
  return {
    weight,
    metal,
    outline,
    above: hull2(top),
    moment,
    water,
    rested,
    wire,
    bait,
    lean,
    plastic: rig.bait?.plastic.name,
  };
}

type Lying = NonNullable<ReturnType<typeof lyingIn>>;

/** Nothing pulls. */
const STILL = (): Load => ({ force: [0, 0], moment: 0 });
/** Share of straight down along the shank from which on a pose has no side that is down. */
const END_ON = 0.05;
/** How far over to a side it may lean and count as upright, as a sine: five degrees. */
const AS_UPRIGHT = 0.087;

/** Places seen from the side or from above once the body is rolled. */
function seenRolled(points: ArrayLike<number>, roll: Roll, axis: 1 | 2): Vec2[] {
  const seen: Vec2[] = [];
  for (let i = 0; i < points.length; i += 3) {
    const place = rolled([itemAt(points, i), itemAt(points, i + 1), itemAt(points, i + 2)], roll);
    seen.push([place[0], place[axis]]);
  }
  return seen;
}

/** Views of the bare metal of a rolled rig. */
function viewsRolled({ head }: Rig, roll: Roll) {
  const { positions } = sightOf(head).mesh;
  return { side: seenRolled(positions, roll, 2), top: seenRolled(positions, roll, 1) };
}

/**
 * What a rig is fished with, as it lies in the pose most landings end in, and in others that a good part of
 * them do; none where it floats.
 */
const lying = oncePer((rig, around) => {
  const worn = fished(rig, around);
  const rested = restOf(worn, around);
  if (!rested) return [];
  const others = rested.poses.filter((pose) => pose.landed >= OFTEN && !isSame(pose, rested.usual));
  return [rested.usual, ...others].flatMap((pose) => lyingIn(worn, around, pose) ?? []);
});

/**
 * Share of landings from which on a pose that is not the usual one is reckoned with (working value, no
 * source).
 */
const OFTEN = 0.2;
/** Whether two poses are one, or its mirror image. */
const isSame = (a: RestPose, b: RestPose): boolean =>
  Math.hypot(a.down[0] - b.down[0], a.down[2] - b.down[2]) < 0.05;

/**
 * Head dragged over a level bottom as it is fished, in the pose it mostly comes to rest in: pull T = (μ (W −
 * L) + D)/(cos θ + μ sin θ) at the eye, weight at the effective centre, drag D and lift L of head and bait at
 * a slow pull, friction and support where it touches. It lies as its landings leave it, on its side too, its
 * shank behind the line, and rolls on over nose and tail from there until all of these balance. `friction`:
 * other than that of its surroundings. Undefined where it floats.
 */
export function draggedOver(
  rig: Rig,
  around: Surroundings,
  friction = fishingOf(around).friction,
): Dragged | undefined {
  const [usual] = lying(rig, around);
  return usual && draggedFrom(usual, rig, around, friction);
}

/** The same from every pose that a good part of the landings end in, the usual one first. */
export const draggings = (rig: Rig, around: Surroundings, friction: number): Dragged[] =>
  lying(rig, around).map((lies) => draggedFrom(lies, rig, around, friction));

function draggedFrom(lies: Lying, rig: Rig, around: Surroundings, friction: number): Dragged {
  const { rodHeight, lineOut } = fishingOf(around);
  const line = lineAngle(around.depth, rodHeight, lineOut);
  const [c, s] = [Math.cos(radians(line)), Math.sin(radians(line))];
  const { weight, metal, outline, moment, water, rested } = lies;
  const pulled = (pitch: number): Load => {
    const { force, moment: about } = water(pitch);
    const pull = (friction * Math.max(0, weight - force[1]) - force[0]) / (c + friction * s);
    return { force: [force[0] + pull * c, force[1] + pull * s], moment: about };
  };
  const pitch = rolledTo(moment(pulled), rested);
  const inPose = (points: Flat) => points.map((point) => turned(pitch, point));
  const hull = inPose(outline);
  return {
    pitch: degrees(pitch),
    roll: lies.lean,
    usually: rig.bait ? undefined : lies.plastic,
    line,
    outline: inPose(metal),
    hull,
    wire: inPose(lies.wire),
    bait: lies.bait && inPose(lies.bait),
    above: lies.above,
    floor: Math.min(...hull.map(([, z]) => z)),
  };
}

/**
 * Where a body turns to from a pitch, the way its moment turns it, rad; the pitch itself where nothing ever
 * holds it.
 */
function rolledTo(moment: (pitch: number) => number, from: number): number {
  const way = Math.sign(moment(from));
  if (way === 0) return from;
  const [first] = steadyPlaces((turn) => way * moment(from + way * turn), {
    from: 0,
    step: ROLLED,
    count: Math.ceil((2 * Math.PI) / ROLLED),
    halvings: 14,
  });
  return first === undefined ? from : from + way * first;
}
