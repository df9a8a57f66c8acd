import { float64At, uint32At } from '../numeric/at.ts';
import { massProperties } from '../head/mesh.ts';
import type { Mesh } from '../head/mesh.ts';
import { waterDensity } from '../material/water.ts';
import type { Vec3 } from '../numeric/vec.ts';
import { radians } from '../numeric/vec.ts';
import { behaviour } from './behaviour.ts';
import { hangAttitude, hanging } from './hang.ts';

/** Wave length of a usual sounder in water, mm: 1480 m/s over 200 kHz. */
const WAVE = 7.4;
/** Surface that looks one way within this is a flat to a sounder, degrees (working value, no source). */
const FLAT = 4;

/**
 * Target strength of a flat of an area (mm²) square to the beam, dB re 1 m²: 20 log₁₀(A/λ) with lengths in m
 * (Urick 1983, table 9.1).
 */
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
      const j = 3 * uint32At(triangles, i + k);
      return [float64At(p, j), float64At(p, j + 1), float64At(p, j + 2)];
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

/** Longest side of a facet as it is summed, mm: a fifth of the wave, so that its echo is of one phase. */
const PIECE = WAVE / 5;

/**
 * How much of a wave a body sends straight back, mm: |∫ (n·u) e^(2iku·r) dA| / λ over what looks at the beam
 * (Kirchhoff’s approximation; Urick 1983, chapter 9), `towards` the unit vector from the body to the sounder.
 * A flat square to it sends back A/λ, a ball some a/2.
 */
export function echoOf(mesh: Mesh, towards: Vec3): number {
  const k2 = (4 * Math.PI) / WAVE;
  let [re, im] = [0, 0];
  const [ux, uy, uz] = towards;
  const { positions: p, triangles } = mesh;
  const at = (corner: number, axis: number): number => float64At(p, 3 * uint32At(triangles, corner) + axis);
  for (let i = 0; i < triangles.length; i += 3) {
    const [ax, ay, az] = [at(i, 0), at(i, 1), at(i, 2)];
    const [bx, by, bz] = [at(i + 1, 0) - ax, at(i + 1, 1) - ay, at(i + 1, 2) - az];
    const [cx, cy, cz] = [at(i + 2, 0) - ax, at(i + 2, 1) - ay, at(i + 2, 2) - az];
    // Twice the area that it shows to the beam.
    const shown = ux * (by * cz - bz * cy) + uy * (bz * cx - bx * cz) + uz * (bx * cy - by * cx);
    if (shown <= 0) continue;
    const longest = Math.max(
      bx * bx + by * by + bz * bz,
      cx * cx + cy * cy + cz * cz,
      (bx - cx) ** 2 + (by - cy) ** 2 + (bz - cz) ** 2,
    );
    const pieces = Math.max(1, Math.ceil(Math.sqrt(longest) / PIECE));
    const depth = k2 * (ux * ax + uy * ay + uz * az);
    const [toB, toC] = [k2 * (ux * bx + uy * by + uz * bz), k2 * (ux * cx + uy * cy + uz * cz)];
    const part = shown / 2 / pieces ** 2;
    // The middles of its pieces, those that stand and those that hang between them.
    for (let row = 0; row < pieces; row++)
      for (let column = 0; column < 2 * (pieces - row) - 1; column++) {
        const hangs = column % 2;
        const s = (row + (hangs ? 2 / 3 : 1 / 3)) / pieces;
        const t = ((column - hangs) / 2 + (hangs ? 2 / 3 : 1 / 3)) / pieces;
        const phase = depth + s * toB + t * toC;
        re += part * Math.cos(phase);
        im += part * Math.sin(phase);
      }
  }
  return Math.hypot(re, im) / WAVE;
}

/** How far a head swings as it hangs, degrees, either way over nose and side (working values, no source). */
const NODS = [-10, -5, 0, 5, 10];
const ROLLS = [-8, 0, 8];

/**
 * Echo of a body that hangs nose-down by a pitch (radians) under the sounder and swings a little, mm: the
 * mean of its power.
 */
function hangingEcho(mesh: Mesh, pitch: number): number {
  let power = 0;
  for (const nod of NODS)
    for (const roll of ROLLS) {
      const [at, over] = [pitch + radians(nod), radians(roll)];
      power +=
        echoOf(mesh, [-Math.sin(at) * Math.cos(over), Math.sin(over), Math.cos(at) * Math.cos(over)]) ** 2;
    }
  return Math.sqrt(power / (NODS.length * ROLLS.length));
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
      note:
        'Its largest flat square to a 200 kHz beam against a ball of the same volume (target ' +
        'strengths after Urick 1983). 0 where no flat outshines the ball. It compares, and says ' +
        'nothing of how the head hangs.',
      compared: true,
    },
    'sonar.hanging': {
      name: 'Shows as it hangs',
      quantity: 'number',
      unit: 'dB',
      decimals: 1,
      kind: 'index',
      group: 'In the water',
      formula: '20 log |∫ (n·u) e^(2iku·r) dA| / λ − 20 log a/2',
      note:
        'What the head’s surface sends back to a 200 kHz sounder straight above it as it hangs on ' +
        'a tight line (Kirchhoff’s approximation; Urick 1983), against a ball of the same volume: ' +
        'above zero it shows better than that ball, below it worse. The mean of its power as it ' +
        'swings by 10° over its nose and 8° to its sides (working values). The hook and the bait ' +
        'add to it.',
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
    return {
      'sonar.index': over(flats.map((flat) => flatStrength(flat.area))),
      'sonar.hanging':
        hung.weight > 0
          ? 20 * Math.log10(hangingEcho(mesh, pitch) / 1000) - ballStrength(diameter)
          : undefined,
    };
  },
});
