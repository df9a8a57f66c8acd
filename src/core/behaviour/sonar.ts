import { massProperties } from '../head/mesh.ts';
import type { Mesh } from '../head/mesh.ts';
import { waterDensity } from '../material/water.ts';
import type { Vec3 } from '../numeric/vec.ts';
import { clamp, radians } from '../numeric/vec.ts';
import { behaviour } from './behaviour.ts';
import { hangAttitude, hanging } from './hang.ts';

/** Wave length of a usual sounder in water, mm: 1480 m/s over 200 kHz. */
const WAVE = 7.4;
/** Surface that looks one way within this is a flat to a sounder, degrees (working value, no source). */
const FLAT = 4;

/** Target strength of a flat of an area (mm²) square to the beam, dB re 1 m²: 20 log₁₀(A/λ) with lengths in m (Urick 1983, table 9.1). */
export const flatStrength = (area: number): number => 20 * Math.log10(area / WAVE / 1000);
/** Of a ball of a diameter (mm): 20 log₁₀(a/2), a its radius in m. */
export const ballStrength = (diameter: number): number => 20 * Math.log10(diameter / 4 / 1000);

/** A flat of a mesh: the way it looks, and its area, mm². */
export interface Flat {
  readonly normal: Vec3;
  readonly area: number;
}

/** Flats of a mesh: what of its facets looks one way within a few degrees, by each of its largest facets. */
export function flatsOf({ positions: p, triangles }: Mesh): Flat[] {
  const normals: { n: Vec3; area: number }[] = [];
  for (let i = 0; i < triangles.length; i += 3) {
    const at = (k: number): Vec3 => {
      const j = 3 * (triangles[i + k] as number);
      return [p[j] as number, p[j + 1] as number, p[j + 2] as number];
    };
    const [a, b, c] = [at(0), at(1), at(2)];
    const [ux, uy, uz] = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
    const [vx, vy, vz] = [c[0] - a[0], c[1] - a[1], c[2] - a[2]];
    const n: Vec3 = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx];
    const size = Math.sqrt(n[0] ** 2 + n[1] ** 2 + n[2] ** 2);
    if (size > 0) normals.push({ n: [n[0] / size, n[1] / size, n[2] / size], area: size / 2 });
  }
  const limit = Math.cos(radians(FLAT));
  // A flat looks the way of its own largest facets.
  const largest = normals.toSorted((a, b) => b.area - a.area).slice(0, LOOKED);
  return largest.map(({ n: d }) => {
    let sum = 0;
    for (const { n, area } of normals) if (n[0] * d[0] + n[1] * d[1] + n[2] * d[2] >= limit) sum += area;
    return { normal: d, area: sum };
  });
}

/** Largest area of a mesh whose facets look one way within a few degrees, mm². */
export const largestFlat = (mesh: Mesh): number => Math.max(0, ...flatsOf(mesh).map(({ area }) => area));

/**
 * Target strength of a flat of an area (mm²) that a beam meets so far off square, radians, dB re 1 m²: a square plate's,
 * 20 log₁₀(A/λ · |sin β / β| · cos θ) with β = k a sin θ (Urick 1983, table 9.1).
 */
export function tiltedStrength(area: number, off: number): number {
  const beta = ((2 * Math.PI) / WAVE) * Math.sqrt(area) * Math.sin(off);
  const pattern = beta === 0 ? 1 : Math.abs(Math.sin(beta) / beta);
  return flatStrength(area) + 20 * Math.log10(Math.max(1e-12, pattern * Math.max(0, Math.cos(off))));
}

/** Facets whose way is tried. */
const LOOKED = 60;

/** How it shows on a sounder. */
export const sonar = behaviour({
  key: 'sonar',
  needs: 'a moment later',
  readings: {
    'sonar.index': {
      name: 'Shows on the sounder',
      quantity: 'number',
      unit: 'dB',
      decimals: 1,
      kind: 'index',
      group: 'In the water',
      formula: '20 log A/λ − 20 log a/2, at least 0',
      note: 'Its largest flat square to a 200 kHz beam against a ball of the same volume (target strengths after Urick 1983). 0 where no flat outshines the ball. It compares, and says nothing of how the head hangs.',
      compared: true,
    },
    'sonar.hanging': {
      name: 'Shows as it hangs',
      quantity: 'number',
      unit: 'dB',
      decimals: 1,
      kind: 'index',
      group: 'In the water',
      formula: '20 log (A/λ · sin β/β · cos θ) − 20 log a/2, at least 0',
      note: 'The same as it hangs on a tight line under the sounder: each flat as a square plate so far off square to a beam from straight above (Urick 1983). 0 where a ball of its volume shows as well.',
    },
  },
  read(rig, { water }) {
    const mesh = rig.bodies[0].faces?.();
    if (!mesh) return {};
    const { volume, area } = massProperties(mesh);
    const diameter = Math.cbrt((6 * volume) / Math.PI);
    // Any round body looks a little every way: the cap of a ball that does is no flat.
    const cap = area * ((1 - Math.cos(radians(FLAT))) / 2);
    const flats = flatsOf(mesh).flatMap((flat) =>
      flat.area > cap ? [{ ...flat, area: flat.area - cap }] : [],
    );
    const over = (strengths: readonly number[]) =>
      Math.max(0, ...strengths.map((one) => one - ballStrength(diameter)));
    const hung = hanging(rig, waterDensity(water));
    const pitch = radians(hangAttitude(rig.places.eye, hung.centre));
    // The beam comes from straight above, in the frame of the head as it hangs.
    const [ux, uz] = [-Math.sin(pitch), Math.cos(pitch)];
    const off = ({ normal: [x, , z] }: Flat) => Math.acos(clamp(x * ux + z * uz, -1, 1));
    return {
      'sonar.index': over(flats.map((flat) => flatStrength(flat.area))),
      'sonar.hanging':
        hung.weight > 0 ? over(flats.map((flat) => tiltedStrength(flat.area, off(flat)))) : undefined,
    };
  },
});
