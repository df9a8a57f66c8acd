import { itemAt, numberAt } from '../numeric/at.ts';
import type { Part, Rig } from '../assembly/rig.ts';
import { sectionArea, stationsAlong } from '../head/profile.ts';
import type { Ring } from '../hook/ring.ts';
import type { Vec3 } from '../numeric/vec.ts';

/**
 * A line of equal thickness, or a ring of it: how long it is, and the square of how far it lies from a point,
 * over its length, mm and mm³.
 */
interface Spread {
  readonly length: number;
  readonly squares: number;
}

const squared = ([x, y, z]: Vec3, [a, b, c]: Vec3): number => (x - a) ** 2 + (y - b) ** 2 + (z - c) ** 2;

/**
 * Of a wire by its centre line: of each straight piece exactly, by Simpson's rule, and half the square of its
 * radius for its section.
 */
function wireSpread(path: readonly Vec3[], radius: number, about: Vec3): Spread {
  let [length, squares] = [0, 0];
  for (let i = 1; i < path.length; i++) {
    const [a, b] = [itemAt(path, i - 1), itemAt(path, i)];
    const piece = Math.sqrt(squared(a, b));
    const middle: Vec3 = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2];
    length += piece;
    squares +=
      (piece * (squared(a, about) + 4 * squared(middle, about) + squared(b, about))) / 6 +
      (piece * radius ** 2) / 2;
  }
  return { length, squares };
}

/** Of a ring of wire: R² + r² about its own centre, half the sum of a torus' three moments. */
const ringSpread = ({ centre, radius, wireRadius, turns }: Ring, about: Vec3): Spread => {
  const length = turns * 2 * Math.PI * radius;
  return {
    length,
    squares: length * (squared(centre, about) + radius ** 2 + wireRadius ** 2),
  };
};

/** Mean square of how far a part's matter lies from a point, where it is spread along wires. */
function meanSquare(spreads: readonly Spread[]): number {
  const length = spreads.reduce((sum, one) => sum + one.length, 0);
  return length > 0 ? spreads.reduce((sum, one) => sum + one.squares, 0) / length : 0;
}

/** Pieces a body is cut in along its axis. */
const SLICES = 64;

/**
 * ∫ (x − x₀)² dV over the volume of the head's bare body, about its own middle: what it spreads along the
 * shank, mm².
 */
function alongShank({ profile }: Rig): number {
  const stations = stationsAlong(profile, SLICES);
  let [volume, mx, mxx] = [0, 0, 0];
  for (let i = 1; i < stations.length; i++) {
    const [from, to] = [numberAt(stations, i - 1), numberAt(stations, i)];
    const x = (from + to) / 2;
    const slice = (to - from) * sectionArea(profile.section(x));
    volume += slice;
    mx += slice * x;
    mxx += slice * x * x;
  }
  return volume > 0 ? mxx / volume - (mx / volume) ** 2 : 0;
}

/**
 * Mean square of a laid plastic's body about its own centre: by its sections, half of the squares of a
 * section's half sizes over two.
 */
function plasticSquare({ bait }: Rig): number {
  if (!bait) return 0;
  const { body, centre } = bait.laid;
  let [volume, squares] = [0, 0];
  for (let i = 1; i < body.length; i++) {
    const [a, b] = [itemAt(body, i - 1), itemAt(body, i)];
    const [x, z] = [(a.at[0] + b.at[0]) / 2, (a.at[1] + b.at[1]) / 2];
    const [wide, high] = [(a.halfBreadth + b.halfBreadth) / 2, (a.halfHeight + b.halfHeight) / 2];
    const slice = wide * high * Math.hypot(b.at[0] - a.at[0], b.at[1] - a.at[1]);
    volume += slice;
    squares += slice * ((x - centre[0]) ** 2 + (z - centre[2]) ** 2 + (wide ** 2 + high ** 2) / 4);
  }
  return volume > 0 ? squares / volume : 0;
}

/**
 * Mean square of how far a part's matter lies from the part's own centre, mm²: of hook, joint and keeper
 * along their wires, of metal by its roll moment and its sections, of a guard as a straight bundle, of
 * plastic by its sections. Paint is a skin of the metal: five thirds of it, as a hollow ball's is of a full
 * one's.
 */
export function ownSquare(rig: Rig, { name, centroid }: Pick<Part, 'name' | 'centroid'>): number {
  const { hook, keeper, guard } = rig;
  const eye: Ring = { ...hook.eye, turns: 1 };
  const metal = (): number => {
    const volume = rig.parts.find((part) => part.name === 'metal')?.volume ?? 0;
    return (volume > 0 ? rig.roll / volume : 0) + alongShank(rig);
  };
  switch (name) {
    case 'metal':
      return metal();
    case 'paint':
      return (5 / 3) * metal();
    case 'hook':
      return meanSquare([
        wireSpread(hook.centre, hook.wire / 2, centroid),
        ringSpread(hook.hinge?.hookEye ?? eye, centroid),
      ]);
    case 'joint':
      return meanSquare([
        wireSpread(hook.legAndShank, hook.wire / 2, centroid),
        ringSpread(eye, centroid),
        ...(hook.hinge ? [ringSpread(hook.hinge.loop, centroid)] : []),
        ...(hook.hinge?.link ? [ringSpread(hook.hinge.link, centroid)] : []),
      ]);
    case 'keeper':
      return meanSquare(
        keeper?.wires.map(({ path, diameter }) => wireSpread(path, diameter / 2, centroid)) ?? [],
      );
    case 'guard':
      return guard ? (guard.free + guard.depth) ** 2 / 12 : 0;
    case 'plastic':
      return plasticSquare(rig);
  }
}
