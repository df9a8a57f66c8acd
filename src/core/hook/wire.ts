import { halve } from '../numeric/halve.ts';
import type { Vec3 } from '../numeric/vec.ts';
import { cross, norm, scale, sub } from '../numeric/vec.ts';

/** Volume and first moment of something made of wire. */
export interface WireBulk {
  /** mm³ */
  readonly volume: number;
  /** mm */
  readonly centroid: Vec3;
  /** ∫ (y² + z²) dV about the shank's line, mm⁵ */
  readonly roll: number;
}

/** Seven filaments over a wire's section, exact for fifth-degree polynomials on a disc (Stroud 1971, S2 5-1). */
const FILAMENTS: readonly Filament[] = [
  [0, 0, 1 / 4],
  ...Array.from({ length: 6 }, (_, i) => {
    const turn = (i * Math.PI) / 3;
    const reach = Math.sqrt(2 / 3);
    return [reach * Math.cos(turn), reach * Math.sin(turn), 1 / 8] as const;
  }),
];

type Filament = readonly [u: number, v: number, weight: number];

/** Filaments of equal section on so many rings about a middle one, 1 + 3n(n + 1) in all: for what is met at a slant, or only in part. */
function onRings(rings: number): Filament[] {
  const whole = 1 + 3 * rings * (rings + 1);
  return Array.from({ length: rings + 1 }, (_, ring) => {
    const count = ring === 0 ? 1 : 6 * ring;
    // Each ring stands at the root mean square radius of the share of the disc it is for.
    const [inner, outer] = [ring === 0 ? 0 : 1 + 3 * ring * (ring - 1), 1 + 3 * ring * (ring + 1)];
    const reach = ring === 0 ? 0 : Math.sqrt((inner + outer) / 2 / whole);
    return Array.from({ length: count }, (__, i): Filament => {
      const turn = (2 * Math.PI * (i + 0.5)) / count;
      return [reach * Math.cos(turn), reach * Math.sin(turn), 1 / whole];
    });
  }).flat();
}

/** For a bore that is fat against what it goes through, and a wire that lies along a surface, half of it out: 91. */
const MANY_FILAMENTS = onRings(5);
/** Length, in radii, over which a wire that goes through a surface may be partly out: at 39° and steeper the few filaments see all of it. */
const THROUGH = 2.5;
/** How much farther, as a share of what the few filaments see, a wire is out in part: they stand at 0.82 of its radius. */
const FARTHER = 0.3;

/**
 * Volume and centre of the part of a wire that lies where `holds` says so. The wire is cut into filaments, each as long
 * as its own offset from the centre line makes it, so bends and slanting surfaces are met to second order; a filament's
 * crossing of the surface is found by halving. A wire that lies along a surface, part of it out, is cut into many more.
 */
export function wireWithin(
  centre: readonly Vec3[],
  wireRadius: number,
  holds: (x: number, y: number, z: number) => boolean,
  isFat = false,
): WireBulk {
  if (isFat) return cutInto(MANY_FILAMENTS, centre, wireRadius, holds).bulk;
  const { bulk, held } = cutInto(FILAMENTS, centre, wireRadius, holds);
  const long = partRuns(centre, held, FILAMENTS.length).filter(({ length }) => length > THROUGH * wireRadius);
  if (long.length === 0) return bulk;
  // Farther each way too, since the outer filaments leave the metal sooner.
  const isLong = (piece: number) =>
    long.some(({ from, to }) => {
      const more = 1 + Math.ceil((to - from + 1) * FARTHER);
      return piece >= from - more && piece <= to + more;
    });
  const [few, many] = [
    cutInto(FILAMENTS, centre, wireRadius, holds, (piece) => !isLong(piece)).bulk,
    cutInto(MANY_FILAMENTS, centre, wireRadius, holds, isLong).bulk,
  ];
  const volume = few.volume + many.volume;
  const at = (axis: 0 | 1 | 2) =>
    (few.volume * few.centroid[axis] + many.volume * many.centroid[axis]) / (volume || 1);
  return { volume, centroid: [at(0), at(1), at(2)], roll: few.roll + many.roll };
}

/** Neighbouring pieces of a wire, by number, along which some filaments are held and some are not, and their length, mm. */
interface PartRun {
  readonly from: number;
  readonly to: number;
  readonly length: number;
}

/** The runs over which a wire is held in part, from how many of its filaments are held at each vertex. */
function partRuns(centre: readonly Vec3[], held: Uint16Array, whole: number): PartRun[] {
  const runs: PartRun[] = [];
  for (let i = 1; i < centre.length; i++) {
    if (held[i] === 0 || held[i] === whole) continue;
    const last = runs.at(-1);
    const length = norm(sub(centre[i] as Vec3, centre[i - 1] as Vec3));
    if (last?.to === i - 1) runs[runs.length - 1] = { from: last.from, to: i, length: last.length + length };
    else runs.push({ from: i, to: i, length });
  }
  return runs;
}

/** The part of a wire that is held, filament by filament, over the pieces of it that count, and how many filaments are held at each vertex. */
function cutInto(
  filaments: readonly Filament[],
  centre: readonly Vec3[],
  wireRadius: number,
  holds: (x: number, y: number, z: number) => boolean,
  counts?: (piece: number) => boolean,
): { readonly bulk: WireBulk; readonly held: Uint16Array } {
  const normals = centre.map((_, i) => sideways(centre, i));
  const held = new Uint16Array(centre.length);
  let volume = 0;
  let [mx, my, mz, roll] = [0, 0, 0, 0];
  const section = Math.PI * wireRadius * wireRadius;
  for (const [u, v, weight] of filaments) {
    const at = (i: number): Vec3 => {
      const p = centre[i] as Vec3;
      const [n1, n2] = normals[i] as readonly [Vec3, Vec3];
      const [a, b] = [u * wireRadius, v * wireRadius];
      return [p[0] + a * n1[0] + b * n2[0], p[1] + a * n1[1] + b * n2[1], p[2] + a * n1[2] + b * n2[2]];
    };
    const isHeld = (vertex: number, [x, y, z]: Vec3) => {
      const isIn = holds(x, y, z);
      if (isIn) held[vertex] = (held[vertex] as number) + 1;
      return isIn;
    };
    let previous: Vec3 | undefined;
    let wasIn = false;
    for (let i = 1; i < centre.length; i++) {
      if (counts && !counts(i)) {
        previous = undefined;
        continue;
      }
      if (!previous) {
        previous = at(i - 1);
        wasIn = isHeld(i - 1, previous);
      }
      const here = at(i);
      const isIn = isHeld(i, here);
      if (wasIn || isIn) {
        let [from, to] = [0, 1];
        if (wasIn !== isIn) {
          const share = crossing(previous, here, wasIn, holds);
          if (wasIn) to = share;
          else from = share;
        }
        const length = norm(sub(here, previous)) * (to - from);
        const middle = (from + to) / 2;
        const piece = section * weight * length;
        volume += piece;
        mx += piece * (previous[0] + (here[0] - previous[0]) * middle);
        my += piece * (previous[1] + (here[1] - previous[1]) * middle);
        mz += piece * (previous[2] + (here[2] - previous[2]) * middle);
        roll += piece * meanSquare(previous, here, from, to);
      }
      previous = here;
      wasIn = isIn;
    }
  }
  if (volume === 0) return { bulk: { volume: 0, centroid: [0, 0, 0], roll: 0 }, held };
  return { bulk: { volume, centroid: [mx / volume, my / volume, mz / volume], roll }, held };
}

/** Mean of y² + z² along a straight piece, from and to as shares of the way from a to b. */
function meanSquare(a: Vec3, b: Vec3, from: number, to: number): number {
  let sum = 0;
  for (const axis of [1, 2] as const) {
    const step = b[axis] - a[axis];
    const [p, q] = [a[axis] + step * from, a[axis] + step * to];
    sum += (p * p + p * q + q * q) / 3;
  }
  return sum;
}

/** Volume and centre of a whole wire: section × length, since the filaments' offsets average out. */
export function wholeWire(centre: readonly Vec3[], wireRadius: number): Omit<WireBulk, 'roll'> {
  let length = 0;
  let [mx, my, mz] = [0, 0, 0];
  for (let i = 1; i < centre.length; i++) {
    const [a, b] = [centre[i - 1] as Vec3, centre[i] as Vec3];
    const piece = norm(sub(b, a));
    length += piece;
    mx += (piece * (a[0] + b[0])) / 2;
    my += (piece * (a[1] + b[1])) / 2;
    mz += (piece * (a[2] + b[2])) / 2;
  }
  return { volume: Math.PI * wireRadius ** 2 * length, centroid: [mx / length, my / length, mz / length] };
}

/** Two unit vectors square to the wire and to each other at vertex i. */
function sideways(centre: readonly Vec3[], i: number): readonly [Vec3, Vec3] {
  const before = centre[Math.max(0, i - 1)] as Vec3;
  const after = centre[Math.min(centre.length - 1, i + 1)] as Vec3;
  const tangent = scale(sub(after, before), 1 / (norm(sub(after, before)) || 1));
  const reference: Vec3 = Math.abs(tangent[1]) < 0.9 ? [0, 1, 0] : [1, 0, 0];
  const first = cross(tangent, reference);
  const n1 = scale(first, 1 / norm(first));
  return [n1, cross(tangent, n1)];
}

function crossing(
  a: Vec3,
  b: Vec3,
  aIn: boolean,
  holds: (x: number, y: number, z: number) => boolean,
): number {
  const isAt = (share: number) =>
    holds(a[0] + (b[0] - a[0]) * share, a[1] + (b[1] - a[1]) * share, a[2] + (b[2] - a[2]) * share);
  const [last, next] = halve(0, 1, 16, (share) => isAt(share) === aIn);
  return (last + next) / 2;
}

/** Volume of a wire ring (torus), 2π²·R·r² (Pappus). */
export function torusVolume(ringRadius: number, wireRadius: number): number {
  return 2 * Math.PI ** 2 * ringRadius * wireRadius ** 2;
}
