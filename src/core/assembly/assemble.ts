import { itemAt, lastOf } from '../numeric/at.ts';
import { Box3, Line3, Vector3 } from 'three';
import { rigidBodies } from './bodies.ts';
import { methodOf } from '../rigging/methods/index.ts';
import type { Known } from './known.ts';
import { lookUp } from './known.ts';
import type { Bait, Part, Rig, RiggedBait } from './rig.ts';
import { layOnHead, seatOf } from '../rigging/lay.ts';
import type { Ring } from '../hook/ring.ts';
import type { Design } from '../document/design.ts';
import type { GuardBody } from '../fitting/guards/guard.ts';
import { guardBody } from '../fitting/guards/index.ts';
import type { KeeperBody } from '../fitting/keepers/keeper.ts';
import { keeperBody, keeperOf } from '../fitting/keepers/index.ts';
import type { HeadBody } from '../head/body.ts';
import { headBody } from '../head/body.ts';
import { growBulk, wholeBulk } from '../head/bulk.ts';
import { completeDimensions } from '../head/family.ts';
import { recess } from '../head/features/recess.ts';
import { roughArea } from '../head/surface.ts';
import type { Profile } from '../head/profile.ts';
import type { Bulk, RollingBulk } from '../head/quadrature.ts';
import { soldGap } from '../hook/chart.ts';
import type { HookPath } from '../hook/path.ts';
import { eyeRadius, hookPath, legDirection } from '../hook/path.ts';
import { torusVolume, wholeWire, wireWithin } from '../hook/wire.ts';
import type { Metal } from '../material/metals/metal.ts';
import { STEEL_DENSITY } from '../material/densities.ts';
import { METALS } from '../material/metals/index.ts';
import { findRoot } from '../numeric/root.ts';
import type { Vec3 } from '../numeric/vec.ts';
import { norm, scale, sub } from '../numeric/vec.ts';

/** A body that another is like, and how much larger that is in every length. */
export interface Grown {
  readonly from: HeadBody;
  readonly factor: number;
}

/** Room around a recessed eye's ring for line and knot, mm (common practice, no source). */
const KNOT_ROOM = 0.6;

/**
 * Builds a design with the dimensions it names (no weight target is met here; see `solveTarget`). The
 * document must have passed `checkDesign`; throws where it names a family, metal or hook that does not
 * exist.
 */
export function assemble(design: Design, metals: readonly Metal[] = METALS): Rig {
  const looked = lookUp(design, metals);
  if (!looked.ok) throw new Error('The design names a family, metal or hook that is not known.');
  return build(design, looked.known);
}

/**
 * The same of a design whose names are looked up. `like` is a body whose lengths it has all grown by a
 * factor, where it does.
 */
export function build(design: Design, known: Known, like?: Grown): Rig {
  const placed = placedParts(design, known);
  const { head, hook, keeper, guard } = placed;
  if (like) growBulk(head, like.from, like.factor);
  const body = wholeBulk(head);
  const holes = holesIn(placed);
  const metal = metalLeft(body, holes);
  const density = design.head.density ?? known.metal.density;
  const parts: Part[] = [
    {
      name: 'metal',
      material: known.metal.key,
      mass: (density * metal.volume) / 1000,
      volume: metal.volume,
      centroid: metal.centroid,
    },
    hookPart(hook),
    ...(hook.hinge ? [jointPart(hook, hook.hinge)] : []),
    ...(keeper && keeper.wires.length > 0 ? [keeperPart(keeper)] : []),
    ...(guard ? [guardPart(guard)] : []),
    ...(design.head.paint ? [paintPart(design.head.paint, head, body)] : []),
  ];
  return {
    ...placed,
    bodies: rigidBodies(placed, parts),
    parts,
    ...told(design, known, placed),
    density,
    scale: 1,
    body,
    roll: metal.roll,
    wireInside: holes.wire.volume,
    otherInside: (holes.keeper?.volume ?? 0) + (holes.guard?.volume ?? 0),
  };
}

/** Where head, hook, keeper and guard are, and the solid each of them is. */
function placedParts(design: Design, { family, measures }: Known) {
  const dimensions = completeDimensions(family, design.head.dimensions, design.head);
  const profile = family.profile(dimensions, design.head);
  const keeper = keeperBody(design.keeper, { profile, wire: measures.wire });
  const collar = keeper?.cast;
  const knee = profile.length * (1 - design.eye.setback);
  const legInside = legLengthInside(profile, knee, design.eye.angle);
  const hook = hookPath(measures, design.hook, design.eye, {
    knee,
    legInside,
    straight: collar ? -collar.from : 0,
  });
  const pocket = design.eye.recess
    ? [recess(hook.eye.centre, eyeRadius(design.eye, measures.wire) + measures.wire / 2 + KNOT_ROOM, profile)]
    : [];
  const head = headBody(family, design.head, dimensions, { collar, wire: measures.wire, after: pocket });
  const guard = guardBody(design.guard, {
    length: profile.length,
    crown: crownOf(head),
    tip: hook.tip,
    holds: head.holds,
  });
  return {
    dimensions,
    head,
    profile,
    collar,
    hook,
    keeper,
    keeping: keeperOf(design.keeper.kind),
    guard,
    bait: undefined,
  };
}
type PlacedParts = ReturnType<typeof placedParts>;

/** What hook, keeper and guard take out of the metal. */
function holesIn({ hook, head: { holds }, keeper, guard }: PlacedParts) {
  return {
    // Only leg and shank can lie in metal: `checkDesign` keeps the bend behind head and collar.
    wire: wireWithin(hook.legAndShank, hook.wire / 2, holds),
    keeper: keeper?.anchor && wireWithin(keeper.anchor.path, keeper.anchor.diameter / 2, holds),
    // Where the guard's hole runs into the hook, that metal is gone already.
    guard:
      guard &&
      wireWithin(
        guard.bore,
        guard.bundleRadius,
        besides(hook.legAndShank, hook.wire / 2, guard, holds),
        true,
      ),
  };
}

/** The metal of a body less its holes: volume, centre, and roll moment about its own centre. */
function metalLeft(
  body: RollingBulk,
  { wire, keeper, guard }: ReturnType<typeof holesIn>,
): { volume: number; centroid: Vec3; roll: number } {
  const pieces = [
    { ...body, sign: 1 },
    ...[wire, keeper, guard].filter((hole) => hole !== undefined).map((hole) => ({ ...hole, sign: -1 })),
  ];
  const volume = pieces.reduce((sum, piece) => sum + piece.sign * piece.volume, 0);
  const moment = (axis: 0 | 1 | 2) =>
    pieces.reduce((sum, piece) => sum + piece.sign * piece.volume * piece.centroid[axis], 0) / volume;
  const centroid: Vec3 = [moment(0), moment(1), moment(2)];
  const roll =
    pieces.reduce((sum, piece) => sum + piece.sign * piece.roll, 0) -
    volume * (centroid[1] ** 2 + centroid[2] ** 2);
  return { volume, centroid, roll };
}

/** What a rig tells of its design besides its masses. */
function told(design: Design, { family, metal, measures }: Known, { hook, head, keeping }: PlacedParts) {
  const detail = keeping.detail?.(design.keeper);
  return {
    joint: hook.hinge && design.hook.joint && { kind: design.hook.joint.kind, at: hook.hinge.at },
    places: {
      eye: hook.eye.centre,
      point: hook.tip,
      seat: [seatOf({ family, hook }), 0, 0] satisfies Vec3,
    },
    family,
    castName: keeping.castName ?? '',
    skirt: design.skirt,
    drag: design.drag,
    measures,
    soldGap: soldGap(design.hook) ?? measures.gap,
    isHookMeasured: design.hook.measured !== undefined,
    metal,
    pieces: design.head.pieces ?? 1,
    details: [
      ...head.shapes.flatMap((shape) => (shape.detail ? [shape.detail] : [])),
      ...(detail ? [detail] : []),
    ],
  };
}

/** The rig with a plastic laid on it, which moves with the hook. */
export function withBait(rig: Rig, { plastic, method }: Bait): Rig {
  const laid = layOnHead(rig, plastic, methodOf(method));
  const part: Part = {
    name: 'plastic',
    material: 'plastic',
    mass: (laid.density * laid.volume) / 1000,
    volume: laid.volume,
    centroid: laid.centre,
  };
  const parts = [...rig.parts, part];
  const bait: RiggedBait = { plastic, method, laid };
  return { ...rig, bait, parts, bodies: rigidBodies({ ...rig, bait }, parts) };
}

/** Height of the crown above the shank line at x: what a guard stands on. */
const crownOf =
  ({ spans }: HeadBody) =>
  (x: number): number =>
    Math.max(0, spans(x, 1e-9).at(-1) ?? 0);

/** Several bodies of one material as one. */
function together(bulks: readonly Bulk[]): Bulk {
  const volume = bulks.reduce((sum, bulk) => sum + bulk.volume, 0);
  const at = (axis: 0 | 1 | 2) =>
    bulks.reduce((sum, bulk) => sum + bulk.volume * bulk.centroid[axis], 0) / volume;
  return { volume, centroid: [at(0), at(1), at(2)] };
}

const ringBulk = ({ centre, radius, wireRadius, turns }: Ring): Bulk => ({
  volume: turns * torusVolume(radius, wireRadius),
  centroid: centre,
});

/** Hook with its own eye; the last three wire diameters taper to the tip and so weigh a third. */
function hookPart(hook: HookPath): Part {
  const whole = wholeWire(hook.centre, hook.wire / 2);
  const section = (Math.PI * hook.wire ** 2) / 4;
  const taper = 2 * hook.wire * section;
  const { centre, radius, wireRadius } = hook.hinge?.hookEye ?? hook.eye;
  const ring = torusVolume(radius, wireRadius);
  const volume = whole.volume - taper + ring;
  const tipAt: Vec3 = [hook.tip[0] - hook.wire, 0, hook.tip[2]];
  const at = (axis: 0 | 1 | 2) =>
    (whole.volume * whole.centroid[axis] - taper * tipAt[axis] + ring * centre[axis]) / volume;
  return {
    name: 'hook',
    material: 'steel',
    mass: (STEEL_DENSITY * volume) / 1000,
    volume,
    centroid: [at(0), at(1), at(2)],
  };
}

/** What joins a free hook to the head: the wire through it, its eye and loop, and the link. */
function jointPart(hook: HookPath, { loop, link }: NonNullable<HookPath['hinge']>): Part {
  const bulk = together([
    wholeWire(hook.legAndShank, hook.wire / 2),
    { volume: torusVolume(hook.eye.radius, hook.eye.wireRadius), centroid: hook.eye.centre },
    ringBulk(loop),
    ...(link ? [ringBulk(link)] : []),
  ]);
  return { name: 'joint', material: 'steel', mass: (STEEL_DENSITY * bulk.volume) / 1000, ...bulk };
}

/** The wires of a keeper that is not cast. */
function keeperPart({ wires }: KeeperBody): Part {
  const whole = together(wires.map(({ path, diameter }) => wholeWire(path, diameter / 2)));
  return { name: 'keeper', material: 'steel', mass: (STEEL_DENSITY * whole.volume) / 1000, ...whole };
}

/** The fibres or wires of a guard. */
const guardPart = ({ material, density, volume, centroid }: GuardBody): Part => ({
  name: 'guard',
  material,
  mass: (density * volume) / 1000,
  volume,
  centroid,
});

/**
 * Paint over the whole outside; its own thickness is known far less well than the quick figure of the
 * surface.
 */
function paintPart(
  { thickness, density }: NonNullable<Design['head']['paint']>,
  head: HeadBody,
  body: Bulk,
): Part {
  const volume = roughArea(head) * thickness;
  return {
    name: 'paint',
    material: 'paint',
    mass: (density * volume) / 1000,
    volume,
    centroid: body.centroid,
  };
}

/**
 * Where metal is, less what lies within `radius` of a centre line in the plane y = 0; asked only of places in
 * a guard's bore.
 */
function besides(
  path: readonly Vec3[],
  radius: number,
  { bore, bundleRadius }: GuardBody,
  holds: HeadBody['holds'],
): HeadBody['holds'] {
  const lines = path.slice(1).map((b, i) => new Line3(new Vector3(...itemAt(path, i)), new Vector3(...b)));
  const [nearest, place] = [new Vector3(), new Vector3()];
  const apart = (line: Line3) => line.closestPointToPoint(place, true, nearest).distanceTo(place);
  // Pieces of the line that the bore can reach: mostly one or two, often none.
  const [foot, top] = [itemAt(bore, 0), lastOf(bore)];
  const reach = norm(sub(top, foot)) / 2 + bundleRadius + radius;
  place.set(...scale([foot[0] + top[0], foot[1] + top[1], foot[2] + top[2]], 0.5));
  const near = lines.filter((line) => apart(line) < reach);
  if (near.length === 0) return holds;
  // It is asked thousands of times, mostly of places that lie clear of all those pieces.
  const box = new Box3().setFromPoints(near.flatMap(({ start, end }) => [start, end])).expandByScalar(radius);
  return (x, y, z) => {
    place.set(x, y, z);
    return !(box.containsPoint(place) && near.some((line) => apart(line) < radius)) && holds(x, y, z);
  };
}

/**
 * Length of the eye's leg from the knee on the shank line to where its centre line leaves the head, mm; 0
 * where the knee stands in front.
 */
function legLengthInside(profile: Profile, knee: number, angle: number): number {
  if (knee >= profile.length) return 0;
  const along = legDirection(angle);
  const reach = 2 * profile.length + profile.section(knee).t * 2;
  // Signed by how far the point is inside: the section function itself, so that the root is smooth.
  const depth = (s: number) => {
    const x = knee + along[0] * s;
    const z = along[2] * s;
    const section = profile.section(x);
    if (section.t <= 0) return -1;
    return 1 - z / section.t;
  };
  const root = findRoot(depth, 1e-9, reach, 1e-9);
  return root.ok ? root.x : 0;
}
