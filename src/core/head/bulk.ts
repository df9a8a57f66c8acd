import { numberAt } from '../numeric/at.ts';
import { scale } from '../numeric/vec.ts';
import type { HeadBody } from './body.ts';
import { bareHead, columnsOf, isPlain, profileExtent } from './body.ts';
import { applyShapes, columnBulk, columnChange } from './columns.ts';
import type { Mesh } from './mesh.ts';
import { massProperties } from './mesh.ts';
import type { RollingBulk } from './quadrature.ts';
import { bodyBulk, collarBulk } from './quadrature.ts';

/** Volume, centroid and roll moment of a body, collar and features included. */
export function wholeBulk(body: HeadBody): RollingBulk {
  let bulk = bulks.get(body);
  if (!bulk) {
    bulk = bulkOf(body);
    bulks.set(body, bulk);
  }
  return bulk;
}

const bulks = new WeakMap<HeadBody, RollingBulk>();

/**
 * Takes a body without its collar as `factor` times another in every length, so that it need not be
 * integrated again. Throws where a shape of it does not grow with it, which is a mistake of the program.
 */
export function growBulk(head: HeadBody, from: HeadBody, factor: number): void {
  const bare = bareHead(head);
  if (!isGrowing(bare)) throw new Error('A body whose shapes keep their size was taken as one that grows.');
  const { volume, centroid, roll } = wholeBulk(bareHead(from));
  bulks.set(bare, {
    volume: volume * factor ** 3,
    centroid: scale(centroid, factor),
    roll: roll * factor ** 5,
  });
}

/** Whether all shapes of a body but its collar grow with it. */
export const isGrowing = ({ shapes }: HeadBody): boolean =>
  shapes.every(({ grows, isCollar }) => grows === true || isCollar === true);

function bulkOf(body: HeadBody): RollingBulk {
  const { profile, collar, mesh, shapes } = body;
  if (mesh) return mixed(meshBulk(mesh), shapes.length > 0 ? changeOnMesh(body) : undefined);
  if (collar) {
    const bare = bareHead(body);
    const bulk = wholeBulk(bare);
    return mixed(bulk, isPlain(body) ? collarBulk(profile, collar) : collarChange(body, bare, bulk.volume));
  }
  return isPlain(body) ? bodyBulk(profile) : columnBulk(profile, shapes);
}

/** What a collar adds to a worked body: there it may stand in a cut, or be cut itself. */
const collarChange = (
  { profile, shapes, collar }: HeadBody,
  bare: HeadBody,
  whole: number,
): RollingBulk | undefined =>
  collar && columnChange(profile, { before: bare.shapes, after: shapes }, collar, whole);

function meshBulk(mesh: Mesh): RollingBulk {
  const { volume, centroid, inertia } = massProperties(mesh);
  const [, y, z] = centroid;
  return { volume, centroid, roll: inertia[0] + volume * (y * y + z * z) };
}

/** Two bulks as one; the second may be negative. */
function mixed(a: RollingBulk, b: RollingBulk | undefined): RollingBulk {
  if (!b || b.volume === 0) return a;
  const volume = a.volume + b.volume;
  const at = (axis: 0 | 1 | 2) => (a.volume * a.centroid[axis] + b.volume * b.centroid[axis]) / volume;
  return { volume, centroid: [at(0), at(1), at(2)], roll: a.roll + b.roll };
}

/** Places along and across a shape on an imported solid. */
const FINENESS = 72;

/**
 * What shapes add to and take from an imported solid: the difference of its columns with and without them,
 * over the plan of the shapes.
 */
function changeOnMesh({ mesh, shapes, profile }: HeadBody): RollingBulk | undefined {
  if (!mesh) return undefined;
  const columns = columnsOf(mesh);
  const { half } = profileExtent(profile);
  const x0 = Math.max(Math.min(...shapes.map(({ from }) => from)), -profile.length * 2 - 60);
  const x1 = Math.min(Math.max(...shapes.map(({ to }) => to)), profile.length);
  const wide =
    Math.min(
      2 * half,
      Math.max(
        ...shapes.flatMap(({ edges, breaks }) =>
          breaks.flatMap((x) => [0, ...edges(x - 1e-6), ...edges(x + 1e-6)]),
        ),
      ),
    ) || half;
  let [volume, mx, my, mz, roll] = [0, 0, 0, 0, 0];
  const stops = [x0, ...shapes.flatMap(({ breaks }) => breaks), x1]
    .filter((x) => x >= x0 && x <= x1)
    .sort((a, b) => a - b);
  for (let piece = 1; piece < stops.length; piece++) {
    const [a, b] = [numberAt(stops, piece - 1), numberAt(stops, piece)];
    const steps = Math.ceil((FINENESS * (b - a)) / (x1 - x0));
    for (let i = 0; i < steps; i++) {
      const x = a + ((b - a) * (i + 0.5)) / steps;
      for (let j = 0; j < FINENESS; j++) {
        const y = wide * (((j + 0.5) / FINENESS) * 2 - 1);
        const before = columns(x, y);
        const after = before.slice();
        applyShapes(shapes, x, y, after);
        const cell = ((b - a) / steps) * ((2 * wide) / FINENESS);
        for (const [spans, sign] of [
          [after, 1],
          [before, -1],
        ] as const) {
          for (let s = 0; s < spans.length; s += 2) {
            const [lo, hi] = [numberAt(spans, s), numberAt(spans, s + 1)];
            const part = sign * cell * (hi - lo);
            volume += part;
            mx += part * x;
            my += part * y;
            mz += (sign * cell * (hi * hi - lo * lo)) / 2;
            roll += part * y * y + (sign * cell * (hi ** 3 - lo ** 3)) / 3;
          }
        }
      }
    }
  }
  if (volume === 0) return undefined;
  return { volume, centroid: [mx / volume, my / volume, mz / volume], roll };
}
