import { marked } from '../quantity/phrase.ts';
import type { Assembly } from '../build/assemble.ts';
import type { PartName } from '../build/assemble.ts';
import { metalPart, totalMass } from '../build/assemble.ts';
import { checkDesign, checkNames } from '../build/check.ts';
import type { Design, Problem } from '../document/design.ts';
import { bareHead, isPlain, profileExtent, reachAt, widestOf } from '../head/body.ts';
import { columnBulk } from '../head/columns.ts';
import { revolveSurface } from '../head/revolve.ts';
import { SHADOW } from '../behaviour/wet-body.ts';
import { HOLD_REFERENCE } from '../fitting/keepers/index.ts';
import { massProperties } from '../head/mesh.ts';
import { surfaceMesh } from '../head/solid.ts';
import { DRAWING } from '../head/loft.ts';
import { makingFlags, wireWall } from '../behaviour/making.ts';
import type { Metal } from '../material/metals.ts';
import { METALS } from '../material/metals.ts';
import type { Water } from '../material/water.ts';
import { waterDensity } from '../material/water.ts';
import type { Reading, ReadingId, Readings } from './readings.ts';
import { reading } from './readings.ts';
import { solveTarget } from '../build/solve.ts';
import type { Fall } from '../behaviour/fall.ts';
import { fall } from '../behaviour/fall.ts';
import { submerged } from '../behaviour/submerged.ts';
import { hangingCentre } from '../behaviour/hang.ts';
import { hangAttitude } from '../behaviour/hang.ts';

/** What surrounds a design while it is judged. */
export interface Surroundings {
  readonly water: Water;
  /** depth fallen to, m */
  readonly depth: number;
  /** the metals store; the reference list where absent */
  readonly metals?: readonly Metal[];
}

/** Fresh water at 15 °C, 3 m deep: what a design is judged in where no brief says otherwise. */
export const PLAIN_WATER: Surroundings = { water: { temperature: 15, salinity: 0 }, depth: 3 };

/** Something a maker or buyer should know at once. */
export interface Flag {
  readonly level: 'stop' | 'care' | 'note';
  readonly path: string;
  readonly text: string;
}

export type Evaluation =
  | {
      readonly ok: true;
      /** the design with the sizes that meet its weight target */
      readonly design: Design;
      readonly assembly: Assembly;
      readonly readings: Readings;
      readonly flags: readonly Flag[];
    }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/**
 * Share by which the fall may be off either way. A ball's drag is known to 6%, which is 3% of speed, and its hook adds to that;
 * for other heads published forms differ by up to 27% in drag, which is 13% of speed.
 */
const FALL_SPREAD = { ball: 0.07, other: 0.13 };

/** Height of the point above the eye that gives a sure bite: 1/4 in, less on hooks too small for it, mm (common practice, no source). */
export const sureBite = (gap: number): number => Math.min(6.35, 0.5 * gap);

/** A design in its surroundings, judged: document in, flat record of readings and flags out. Never throws for a document of the schema's shape. */
export function evaluate(design: Design, surroundings: Surroundings = PLAIN_WATER): Evaluation {
  const metals = surroundings.metals ?? METALS;
  const unknown = checkNames(design, metals);
  if (unknown.length > 0) return { ok: false, problems: unknown };
  const solved = solveTarget(design, metals);
  if (!solved.ok) return { ok: false, problems: [solved.problem] };
  // Only the solved sizes count: a target may rescue ones that do not fit the hook yet.
  const unfit = checkDesign(solved.design, metals);
  if (unfit.length > 0) return { ok: false, problems: unfit };

  const { assembly, scale } = solved;
  if (!assembly.parts.every((part) => Number.isFinite(part.mass) && part.mass > 0)) {
    const message =
      'Head: no metal is left once the wire and the holes are taken out. Make the head larger or the hook smaller.';
    return { ok: false, problems: [{ path: '/head/dimensions', message }] };
  }
  const rho = waterDensity(surroundings.water);
  const wet = submerged(assembly, rho);
  const falling = fall(assembly, surroundings.water);
  const readings = readingsOf(assembly, scale, wet, falling, surroundings.depth, rho);
  return {
    ok: true,
    design: solved.design,
    assembly,
    readings,
    flags: flagsOf(solved.design, assembly, readings),
  };
}

function readingsOf(
  assembly: Assembly,
  scale: number,
  wet: ReturnType<typeof submerged>,
  falling: Fall,
  depth: number,
  rho: number,
): Readings {
  const { profile, hook, parts, measures, guard, keeper } = assembly;
  const metal = metalPart(assembly);
  const surface = surfaceOf(assembly);
  const total = totalMass(assembly);
  const centre = (axis: 0 | 2) =>
    parts.reduce((sum, part) => sum + part.mass * part.centroid[axis], 0) / total;
  const sizes = extent(assembly);
  const massOf = (name: PartName) => parts.find((part) => part.name === name)?.mass;
  const share = assembly.family.key === 'ball' ? FALL_SPREAD.ball : FALL_SPREAD.other;
  const spread = (value: number): readonly [number, number] => [value * (1 - share), value * (1 + share)];
  const time = falling.timeTo(depth);

  const values: Partial<Record<ReadingId, number | undefined>> = {
    'head.castVolume': metal.volume,
    'head.length': profile.length,
    'head.breadth': sizes.breadth,
    'head.height': sizes.height,
    'head.surface': surface.area,
    'head.sphericity': surface.sphericity,
    'head.scale': scale,
    'mass.metal': metal.mass,
    'mass.total': total,
    'mass.hook': massOf('hook'),
    'mass.keeper': massOf('keeper'),
    'mass.guard': massOf('guard'),
    'mass.joint': massOf('joint'),
    'mass.paint': massOf('paint'),
    'mass.submerged': wet.weight,
    'mass.centreX': centre(0),
    'mass.centreZ': centre(2),
    'mass.rollInertia': (surface.roll * assembly.density) / 1000,
    'hook.gap': hook.tip[2] - hook.shankLevel - hook.wire,
    'hook.throat': hook.tip[0] - hook.bendRear[0] - hook.wire / 2,
    'hook.wire': measures.wire,
    'hook.biteAboveEye': hook.pointHeight - hook.eye.top,
    'hook.pointDirection': hook.pointLean,
    'hook.shankOutside': -hook.bendRear[0],
    'hook.wireInside': assembly.wireInside,
    'hook.wall': wireWall(assembly),
    'keeper.insertion': keeper && keeper.insertion > 0 ? keeper.insertion : undefined,
    'keeper.diameter': keeper && keeper.diameter > 0 ? keeper.diameter : undefined,
    'keeper.hold': keeper ? keeper.holdArea / HOLD_REFERENCE : undefined,
    'cost.metal': (metal.mass / 1000) * assembly.metal.price,
    'eye.angle': Math.round((Math.atan2(hook.eye.along[2], hook.eye.along[0]) * 180e9) / Math.PI) / 1e9,
    'eye.x': hook.eye.centre[0],
    'eye.z': hook.eye.centre[2],
    'guard.overPoint': guard?.overPoint,
    'guard.pastPoint': guard?.pastPoint,
    'hang.attitude': hangAttitude(hook.eye.centre, hangingCentre(assembly, rho)),
  };
  const readings: Partial<Record<ReadingId, Reading>> = {};
  for (const [id, value] of Object.entries(values) as [ReadingId, number | undefined][]) {
    if (value !== undefined) readings[id] = reading(id, value);
  }
  readings['fall.speed'] = reading('fall.speed', falling.speed, spread(falling.speed));
  readings['fall.attitude'] = reading('fall.attitude', falling.attitude);
  if (Number.isFinite(time)) readings['fall.timeToDepth'] = reading('fall.timeToDepth', time, spread(time));
  return readings;
}

/** Surface with collar (mm²), sphericity without it, and roll moment ∫(y² + z²) dV about the line through the centre along the shank (mm⁵). */
function surfaceOf({ head, collar }: Assembly): { area: number; sphericity: number; roll: number } {
  const round = ({ volume, area }: { volume: number; area: number }) =>
    Math.min(1, (Math.cbrt(Math.PI) * (6 * volume) ** (2 / 3)) / area);
  const bare = massProperties(surfaceMesh(bareHead(head), collar ? SHADOW : DRAWING));
  if (isPlain(head) && collar) {
    const whole = massProperties(surfaceMesh(head, DRAWING));
    return { area: whole.area, sphericity: round(bare), roll: whole.inertia[0] };
  }
  if (isPlain(head) || head.mesh) {
    return {
      area: bare.area + (collar ? revolveSurface(collar) : 0),
      sphericity: round(bare),
      roll: bare.inertia[0],
    };
  }
  const worked = columnBulk(head.profile, head.shapes);
  return {
    area: bare.area + (collar ? revolveSurface(collar) : 0),
    sphericity: round(bare),
    roll: worked.roll - worked.volume * worked.centroid[2] ** 2,
  };
}

/** Greatest sizes of a body over its length, fins and flats included, mm; the height is from its lowest to its highest, wherever they are. */
export function extent({ profile, head }: Pick<Assembly, 'profile' | 'head'>) {
  const { half, rise, drop } = profileExtent(profile);
  if (head.shapes.every(({ feature }) => feature === 'collar' || feature === 'slot' || feature === 'recess'))
    return { breadth: 2 * half, height: rise + drop, rise, drop };
  // What cuts leave of it: read from the columns, on the ridge and off it.
  let [top, bottom, wide] = [0, 0, 0];
  const widest = widestOf(head);
  const places = [
    ...profile.breaks,
    ...Array.from({ length: 47 }, (_, i) => (profile.length * (i + 1)) / 48),
  ];
  for (const at of places) {
    const x = Math.min(profile.length * (1 - 1e-6), Math.max(profile.length * 1e-6, at));
    let [up, down] = [0, 0];
    for (let j = 0; j < 10; j++) {
      const spans = head.spans(x, (half * j) / 10);
      up = Math.max(up, spans.at(-1) ?? 0);
      down = Math.max(down, -(spans[0] ?? 0));
    }
    top = Math.max(top, up);
    wide = Math.max(wide, reachAt(head, x, widest));
    bottom = Math.max(bottom, down);
  }
  return { breadth: 2 * wide, height: top + bottom, rise: top, drop: bottom };
}

function flagsOf(design: Design, assembly: Assembly, readings: Readings): Flag[] {
  const flags: Flag[] = [];
  const add = (level: Flag['level'], path: string, text: string) => flags.push({ level, path, text });
  const value = (id: ReadingId) => readings[id]?.value ?? NaN;
  const { metal, hook } = assembly;

  if (value('mass.submerged') <= 0)
    add('stop', '/head', 'It floats in this water: there is no fall and no bottom contact.');
  flags.push(...makingFlags(design, assembly, value('hook.wall')));
  const bite = value('hook.biteAboveEye');
  const sure = sureBite(value('hook.gap'));
  if (bite < 0) add('stop', '/eye', `The eye stands ${marked((-bite), 'size')} above the point: the line meets the fish before the hook does. Lean the eye forward or take a larger hook.`); // prettier-ignore
  else if (bite < sure) add('care', '/eye', `The point is only ${marked(bite, 'size')} above the eye; about ${marked(sure, 'size')} is wanted for a sure bite (common practice).`); // prettier-ignore
  const { guard } = assembly;
  if (guard && guard.overPoint < -1) {
    add('care', '/guard/length', `The guard ends ${marked((-guard.overPoint), 'size')} below the point. Lengthen the fibres or lean the guard further back.`); // prettier-ignore
  }
  if (guard && guard.pastPoint > 0.35 * hook.pointHeight) {
    add(
      'care',
      '/guard',
      'The guard crosses well behind the point and leaves it bare. Set its base back, or lean it up more.',
    );
  }
  if (guard && guard.pastPoint < -hook.pointHeight) {
    add(
      'care',
      '/guard',
      'The guard passes far in front of the point. Lean it back more, or set its base back.',
    );
  }
  if (metal.key.startsWith('lead')) add('note', '/head/metal', metal.caution);
  return flags;
}
