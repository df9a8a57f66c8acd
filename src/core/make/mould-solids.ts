import type { Manifold, ManifoldToplevel } from 'manifold-3d';
import type { LaidCavity, MouldLayout } from './mould-layout.ts';
import { VENT } from './mould-layout.ts';
import type { Cut } from '../document/mould.ts';
import { isPlain } from '../head/body.ts';
import type { MeshQuality } from '../head/loft.ts';
import { qualityWithin } from '../head/chord.ts';
import { USUAL_CHORD } from '../head/schema.ts';
import { loft } from '../head/loft.ts';
import type { Mesh } from '../head/mesh.ts';
import { bodySolid, solidOf } from '../head/solid.ts';
import type { Vec3 } from '../numeric/vec.ts';
import { cutterSolid } from './cutter.ts';
import { fileMesh } from './half-mesh.ts';
import { steelSolid } from './steel.ts';

/** Fine enough for a screen and for figures to a thousandth; a file is made finer. */
export const SHOWN: MeshQuality = { rings: 56, corners: 48 };
/** Corners about what is round in a mould. */
const ROUND = 48;
/** Room around a locating pin in its socket, each side, mm (common practice, no source). */
const SOCKET = 0.08;
/** A pin's end over its root: it finds its socket by itself. */
const TAPER = 0.8;
/** Tries with vents a hair beside where they were. */
const ATTEMPTS = 5;
/** How far vents, pins and sockets begin beyond the parting plane, mm. */
const BASE = 0.5;

/**
 * What fills a block, mm³. Everything is counted once: what lies in two is counted with the first of them.
 */
export interface MouldVolumes {
  readonly block: number;
  readonly left: number;
  readonly right: number;
  /** enlarged heads with their cuts, the steel inside them counted in */
  readonly heads: number;
  readonly channels: number;
  readonly sprues: number;
  readonly vents: number;
  /** room around the pins in their sockets */
  readonly sockets: number;
}

/** A mould’s halves as closed meshes, and what they hold; mm, mm³ and g. */
export interface MouldSolids {
  readonly left: Mesh;
  readonly right: Mesh;
  readonly volumes: MouldVolumes;
  /** metal of each cavity with the steel inside it taken out, mm³ as cut (not as cooled) */
  readonly metal: readonly number[];
  /** sprue and vents of each cavity, mm³ */
  readonly sprue: readonly number[];
}

/** How far a mould has been worked out. */
export type OnDone = (done: number, of: number) => void;

/**
 * The head of a cavity, enlarged and cut, in its own frame: wire, keeper and guard pin still in it. The
 * caller deletes it.
 */
export function cavitySolid(
  kernel: ManifoldToplevel,
  { rig, factor }: Pick<LaidCavity, 'rig' | 'factor'>,
  cuts: readonly Cut[],
  quality: MeshQuality = qualityWithin(rig.head, USUAL_CHORD),
): Manifold {
  const { head } = rig;
  const plain = isPlain(head)
    ? solidOf(kernel, loft(head.profile, head.collar, quality))
    : bodySolid(kernel, head, quality);
  let solid = plain.scale(factor);
  plain.delete();
  for (const cut of cuts) {
    const tool = cutterSolid(kernel, cut);
    const next = solid.add(tool);
    solid.delete();
    tool.delete();
    solid = next;
  }
  return solid;
}

/** A round peg with its axis along x, from x to x, at z. */
function upright(
  kernel: ManifoldToplevel,
  from: number,
  to: number,
  radii: readonly [number, number],
  z: number,
): Manifold {
  const { Manifold } = kernel;
  const peg = Manifold.cylinder(to - from, radii[0], radii[1], ROUND);
  const turned = peg.rotate([0, 90, 0]);
  const placed = turned.translate([from, 0, z]);
  peg.delete();
  turned.delete();
  return placed;
}

function sprueSolid(
  kernel: ManifoldToplevel,
  { gating, gateAt }: LaidCavity,
  top: number,
): Manifold | undefined {
  if (!gating) return undefined;
  const [x, z] = gateAt;
  const { gate, sprue, funnel, funnelHeight } = gating;
  const neck = Math.min(1.2, gate);
  const mouth = top - funnelHeight;
  const parts = [
    // Down into the head until its round is closed about it.
    upright(kernel, x - 1.5 * gate, x + neck, [gate / 2, gate / 2], z),
    upright(kernel, x + neck - 1e-3, mouth + 1e-3, [gate / 2, sprue / 2], z),
    upright(kernel, mouth, top + 1, [sprue / 2, funnel / 2], z),
  ];
  const joined = kernel.Manifold.union(parts);
  for (const part of parts) part.delete();
  return joined;
}

function ventSolid(
  kernel: ManifoldToplevel,
  { vents }: LaidCavity,
  bottom: number,
  attempt: number,
): Manifold | undefined {
  const depth = VENT.depth * (1 + 0.04 * attempt);
  const { Manifold } = kernel;
  const parts = vents.map(({ from, to, z }) => {
    const low = Math.max(from, bottom - 1);
    const box = Manifold.cube([to - low + 1, depth + BASE, VENT.breadth]);
    const placed = box.translate([low, -depth, z - VENT.breadth / 2 + 0.013 * attempt]);
    box.delete();
    return placed;
  });
  if (parts.length === 0) return undefined;
  const joined = Manifold.union(parts);
  for (const part of parts) part.delete();
  return joined;
}

/** Keeps a solid until all is done, and gives it back. */
type Keep = (solid: Manifold) => Manifold;

/** A box between two corners. */
function box({ Manifold }: ManifoldToplevel, low: Vec3, high: Vec3): Manifold {
  const cube = Manifold.cube([high[0] - low[0], high[1] - low[1], high[2] - low[2]]);
  const placed = cube.translate([...low]);
  cube.delete();
  return placed;
}

/** What one cavity takes out of the block, in its own frame, and the volumes of its parts, mm³. */
interface CavityRoom {
  /** with the sprue through the top face and rods through the lower one, so that no face lies on them */
  readonly through: Manifold;
  /** what is filled inside the block */
  readonly full: Manifold;
  readonly head: number;
  readonly channels: number;
  readonly sprue: number;
  /** what the metal of the head itself fills */
  readonly metal: number;
}

function cavityRoom(
  kernel: ManifoldToplevel,
  keep: Keep,
  {
    layout,
    cavity,
    cuts,
    quality,
  }: {
    readonly layout: MouldLayout;
    readonly cavity: LaidCavity;
    readonly cuts: readonly Cut[];
    readonly quality: MeshQuality | undefined;
  },
): CavityRoom {
  const [top, bottom] = [layout.block.to[0], layout.block.from[0]];
  const head = keep(cavitySolid(kernel, cavity, cuts, quality));
  const whole = keep(steelSolid(kernel, cavity, layout.making === 'pour'));
  const steel = keep(whole.trimByPlane([1, 0, 0], bottom));
  const taken = keep(head.add(steel));
  // A wire bent sharply laps over itself: its own volume would count that twice, what it leaves of the head
  // does not.
  const metal = keep(head.subtract(steel)).volume();
  const sprue = sprueSolid(kernel, cavity, top);
  const through = sprue
    ? keep(taken.add(keep(sprue)))
    : layout.making === 'press'
      ? keep(head.add(whole))
      : taken;
  const full = sprue ? keep(through.trimByPlane([-1, 0, 0], -top)) : taken;
  return {
    through,
    full,
    head: head.volume(),
    channels: taken.volume() - head.volume(),
    sprue: full.volume() - taken.volume(),
    metal,
  };
}

/** Pins of the left half, or with room about them the sockets of the right. */
function pegsOf({ Manifold }: ManifoldToplevel, keep: Keep, layout: MouldLayout, room: number): Manifold {
  const pegs = layout.pins.map(([x, z]) => {
    const height = layout.pinHeight + room + BASE;
    const slope = ((1 - TAPER) * layout.pinRadius) / layout.pinHeight;
    const root = layout.pinRadius + room + BASE * slope;
    const peg = keep(Manifold.cylinder(height, root, root - slope * height, ROUND));
    return keep(keep(peg.rotate([90, 0, 0])).translate([x, BASE, z]));
  });
  return keep(Manifold.union(pegs));
}

/**
 * The vents of all cavities, a hair deeper and to the side at each try, and what they add to each cavity's
 * sprue.
 */
function ventsAt(
  kernel: ManifoldToplevel,
  keep: Keep,
  layout: MouldLayout,
  rooms: readonly CavityRoom[],
  attempt: number,
): { readonly solid: Manifold; readonly own: readonly number[] } {
  const [top, bottom] = [layout.block.to[0], layout.block.from[0]];
  const moved = layout.cavities.map((cavity) => ventSolid(kernel, cavity, bottom, attempt));
  const own = moved.map((solid, i) => {
    const room = rooms[i];
    if (!solid || !room) return 0;
    const below = keep(keep(solid).trimByPlane([-1, 0, 0], -top));
    const inBlock = keep(keep(below.trimByPlane([1, 0, 0], bottom)).trimByPlane([0, -1, 0], 0));
    return keep(inBlock.subtract(room.full)).volume();
  });
  const placed = moved.flatMap((solid, i) => {
    const [x, z] = layout.cavities[i]?.shift ?? [0, 0];
    return solid ? [keep(solid.translate([x, 0, z]))] : [];
  });
  return { solid: keep(kernel.Manifold.union(placed)), own };
}

const sumOf = (rooms: readonly CavityRoom[], of: (room: CavityRoom) => number): number =>
  rooms.reduce((sum, room) => sum + of(room), 0);

/**
 * Both halves of a mould, closed, and what fills the block. Left is where y is above 0, with the pins; right
 * has the sockets and the vents. `cuts` by cavity. Throws with a sentence when a half comes out in pieces or
 * empty.
 */
export function mouldSolids(
  kernel: ManifoldToplevel,
  layout: MouldLayout,
  cuts: readonly (readonly Cut[])[],
  onDone: OnDone = () => undefined,
  quality?: MeshQuality,
): MouldSolids {
  const { Manifold } = kernel;
  const trash: Manifold[] = [];
  const keep: Keep = (solid) => {
    trash.push(solid);
    return solid;
  };
  const steps = layout.cavities.length + 3;
  try {
    const block = keep(box(kernel, layout.block.from, layout.block.to));
    // Cavities do not touch, so each is worked out by itself, on a few thousand facets, and all are taken out
    // of the block at once.
    const rooms = layout.cavities.map((cavity, i) => {
      const room = cavityRoom(kernel, keep, { layout, cavity, cuts: cuts[i] ?? [], quality });
      onDone(i + 1, steps);
      return room;
    });
    const placed = rooms.map(({ through }, i) => {
      const [x, z] = layout.cavities[i]?.shift ?? [0, 0];
      return keep(through.translate([x, 0, z]));
    });
    onDone(layout.cavities.length + 1, steps);
    // Only a cut can make one cavity run into the next.
    const isCut = cuts.some((list) => list.length > 0);
    const hollow = keep(isCut ? Manifold.union(placed) : Manifold.compose(placed));
    // Each half of the block by itself: splitting what is hollow already can leave a cut's thin floor
    // standing where its face lies on the parting plane.
    const raw = (side: 1 | -1) => keep(keep(block.trimByPlane([0, side, 0], 0)).subtract(hollow));
    const [leftRaw, rightRaw] = [raw(1), raw(-1)];
    const [pins, sockets] = [pegsOf(kernel, keep, layout, 0), pegsOf(kernel, keep, layout, SOCKET)];
    const leftHalf = keep(leftRaw.add(pins));
    const vent = (attempt: number) => {
      const { solid, own } = ventsAt(kernel, keep, layout, rooms, attempt);
      return { own, half: keep(keep(rightRaw.subtract(solid)).subtract(sockets)) };
    };
    onDone(layout.cavities.length + 2, steps);
    const below = (solid: Manifold) => keep(solid.trimByPlane([0, -1, 0], 0)).volume();
    let attempt = 0;
    let right = vent(attempt);
    let rightMesh = fileMesh(right.half, 'right');
    // Where an edge of a vent comes to lie on another, the next try is a hair beside it.
    while (!rightMesh && ++attempt < ATTEMPTS) {
      right = vent(attempt);
      rightMesh = fileMesh(right.half, 'right');
    }
    const leftMesh = fileMesh(leftHalf, 'left');
    if (!leftMesh || !rightMesh)
      throw new Error(
        `The ${leftMesh ? 'right' : 'left'} half could not be closed: two of its edges lie on ` +
          'each other. Change a wall or the shrinkage by a hair.',
      );
    const result: MouldSolids = {
      left: leftMesh,
      right: rightMesh,
      volumes: {
        block: block.volume(),
        left: leftHalf.volume(),
        right: right.half.volume(),
        heads: sumOf(rooms, ({ head }) => head),
        channels: sumOf(rooms, ({ channels }) => channels),
        sprues: sumOf(rooms, ({ sprue }) => sprue),
        vents: right.own.reduce((sum, volume) => sum + volume, 0),
        sockets: below(sockets) - below(pins),
      },
      metal: rooms.map(({ metal }) => metal),
      sprue: rooms.map(({ sprue }, i) => sprue + (right.own[i] ?? 0)),
    };
    onDone(steps, steps);
    return result;
  } finally {
    for (const solid of trash) solid.delete();
  }
}
