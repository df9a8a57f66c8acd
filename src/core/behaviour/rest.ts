import { float64At, triple } from '../numeric/at.ts';
import type { Rig } from '../assembly/rig.ts';
import { submerged } from '../assembly/submerged.ts';
import { GRAVITY, waterDensity } from '../material/water.ts';
import type { Vec3 } from '../numeric/vec.ts';
import { clamp, degrees, dot, norm, radians, scale, sub } from '../numeric/vec.ts';
import type { Flag, Surroundings } from './behaviour.ts';
import { about, behaviour } from './behaviour.ts';
import { fallen } from './fall.ts';
import { OFF_CENTRE, SWING } from './terminal-fall.ts';
import { oncePer } from './once.ts';
import { hanging } from './hang.ts';
import type { RestPose, Resting } from './rest-poses.ts';
import { resting } from './rest-poses.ts';
import { slopesHeld } from './slope-held.ts';

/**
 * Scatter of the attitude a head meets the bottom in, degrees, one standard deviation in pitch and in roll
 * (working value, no source).
 */
const SCATTER = 25;
/** The same where the span of the shares ends, degrees (working values, no source). */
const SCATTERS = [15, 35];
/**
 * Share of the landings that do not stay where they touched: they bounce and tumble on at the speed of the
 * fall, and end as a head does that is let fall any way round. Found by throwing rigid bodies with contact
 * and friction: 0.2 to 0.45 of flat and broad heads (working value; none and half are its span).
 */
const TUMBLED = { usual: 0.3, least: 0, most: 0.5 };
/** How far from level the ground is that a tail is seen over, degrees (working value, no source). */
export const LEVEL_TO = 5;
/** Landings that are tried. */
const LANDINGS = 240;
/** Within this of straight up the point counts as up, degrees. */
const UPRIGHT = 45;

/** How a head stays on a level bottom. */
export interface Rested {
  readonly poses: readonly (RestPose & {
    /** share of the landings from the fall that end in it, those that tumble on included */
    readonly landed: number;
  })[];
  /** the pose most landings from the fall end in */
  readonly usual: RestPose;
  /**
   * shares of landings that end with the point one way, were the fall's attitude or its scatter at the ends
   * of their spans
   */
  readonly shares: (way: PointLies) => readonly number[];
  /** corners that touch, and where the weight acts, in the frame of the body that stands */
  readonly hull: ArrayLike<number>;
  readonly centre: Vec3;
  /** submerged weight on the bottom, N */
  readonly weight: number;
  /**
   * angle of the tail of hook and bait over the level, degrees: of a free hook, where it comes to rest itself
   */
  readonly tailUp: number;
}

/** How a rig rests; undefined where it floats. Found once for a rig and its surroundings. */
export const restOf = oncePer(find);

function find(rig: Rig, around: Surroundings): Rested | undefined {
  const rho = waterDensity(around.water);
  // A free hook weighs on the head at the hinge, wherever it lies.
  const { weight, centre } = hanging(rig, rho);
  if (!(weight > 0)) return undefined;
  const field = resting(rig.bodies[0].hull(), centre);
  const { attitude, attitudes } = fallen(rig, around);
  const ended = (landed: ReadonlyMap<RestPose, number>, tumbled: number) =>
    field.poses.map(
      (pose) => [pose, (1 - tumbled) * (landed.get(pose) ?? 0) + tumbled * pose.share] as const,
    );
  const likely = landings(field, attitude, SCATTER);
  const poses = ended(likely, TUMBLED.usual).map(([pose, landed]) => ({ ...pose, landed }));
  let ends: ReturnType<typeof ended>[] | undefined;
  /** Where landings end at the ends of what is not known; looked for once, and only where it is asked for. */
  const spread = () =>
    (ends ??= [
      ...attitudes.map((pitch) => ended(landings(field, pitch, SCATTER), TUMBLED.usual)),
      ...SCATTERS.map((scatter) => ended(landings(field, attitude, scatter), TUMBLED.usual)),
      ...[TUMBLED.least, TUMBLED.most].map((tumbled) => ended(likely, tumbled)),
    ]);
  const usual = poses.reduce((a, b) => (b.landed > a.landed ? b : a));
  const [, free] = rig.bodies;
  return {
    poses,
    usual,
    shares: (way) => spread().map((end) => shareOf(way, end)),
    hull: field.corners,
    centre,
    weight: (weight / 1000) * GRAVITY,
    tailUp: free ? freeTail(rig, usual.down, rho) : degrees(Math.asin(usual.down[0])),
  };
}

/**
 * Share of landings that end in each pose, 0 to 1, from a fall at a nose-down pitch (degrees) with its
 * scatter (one standard deviation in pitch and in roll, degrees).
 */
export function landings({ landing }: Resting, pitch: number, scatter: number): Map<RestPose, number> {
  const psi = radians(pitch);
  // The direction of the body that points down, and two square to it: in the hook's plane and across it.
  const down: Vec3 = [Math.sin(psi), 0, -Math.cos(psi)];
  const lean: Vec3 = [Math.cos(psi), 0, Math.sin(psi)];
  const shares = new Map<RestPose, number>();
  const turn = Math.PI * (3 - Math.sqrt(5));
  for (let k = 0; k < LANDINGS; k++) {
    // Even quantiles of a normal scatter in two directions.
    const off = radians(scatter) * Math.sqrt(-2 * Math.log(1 - (k + 0.5) / LANDINGS));
    const [a, b] = [off * Math.cos(k * turn), off * Math.sin(k * turn)];
    const [c, s] = [Math.cos(off), off > 0 ? Math.sin(off) / off : 1];
    const direction: Vec3 = [c * down[0] + s * a * lean[0], s * b, c * down[2] + s * a * lean[2]];
    const pose = landing(direction);
    if (pose) shares.set(pose, (shares.get(pose) ?? 0) + 1 / LANDINGS);
  }
  return shares;
}

/** Share of landings that end with the point one way. */
const shareOf = (way: PointLies, landed: readonly (readonly [RestPose, number])[]): number =>
  Math.min(
    1,
    landed.reduce((sum, [{ down }, share]) => sum + (pointLies(down) === way ? share : 0), 0),
  );

/**
 * Angle of a free hook and its bait over the level: one that floats stands up over the hinge, as far as the
 * hinge lets it off the head's own line; a heavy one lies down until its far end touches the bottom.
 */
function freeTail(rig: Rig, down: Vec3, rho: number): number {
  const [, free] = rig.bodies;
  if (!free || !rig.joint) return NaN;
  const { at } = rig.joint;
  if (submerged(free, rho).weight < 0) return Math.min(90, degrees(Math.asin(down[0])) + SWING);
  const points = free.hull();
  let reach = 0;
  for (let i = 0; i < points.length; i += 3) {
    const [x, y, z] = [float64At(points, i), float64At(points, i + 1), float64At(points, i + 2)];
    reach = Math.max(reach, Math.hypot(x - at[0], y - at[1], z - at[2]));
  }
  return -degrees(Math.asin(Math.min(1, floorUnder(rig, down, at) / reach)));
}

/** Height of a point of the head over the floor in a pose, mm. */
function floorUnder(rig: Rig, down: Vec3, point: Vec3): number {
  const hull = rig.bodies[0].hull();
  let lowest = -Infinity;
  for (let i = 0; i < hull.length; i += 3)
    lowest = Math.max(
      lowest,
      dot(down, [float64At(hull, i), float64At(hull, i + 1), float64At(hull, i + 2)]),
    );
  return Math.max(0, lowest - dot(down, point));
}

/** Where the point looks to in a pose. */
export type PointLies = 'up' | 'aside' | 'down';

/**
 * Where the point looks to with this direction of the body down: up and down within 45° of straight, else
 * aside.
 */
export function pointLies(down: Vec3): PointLies {
  const limit = Math.cos(radians(UPRIGHT));
  const up = -down[2];
  return up >= limit ? 'up' : up <= -limit ? 'down' : 'aside';
}

/**
 * A centre moved by a distance, mm: half of it uphill of a way and half of it down, so that the slope held is
 * more by it, or less where it is below zero.
 */
function shifted(centre: Vec3, down: Vec3, way: Vec3, by: number): Vec3 {
  const level = sub(way, scale(down, dot(way, down)));
  const size = norm(level);
  if (size < 1e-12) return centre;
  const [back, low] = [(-by * Math.SQRT1_2) / size, by * Math.SQRT1_2];
  return triple((axis) => centre[axis] + back * level[axis] + low * down[axis]);
}

/**
 * How much more or less a pose must be lifted at most for a millimetre by which its centre is off: its height
 * goes with the centre straight up, the pass's with the way from its edge to the centre, and those two
 * directions part by √(2 (1 − h/h_pass)).
 */
const steepness = ({ height, saddle }: RestPose): number =>
  Math.sqrt(2 * clamp(saddle > 0 ? 1 - height / saddle : 1, 0, 2));

/** How it stays on the bottom. */
export const rest = behaviour({
  key: 'rest',
  needs: 'a moment later',
  readings: {
    'rest.hookUp': {
      name: 'Comes to rest point up',
      quantity: 'share',
      unit: '1',
      kind: 'model',
      group: 'On the bottom',
      formula: '0.7 Σ landings + 0.3 Σ any way round, with ∠(point, up) ≤ 45°',
      note:
        'Share of landings from the fall, its attitude scattered by 25° (working value), that end ' +
        'with the point within 45° of straight up, on a level hard bottom in still water. Basins ' +
        'of h(n) = max n·(p − c*) on the hull of head, hook and the part of the bait that carries ' +
        '(Goldberg and others 1999). Three in ten tumble on and end as if let fall any way round ' +
        '(working value, from thrown rigid bodies with contact and friction). Fibres and soft ' +
        'tails give way. The span is a scatter of 15 to 35°, that of the attitude, and none to ' +
        'half of them tumbling on.',
      compared: true,
      decides: true,
    },
    'rest.onSide': {
      name: 'Comes to rest on its side',
      quantity: 'share',
      unit: '1',
      kind: 'model',
      group: 'On the bottom',
      formula: 'the same with 45° < ∠(point, up) < 135°',
      note: 'As before, with the point nearer to level than to upright.',
      compared: true,
    },
    'rest.pointDown': {
      name: 'Comes to rest point down',
      quantity: 'share',
      unit: '1',
      kind: 'model',
      group: 'On the bottom',
      formula: 'the same with ∠(point, up) ≥ 135°',
      note: 'As before, with the point to the bottom.',
    },
    'rest.knock': {
      name: 'Energy to tip it over',
      quantity: 'number',
      unit: 'mJ',
      decimals: 3,
      kind: 'model',
      group: 'On the bottom',
      formula: 'W (h_pass − h)',
      note:
        'Work to lift the effective centre over the lowest pass out of the pose most landings end ' +
        'in. Below a hundredth of its height it is none. Absent where there is no other pose. The ' +
        'span is a centre off by 3% of the length (working value).',
      compared: true,
    },
    'rest.slopeSide': {
      name: 'Slope held sideways',
      quantity: 'angle',
      unit: '°',
      kind: 'model',
      group: 'On the bottom',
      formula: 'max atan(h′/h)',
      note:
        'Steepest slope across the hook’s plane on which the usual pose is held before it rolls ' +
        'over, the lesser of both sides; rolling only, friction holds it. The span is a centre ' +
        'off by 3% of the length (working value).',
      compared: true,
    },
    'rest.slopeNose': {
      name: 'Slope held, nose downhill',
      quantity: 'angle',
      unit: '°',
      kind: 'model',
      group: 'On the bottom',
      formula: 'max atan(h′/h)',
      note: 'The same where the bottom falls away towards the nose.',
    },
    'rest.slopeTail': {
      name: 'Slope held, tail downhill',
      quantity: 'angle',
      unit: '°',
      kind: 'model',
      group: 'On the bottom',
      formula: 'max atan(h′/h)',
      note: 'The same where the bottom falls away towards the tail.',
    },
    'rest.tailUp': {
      name: 'Tail over the bottom',
      quantity: 'angle',
      unit: '°',
      kind: 'model',
      group: 'On the bottom',
      formula: 'asin(n · x)',
      note:
        'Angle of the shank’s tail end over the level in the usual pose; of a free hook with its ' +
        'bait, the angle it rises to over the hinge (at most 110°, working value) where it ' +
        'floats, or lies at where it sinks. The span is ground that is level to 5° (working ' +
        'value).',
      compared: true,
    },
  },
  read(rig, around) {
    const found = restOf(rig, around);
    if (!found) return {};
    const { poses, usual, shares, hull, centre, weight, tailUp } = found;
    const share = (way: PointLies) =>
      about(
        shareOf(
          way,
          poses.map((pose) => [pose, pose.landed]),
        ),
        shares(way),
      );
    // Standing on its nose or tail it has no level of its own: the hook's side is taken for it.
    const isEndOn = Math.abs(usual.down[0]) > 0.98;
    const nose: Vec3 = isEndOn ? [0, 0, 1] : [1, 0, 0];
    const tail: Vec3 = isEndOn ? [0, 0, -1] : [-1, 0, 0];
    const side: Vec3 = Math.abs(usual.down[1]) > 0.98 ? [0, 0, 1] : [0, 1, 0];
    // How far the centre of weight may be off, either way along a slope and over it.
    const off = OFF_CENTRE * rig.profile.length;
    const held = (...ways: Vec3[]) => {
      const slopes = ways.map((way) => [way, slopesHeld(hull, usual, way)] as const);
      const least = (share: number) =>
        Math.min(...slopes.map(([way, held]) => held(shifted(centre, usual.down, way, share * off))));
      return about(least(0), [least(-1), least(1)]);
    };
    const other: Vec3 = [-side[0], -side[1], -side[2]];
    const knock = weight * (usual.saddle - usual.height);
    return {
      'rest.hookUp': share('up'),
      'rest.onSide': share('aside'),
      'rest.pointDown': share('down'),
      'rest.knock': Number.isFinite(knock)
        ? about(
            knock,
            [-1, 1].map((share) => Math.max(0, knock + share * weight * off * steepness(usual))),
          )
        : undefined,
      'rest.slopeSide': held(side, other),
      'rest.slopeNose': held(nose),
      'rest.slopeTail': held(tail),
      'rest.tailUp': about(tailUp, [tailUp - LEVEL_TO, tailUp + LEVEL_TO]),
    };
  },
  flags(_rig, value): Flag[] {
    if (!(value('rest.pointDown') > 0.5)) return [];
    return [
      {
        level: 'care',
        code: 'rest.pointDown',
        path: '/head',
        text:
          'Rest: it mostly comes to rest with the point to the bottom, where it catches. Lower the ' +
          'centre, or broaden the sole.',
        brief: 'rests point down',
      },
    ];
  },
});
