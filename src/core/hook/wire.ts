import { float64At, itemAt } from '../numeric/at.ts';
import { halve } from '../numeric/halve.ts';
import type { Vec3 } from '../numeric/vec.ts';
import { norm, sub } from '../numeric/vec.ts';

/** Volume and first moment of something made of wire. */
export interface WireBulk {
  /** mm³ */
  readonly volume: number;
  /** mm */
  readonly centroid: Vec3;
  /** ∫ (y² + z²) dV about the shank's line, mm⁵ */
  readonly roll: number;
}

/**
 * A thread of a wire: its place in the wire's section, in radii, in the plane of the wire and beside it, and
 * the share of the section it stands for.
 */
type Filament = readonly [u: number, v: number, weight: number];

/**
 * Of filaments to left and right of the wire's plane the left ones, each for itself and the one it is the
 * mirror of.
 */
const leftHalf = (filaments: readonly Filament[]): Filament[] =>
  filaments.flatMap(([u, v, weight]): Filament[] =>
    v > 1e-9 ? [[u, v, 2 * weight]] : v > -1e-9 ? [[u, 0, weight]] : [],
  );

/**
 * Seven filaments over a wire's section, exact for fifth-degree polynomials on a disc (Stroud 1971, S2 5-1).
 */
const FILAMENTS: readonly Filament[] = leftHalf([
  [0, 0, 1 / 4],
  ...Array.from({ length: 6 }, (_, i) => {
    const turn = (i * Math.PI) / 3;
    const reach = Math.sqrt(2 / 3);
    return [reach * Math.cos(turn), reach * Math.sin(turn), 1 / 8] as const;
  }),
]);

/**
 * Filaments of equal section on so many rings about a middle one, 1 + 3n(n + 1) in all: for what is met at a
 * slant, or only in part.
 */
function onRings(rings: number): Filament[] {
  const whole = 1 + 3 * rings * (rings + 1);
  return leftHalf(
    Array.from({ length: rings + 1 }, (_, ring) => {
      const count = ring === 0 ? 1 : 6 * ring;
      // Each ring stands at the root mean square radius of the share of the disc it is for.
      const [inner, outer] = [ring === 0 ? 0 : 1 + 3 * ring * (ring - 1), 1 + 3 * ring * (ring + 1)];
      const reach = ring === 0 ? 0 : Math.sqrt((inner + outer) / 2 / whole);
      return Array.from({ length: count }, (__, i): Filament => {
        const turn = (2 * Math.PI * (i + 0.5)) / count;
        return [reach * Math.cos(turn), reach * Math.sin(turn), 1 / whole];
      });
    }).flat(),
  );
}

/**
 * For a bore that is fat against what it goes through, and a wire that lies along a surface, half of it out:
 * 91 with their mirrors.
 */
const MANY_FILAMENTS = onRings(5);
/**
 * Length, in radii, over which a wire that goes through a surface may be partly out: at 39° and steeper the
 * few filaments see all of it.
 */
const THROUGH = 2.5;
/**
 * How much farther, as a share of what the few filaments see, a wire is out in part: they stand at 0.82 of
 * its radius.
 */
const FARTHER = 0.3;

/** How near to the surface a filament is cut, mm. */
const CUT = 1e-4;

/**
 * Volume and centre of the part of a wire that lies where `holds` says so. The wire lies in the plane y = 0,
 * and what holds it is alike to left and right of that. It is cut into filaments, each as long as its own
 * offset from the centre line makes it, so bends and slanting surfaces are met to second order; a filament's
 * crossing of the surface is found by halving. A wire that lies along a surface, part of it out, is cut into
 * many more.
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
  const at = (axis: 0 | 2) =>
    (few.volume * few.centroid[axis] + many.volume * many.centroid[axis]) / (volume || 1);
  return { volume, centroid: [at(0), 0, at(2)], roll: few.roll + many.roll };
}

/**
 * Neighbouring pieces of a wire, by number, along which some filaments are held and some are not, and their
 * length, mm.
 */
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
    const length = norm(sub(itemAt(centre, i), itemAt(centre, i - 1)));
    if (last?.to === i - 1) runs[runs.length - 1] = { from: last.from, to: i, length: last.length + length };
    else runs.push({ from: i, to: i, length });
  }
  return runs;
}

/**
 * The part of a wire that is held, filament by filament, over the pieces of it that count, and how many
 * filaments are held at each vertex.
 */
function cutInto(
  filaments: readonly Filament[],
  centre: readonly Vec3[],
  wireRadius: number,
  holds: (x: number, y: number, z: number) => boolean,
  counts?: (piece: number) => boolean,
): { readonly bulk: WireBulk; readonly held: Uint16Array } {
  // Across the wire in its plane, at each vertex; across that is y.
  const across = centre.map((_, i) => sideways(centre, i));
  const held = new Uint16Array(centre.length);
  let [volume, mx, mz, roll] = [0, 0, 0, 0];
  const section = Math.PI * wireRadius * wireRadius;
  const xs = new Float64Array(centre.length);
  const zs = new Float64Array(centre.length);
  for (const [u, v, weight] of filaments) {
    const y = v * wireRadius;
    for (let i = 0; i < centre.length; i++) {
      const [x, , z] = itemAt(centre, i);
      const [nx, nz] = itemAt(across, i);
      xs[i] = x + u * wireRadius * nx;
      zs[i] = z + u * wireRadius * nz;
    }
    const isHeld = (vertex: number) => {
      const isIn = holds(float64At(xs, vertex), y, float64At(zs, vertex));
      if (isIn) held[vertex] = itemAt(held, vertex) + 1;
      return isIn;
    };
    /** the vertex before, where the piece before counted */
    let known = -1;
    let wasIn = false;
    for (let i = 1; i < centre.length; i++) {
      if (counts && !counts(i)) continue;
      if (known !== i - 1) wasIn = isHeld(i - 1);
      known = i;
      const isIn = isHeld(i);
      if (wasIn || isIn) {
        const x = float64At(xs, i - 1);
        const z = float64At(zs, i - 1);
        const dx = float64At(xs, i) - x;
        const dz = float64At(zs, i) - z;
        const length = Math.sqrt(dx * dx + dz * dz);
        let [from, to] = [0, 1];
        if (wasIn !== isIn) {
          const share = crossing(wasIn, length, (at) => holds(x + dx * at, y, z + dz * at));
          if (wasIn) to = share;
          else from = share;
        }
        const middle = (from + to) / 2;
        const piece = section * weight * length * (to - from);
        volume += piece;
        mx += piece * (x + dx * middle);
        mz += piece * (z + dz * middle);
        roll += piece * (y * y + meanSquare(z + dz * from, z + dz * to));
      }
      wasIn = isIn;
    }
  }
  if (volume === 0) return { bulk: { volume: 0, centroid: [0, 0, 0], roll: 0 }, held };
  return { bulk: { volume, centroid: [mx / volume, 0, mz / volume], roll }, held };
}

/** Mean of z² along a straight piece from p to q. */
const meanSquare = (p: number, q: number): number => (p * p + p * q + q * q) / 3;

/** Volume and centre of a whole wire: section × length, since the filaments' offsets average out. */
export function wholeWire(centre: readonly Vec3[], wireRadius: number): Omit<WireBulk, 'roll'> {
  let length = 0;
  let [mx, my, mz] = [0, 0, 0];
  for (let i = 1; i < centre.length; i++) {
    const [a, b] = [itemAt(centre, i - 1), itemAt(centre, i)];
    const piece = norm(sub(b, a));
    length += piece;
    mx += (piece * (a[0] + b[0])) / 2;
    my += (piece * (a[1] + b[1])) / 2;
    mz += (piece * (a[2] + b[2])) / 2;
  }
  return { volume: Math.PI * wireRadius ** 2 * length, centroid: [mx / length, my / length, mz / length] };
}

/** Unit vector (x, z) square to the wire at vertex i, in its plane. */
function sideways(centre: readonly Vec3[], i: number): readonly [x: number, z: number] {
  const before = itemAt(centre, Math.max(0, i - 1));
  const after = itemAt(centre, Math.min(centre.length - 1, i + 1));
  const along = sub(after, before);
  const length = norm(along) || 1;
  return [-along[2] / length, along[0] / length];
}

/** Where, as a share of a piece so long (mm), it goes out of what holds it, or into it. */
function crossing(wasIn: boolean, length: number, isIn: (share: number) => boolean): number {
  const halvings = Math.max(1, Math.ceil(Math.log2(length / CUT)));
  const [last, next] = halve(0, 1, halvings, (share) => isIn(share) === wasIn);
  return (last + next) / 2;
}

/** Volume of a wire ring (torus), 2π²·R·r² (Pappus). */
export function torusVolume(ringRadius: number, wireRadius: number): number {
  return 2 * Math.PI ** 2 * ringRadius * wireRadius ** 2;
}
