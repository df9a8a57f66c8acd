import { degrees } from '../numeric/vec.ts';
import type { HeadBody } from '../head/body.ts';
import type { DrawnEdge } from '../head/features/shape.ts';
import { headMass } from '../assembly/rig.ts';
import type { Rig } from '../assembly/rig.ts';
import { extent } from '../head/extent.ts';
import type { Ring } from '../hook/ring.ts';
import { profileExtent } from '../head/body.ts';
import { bodyOutlines, bodySection, collarOutline } from '../head/outline.ts';
import { isPlain } from '../head/body.ts';
import type { Vec2, Vec3 } from '../numeric/vec.ts';

/** A piece of wire in the three views. */
export interface DrawnWire {
  readonly side: readonly Vec2[];
  readonly top: readonly Vec2[];
  readonly front: readonly Vec2[];
  readonly wire: number;
}

/** A ring of wire as it is drawn; mm. */
export interface DrawnRing {
  readonly at: Vec2;
  readonly radius: number;
  readonly wire: number;
}

/**
 * Everything a plate needs, in mm, as plain data that crosses to the interface. Side view is (x, z), top (x,
 * y), front (y, z).
 */
export interface Drawing {
  readonly length: number;
  readonly breadth: number;
  readonly height: number;
  readonly rise: number;
  readonly drop: number;
  /** breadth of the body without fins: what the family's dimension says */
  readonly bodyBreadth: number;
  /** height of the body before sole and flats are cut: what the family's dimension says */
  readonly bodyHeight: number;
  /** x of the greatest breadth, rise and drop, where handles sit */
  readonly fullest: number;
  readonly side: readonly Vec2[];
  readonly top: readonly Vec2[];
  readonly front: readonly Vec2[];
  readonly edges: { readonly side: readonly DrawnEdge[]; readonly top: readonly DrawnEdge[] };
  readonly collar: readonly Vec2[] | undefined;
  readonly hook: readonly Vec2[];
  readonly wire: number;
  readonly eye: {
    readonly at: Vec2;
    readonly radius: number;
    readonly wire: number;
    readonly crosswise: boolean;
    readonly along: Vec2;
    readonly top: number;
  };
  /** of a hinged head: the wire through it, its rings, and the point the hook swings about */
  readonly hinge:
    | {
        readonly at: Vec2;
        readonly wire: readonly Vec2[];
        readonly rings: readonly DrawnRing[];
        readonly hang: number;
      }
    | undefined;
  readonly knee: Vec2;
  readonly tip: Vec2;
  /** height of the shank under the point */
  readonly shankLevel: number;
  readonly bendRear: Vec2;
  readonly keeper: readonly DrawnWire[];
  readonly guard:
    | {
        readonly drawnAs: 'bundle' | 'strands';
        readonly base: Vec2;
        readonly end: Vec2;
        readonly radius: number;
        readonly fan: number;
        readonly strands: readonly DrawnWire[];
      }
    | undefined;
  /** centre of mass in the side view */
  readonly centre: Vec2;
  /** wire that metal surrounds, in the side view */
  readonly inside: readonly Vec2[];
}

const round = ([u, v]: Vec2): Vec2 => [Math.round(u * 1000) / 1000, Math.round(v * 1000) / 1000];
const flat = (path: readonly Vec3[]): Vec2[] => path.map(([x, , z]) => round([x, z]));

const drawnWire = ({
  path,
  diameter,
}: {
  readonly path: readonly Vec3[];
  readonly diameter: number;
}): DrawnWire => ({
  side: flat(path),
  top: path.map(([x, y]) => round([x, y])),
  front: path.map(([, y, z]) => round([y, z])),
  wire: diameter,
});

const drawnRing = ({ centre, radius, wireRadius, turns }: Ring): DrawnRing => ({
  at: [centre[0], centre[2]],
  radius,
  wire: 2 * wireRadius * turns,
});

/**
 * The drawing of a rig’s head and hook; a plastic on it has its own. `stations` sets how fine the outlines
 * are.
 */
export function drawingOf(rig: Rig, stations = 48): Drawing {
  const { profile, collar, hook, keeper, guard, head } = rig;
  const outlines = bodyOutlines(head, stations);
  const sizes = extent(head);
  const body = profileExtent(profile);
  const total = headMass(rig);
  const parts = rig.parts.filter(({ name }) => name !== 'plastic');
  const centre = (axis: 0 | 2) =>
    parts.reduce((sum, part) => sum + part.mass * part.centroid[axis], 0) / total;
  let [fullest, most] = [profile.length / 2, 0];
  for (const x of [...profile.breaks, profile.length / 2]) {
    const { b } = profile.section(x);
    if (b > most) [fullest, most] = [x, b];
  }
  const { hinge } = hook;
  return {
    ...sizes,
    length: profile.length,
    bodyBreadth: 2 * body.half,
    bodyHeight: body.rise + body.drop,
    fullest,
    side: outlines.side.map(round),
    top: outlines.top.map(round),
    front: outlines.front.map(round),
    edges: edgesOf(head),
    collar: collar && collarOutline(collar).map(round),
    hook: flat(hook.centre),
    wire: hook.wire,
    eye: {
      at: round([hook.eye.centre[0], hook.eye.centre[2]]),
      radius: hook.eye.radius,
      wire: 2 * hook.eye.wireRadius,
      crosswise: hook.eye.plane === 'crosswise',
      along: [hook.eye.along[0], hook.eye.along[2]],
      top: hook.eye.top,
    },
    hinge: hinge && {
      at: [hinge.at[0], hinge.at[2]],
      wire: flat(hook.legAndShank),
      rings: [hinge.loop, ...(hinge.link ? [hinge.link] : []), hinge.hookEye].map(drawnRing),
      hang: freeHang(rig),
    },
    knee: [hook.knee[0], 0],
    tip: [hook.tip[0], hook.tip[2]],
    shankLevel: hook.shankLevel,
    bendRear: [hook.bendRear[0], hook.bendRear[2]],
    keeper: (keeper?.wires ?? []).map(drawnWire),
    guard: guard && {
      drawnAs: guard.drawnAs,
      base: [guard.base[0], guard.base[2]],
      end: [guard.end[0], guard.end[2]],
      radius: guard.bundleRadius,
      fan: guard.spread,
      strands: guard.strands.map(drawnWire),
    },
    centre: [centre(0), centre(2)],
    inside: flat(hook.legAndShank.filter(([x, y, z]) => head.holds(x, y, z))),
  };
}

/**
 * Angle by which a free hook, with a keeper on its shank, turns about its hinge to hang straight down while
 * the head's shank is level, degrees.
 */
function freeHang({ bodies: [, free], joint }: Rig): number {
  if (!free || !joint) return 0;
  const own = free.parts.filter(({ name }) => name !== 'plastic');
  const mass = own.reduce((sum, part) => sum + part.mass, 0);
  const at = (axis: 0 | 2) => own.reduce((sum, part) => sum + part.mass * part.centroid[axis], 0) / mass;
  return -90 - degrees(Math.atan2(at(2) - joint.at[2], at(0) - joint.at[0]));
}

/** Edges that features leave inside the outlines, each as its own shape draws them. */
function edgesOf(head: HeadBody): Drawing['edges'] {
  const side: DrawnEdge[] = [];
  const top: DrawnEdge[] = [];
  if (isPlain(head)) return { side, top };
  for (const { drawn } of head.shapes) {
    const edges = drawn?.();
    side.push(...(edges?.side ?? []));
    top.push(...(edges?.top ?? []));
  }
  const rounded = (edges: DrawnEdge[]) =>
    edges.map(({ path, hidden }) => ({ path: path.map(round), hidden }));
  return { side: rounded(side), top: rounded(top) };
}

/**
 * The section through an assembly at x: closed outlines of the metal in (y, z), mm, and the shank's wire
 * where it is cut.
 */
export interface DrawnSection {
  readonly at: number;
  readonly outlines: readonly (readonly Vec2[])[];
  readonly wire: number;
}

/** The section of an assembly at a share of its length from the rear. */
export function sectionOf({ head, profile, hook }: Rig, share: number): DrawnSection {
  const x = Math.min(profile.length * (1 - 1e-6), Math.max(profile.length * 1e-6, profile.length * share));
  return {
    at: x,
    outlines: bodySection(head, x).map((outline) => outline.map(round)),
    wire: x < hook.knee[0] ? hook.wire : 0,
  };
}
