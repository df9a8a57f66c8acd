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
  const { from, to } = layout.block;
  const [top, bottom] = [to[0], from[0]];
  const box = (low: Vec3, high: Vec3): Manifold => {
    const cube = Manifold.cube([high[0] - low[0], high[1] - low[1], high[2] - low[2]]);
    const placed = cube.translate([...low]);
    cube.delete();
    return placed;
  };
  const trash: Manifold[] = [];
  const keep = (solid: Manifold): Manifold => {
    trash.push(solid);
    return solid;
  };
  // Only a cut can make one cavity run into the next.
  const isCut = cuts.some((list) => list.length > 0);
  const steps = layout.cavities.length + 3;
  try {
    const block = keep(box(from, to));
    // Cavities do not touch, so each is worked out by itself, on a few thousand facets, and all are taken out
    // of the block at once.
    const rooms: Manifold[] = [];
    const fulls: Manifold[] = [];
    const metal: number[] = [];
    const spruePer: number[] = [];
    const counted = { heads: 0, channels: 0, sprues: 0, vents: 0 };
    layout.cavities.forEach((cavity, i) => {
      const move: Vec3 = [cavity.shift[0], 0, cavity.shift[1]];
      const head = keep(cavitySolid(kernel, cavity, cuts[i] ?? [], quality));
      const whole = keep(steelSolid(kernel, cavity, layout.making === 'pour'));
      const steel = keep(whole.trimByPlane([1, 0, 0], bottom));
      const taken = keep(head.add(steel));
      // A wire bent sharply laps over itself: its own volume would count that twice, what it leaves of the
      // head does not.
      metal.push(keep(head.subtract(steel)).volume());
      // The sprue goes on through the top face, and a rod through the lower one, so that no face lies on
      // them.
      const sprue = sprueSolid(kernel, cavity, top);
      const through = sprue
        ? keep(taken.add(keep(sprue)))
        : layout.making === 'press'
          ? keep(head.add(whole))
          : taken;
      const full = sprue ? keep(through.trimByPlane([-1, 0, 0], -top)) : taken;
      fulls.push(full);
      const lost = full.volume() - taken.volume();
      counted.heads += head.volume();
      counted.channels += taken.volume() - head.volume();
      counted.sprues += lost;
      spruePer.push(lost);
      rooms.push(keep(through.translate([...move])));
      onDone(i + 1, steps);
    });
    const union = (parts: readonly Manifold[]) => keep(Manifold.union([...parts]));
    const below = (solid: Manifold) => keep(solid.trimByPlane([0, -1, 0], 0));
    onDone(layout.cavities.length + 1, steps);
    const hollow = keep(isCut ? Manifold.union(rooms) : Manifold.compose(rooms));
    // Each half of the block by itself: splitting what is hollow already can leave a cut's thin floor
    // standing where its face lies on the parting plane.
    const raw = (side: 1 | -1) => keep(keep(block.trimByPlane([0, side, 0], 0)).subtract(hollow));
    const [leftRaw, rightRaw] = [raw(1), raw(-1)];
    const pegs = (room: number) =>
      union(
        layout.pins.map(([x, z]) => {
          const height = layout.pinHeight + room + BASE;
          const slope = ((1 - TAPER) * layout.pinRadius) / layout.pinHeight;
          const root = layout.pinRadius + room + BASE * slope;
          const peg = keep(Manifold.cylinder(height, root, root - slope * height, ROUND));
          return keep(keep(peg.rotate([90, 0, 0])).translate([x, BASE, z]));
        }),
      );
    const [pins, sockets] = [pegs(0), pegs(SOCKET)];
    const leftHalf = keep(leftRaw.add(pins));
    /**
     * The right half with its vents a hair deeper and to the side at each try, and what they add to each
     * cavity's sprue.
     */
    const vent = (attempt: number) => {
      const moved = layout.cavities.map((cavity) => ventSolid(kernel, cavity, bottom, attempt));
      const own = moved.map((solid, i) => {
        const room = fulls[i];
        if (!solid || !room) return 0;
        const inBlock = keep(
          keep(keep(keep(solid).trimByPlane([-1, 0, 0], -top)).trimByPlane([1, 0, 0], bottom)).trimByPlane(
            [0, -1, 0],
            0,
          ),
        );
        return keep(inBlock.subtract(room)).volume();
      });
      const placed = moved.flatMap((solid, i) => {
        const [x, z] = layout.cavities[i]?.shift ?? [0, 0];
        return solid ? [keep(solid.translate([x, 0, z]))] : [];
      });
      return { own, half: keep(keep(rightRaw.subtract(union(placed))).subtract(sockets)) };
    };
    onDone(layout.cavities.length + 2, steps);
    const [pinned, socketed] = [below(pins).volume(), below(sockets).volume()];
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
    right.own.forEach((volume, i) => {
      counted.vents += volume;
      spruePer[i] = (spruePer[i] ?? 0) + volume;
    });
    const result: MouldSolids = {
      left: leftMesh,
      right: rightMesh,
      volumes: {
        block: block.volume(),
        left: leftHalf.volume(),
        right: right.half.volume(),
        ...counted,
        sockets: socketed - pinned,
      },
      metal,
      sprue: spruePer,
    };
    onDone(steps, steps);
    return result;
  } finally {
    for (const solid of trash) solid.delete();
  }
}
