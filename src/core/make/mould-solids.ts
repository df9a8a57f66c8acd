import type { Manifold, ManifoldToplevel } from 'manifold-3d';
import type { LaidCavity, MouldLayout } from './mould-layout.ts';
import { VENT } from './mould-layout.ts';
import type { Cut } from '../document/mould.ts';
import { isPlain } from '../head/body.ts';
import type { MeshQuality } from '../head/loft.ts';
import { FINE, loft } from '../head/loft.ts';
import type { Mesh } from '../head/mesh.ts';
import { openEdges } from '../head/mesh.ts';
import { bodySolid, meshOf, solidOf, tube } from '../head/solid.ts';
import type { Vec3 } from '../numeric/vec.ts';
import { cutterSolid } from './cutter.ts';

/** Less than this is no piece of a half but a facet without thickness, mm³. */
const FLAKE = 1e-3;
/** Corners around a wire’s channel. */
const WIRE_CORNERS = 24;
/** Fine enough for a screen and for figures to a thousandth; a file is made finer. */
export const SHOWN: MeshQuality = { rings: 70, corners: 64 };
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
/** Edges shorter than this are drawn together before a half leaves as a file, mm. */
const FILE_GRAIN = 1e-5;
/** How far corners that fall together are moved apart, mm. */
const PARTED = 3e-4;

/** What fills a block, mm³. Everything is counted once: what lies in two is counted with the first of them. */
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

/** The head of a cavity, enlarged and cut, in its own frame: wire, keeper and guard pin still in it. The caller deletes it. */
export function cavitySolid(
  kernel: ManifoldToplevel,
  { rig, factor }: Pick<LaidCavity, 'rig' | 'factor'>,
  cuts: readonly Cut[],
  quality: MeshQuality = FINE,
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

/** Steel that lies in the metal while it is poured, in the cavity's own frame. The caller deletes it. */
export function steelSolid(
  kernel: ManifoldToplevel,
  { rig, channels }: LaidCavity,
  isPoured: boolean,
): Manifold {
  const parts = channels.flatMap(({ path, radius }) => {
    const { runs, corners } = smoothRuns(path, radius);
    return [
      ...runs.map((run) => solidOf(kernel, tube(run, radius, WIRE_CORNERS))),
      ...corners.map((at) => {
        const ball = kernel.Manifold.sphere(radius, WIRE_CORNERS);
        const placed = ball.translate([...at]);
        ball.delete();
        return placed;
      }),
    ];
  });
  if (isPoured) parts.push(eyePocket(kernel, rig.hook.eye));
  const joined = kernel.Manifold.union(parts);
  for (const part of parts) part.delete();
  return joined;
}

/** A path in runs that bend no tighter than a tube about them bears, and the corners between them: a tube that lapped over itself would count twice. */
function smoothRuns(
  path: readonly Vec3[],
  radius: number,
): { readonly runs: readonly (readonly Vec3[])[]; readonly corners: readonly Vec3[] } {
  const runs: Vec3[][] = [];
  const corners: Vec3[] = [];
  let run: Vec3[] = path.slice(0, 1);
  for (let i = 1; i < path.length; i++) {
    const [a, b, c] = [path[i - 1], path[i], path[i + 1]];
    if (!a || !b) break;
    run.push(b);
    if (!c) break;
    const [ux, uz, vx, vz] = [b[0] - a[0], b[2] - a[2], c[0] - b[0], c[2] - b[2]];
    const [u, v] = [Math.hypot(ux, uz), Math.hypot(vx, vz)];
    const half = Math.acos(Math.max(-1, Math.min(1, (ux * vx + uz * vz) / (u * v)))) / 2;
    // The mitre reaches back along the inner side by r tan(half the turn): more than half a piece laps over it.
    if (radius * Math.tan(half) > 0.5 * Math.min(u, v)) {
      runs.push(run);
      corners.push(b);
      run = [b];
    }
  }
  if (run.length > 1) runs.push(run);
  return { runs: runs.filter(({ length }) => length > 1), corners };
}

/** The pocket of the eye's ring: a torus where it lies in the parting plane, a filled disc where it stands across, so that the mould opens. */
function eyePocket(kernel: ManifoldToplevel, eye: LaidCavity['rig']['hook']['eye']): Manifold {
  const { CrossSection, Manifold } = kernel;
  const circle = CrossSection.circle(eye.wireRadius + 0.05, 24);
  const moved = circle.translate([eye.radius, 0]);
  const ring = Manifold.revolve(moved, ROUND);
  circle.delete();
  moved.delete();
  // The ring's axis comes out as z; in line with the hook it is y.
  const turned = ring.rotate([90, 0, 0]);
  ring.delete();
  if (eye.plane === 'in line') {
    const placed = turned.translate([...eye.centre]);
    turned.delete();
    return placed;
  }
  const pitch = (Math.atan2(eye.along[2], eye.along[0]) * 180) / Math.PI;
  // Across: its axis lies in the parting plane, square to the leg.
  const across = turned.rotate([90, 0, 0]);
  const leaned = across.rotate([0, -pitch, 0]);
  const full = leaned.hull();
  const placed = full.translate([...eye.centre]);
  for (const part of [turned, across, leaned, full]) part.delete();
  return placed;
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
 * Both halves of a mould, closed, and what fills the block. Left is where y is above 0, with the pins; right has the sockets and the vents. `cuts` by
 * cavity. Throws with a sentence when a half comes out in pieces or empty.
 */
export function mouldSolids(
  kernel: ManifoldToplevel,
  layout: MouldLayout,
  cuts: readonly (readonly Cut[])[],
  onDone: OnDone = () => undefined,
  quality: MeshQuality = FINE,
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
  const keep2 = ([a, b]: Manifold[]): readonly [Manifold, Manifold] => {
    if (!a || !b) throw new Error('The block was not split in two, which is a mistake of the program.');
    return [keep(a), keep(b)];
  };
  const steps = layout.cavities.length + 3;
  try {
    const block = keep(box(from, to));
    // Cavities do not touch, so each is worked out by itself, on a few thousand facets, and all are taken out of the block at once.
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
      // A wire bent sharply laps over itself: its own volume would count that twice, what it leaves of the head does not.
      metal.push(keep(head.subtract(steel)).volume());
      // Only the sprue and the vents reach the block's faces.
      const sprue = sprueSolid(kernel, cavity, top);
      const trimmed = sprue && keep(keep(sprue).trimByPlane([-1, 0, 0], -top));
      const full = trimmed ? keep(taken.add(trimmed)) : taken;
      fulls.push(full);
      const lost = full.volume() - taken.volume();
      counted.heads += head.volume();
      counted.channels += taken.volume() - head.volume();
      counted.sprues += lost;
      spruePer.push(lost);
      // The sprue goes on through the top face, so that no face lies on it.
      const through = keep(keep(head.add(whole)).add(sprue ?? whole));
      rooms.push(keep(through.translate([...move])));
      onDone(i + 1, steps);
    });
    const union = (parts: readonly Manifold[]) => keep(Manifold.union([...parts]));
    const below = (solid: Manifold) => keep(solid.trimByPlane([0, -1, 0], 0));
    onDone(layout.cavities.length + 1, steps);
    const [leftRaw, rightRaw] = keep2(
      keep(block.subtract(keep(isCut ? Manifold.union(rooms) : Manifold.compose(rooms)))).splitByPlane(
        [0, 1, 0],
        0,
      ),
    );
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
    /** The right half with its vents a hair deeper and to the side at each try, and what they add to each cavity's sprue. */
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
        `The ${leftMesh ? 'right' : 'left'} half could not be closed: two of its edges lie on each other. Change a wall or the shrinkage by a hair.`,
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

/** A half as it leaves in a file; undefined where its corners, rounded, leave it open. */
function fileMesh(half: Manifold, side: string): Mesh | undefined {
  if (half.isEmpty()) throw new Error(`Nothing is left of the ${side} half. Make the walls thicker.`);
  const pieces = half.decompose();
  const count = pieces.filter((piece) => piece.volume() > FLAKE).length;
  for (const piece of pieces) piece.delete();
  if (count > 1)
    throw new Error(
      `The ${side} half falls into ${count} pieces: what is cut out of it meets its edges. Make the walls thicker, or take a cut back.`,
    );
  const simple = half.simplify(FILE_GRAIN);
  const mesh = meshOf(simple);
  const apart = openEdges(mesh) === 0 ? mesh : partedMesh(simple);
  simple.delete();
  return openEdges(apart) === 0 ? apart : undefined;
}

/**
 * The mesh of a solid whose surface touches itself: corners that fall together in the 32-bit floats of a file, but belong to sheets of their own, are each moved
 * a hair into their own sheet, so that every edge joins two facets there too.
 */
function partedMesh(solid: Manifold): Mesh {
  const { vertProperties, numProp, triVerts } = solid.getMesh();
  const count = vertProperties.length / numProp;
  const positions = new Float64Array(3 * count);
  for (let i = 0; i < count; i++)
    for (let k = 0; k < 3; k++) positions[3 * i + k] = vertProperties[i * numProp + k] as number;
  const groups = new Map<string, number[]>();
  for (let i = 0; i < count; i++) {
    const key = positions.subarray(3 * i, 3 * i + 3).join(' ');
    const group = groups.get(key);
    if (group) group.push(i);
    else groups.set(key, [i]);
  }
  const twins = new Set([...groups.values()].filter(({ length }) => length > 1).flat());
  const middles = new Map([...twins].map((i) => [i, [0, 0, 0, 0] as [number, number, number, number]]));
  for (let i = 0; i < triVerts.length; i += 3) {
    const corners = [0, 1, 2].map((k) => triVerts[i + k] as number);
    for (const corner of corners) {
      const middle = middles.get(corner);
      if (!middle) continue;
      for (const other of corners) {
        for (let k = 0; k < 3; k++) middle[k as 0 | 1 | 2] += positions[3 * other + k] as number;
        middle[3]++;
      }
    }
  }
  const moved = positions.slice();
  for (const [i, [x, y, z, n]] of middles) {
    const way = [x / n, y / n, z / n].map((value, k) => value - (positions[3 * i + k] as number));
    const length = Math.hypot(...way) || 1;
    way.forEach((value, k) => {
      moved[3 * i + k] = Math.fround((positions[3 * i + k] as number) + (PARTED * value) / length);
    });
  }
  return { positions: moved, triangles: Uint32Array.from(triVerts) };
}
