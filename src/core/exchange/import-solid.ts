import { float64At, numberAt, triple, uint32At } from '../numeric/at.ts';
import { MM_PER_INCH } from '../quantity/units.ts';
import { shortened } from '../quantity/text.ts';
import type { Manifold, ManifoldToplevel } from 'manifold-3d';
import type { Design } from '../document/design.ts';
import type { Mesh } from '../head/mesh.ts';
import { massProperties, openEdges } from '../head/mesh.ts';
import { meshOf, toManifold } from '../head/solid.ts';
import { importedSolid, packSolid } from '../head/imported.ts';
import { imported } from '../head/families/imported.ts';
import { starterDesign } from '../document/starter.ts';
import { crossings } from '../head/crossings.ts';
import { MOST_TRIANGLES } from '../head/imported.ts';
import { MOST_READ, MOST_SHELLS } from './limits.ts';
import { countPieces, fillFlatHoles, joinCorners, pieces, turnAlike } from './mend.ts';

/** What was found in a mesh from outside, and what was done about it. */
export interface SolidReport {
  /** triangles as they came */
  readonly triangles: number;
  readonly repairs: readonly string[];
  /** why it cannot be taken; empty when it can */
  readonly refused: string;
  /** the mended mesh in the file's own units and axes; present when it can be taken */
  readonly mesh: Mesh | undefined;
  readonly volume: number;
  /** size along the file's own x, y, z */
  readonly sizes: readonly [number, number, number];
}

/**
 * Examines a mesh from outside and mends what can be mended without guessing: corners that lie on each other
 * are joined, facets without area or twice there dropped, facets turned alike, an inside-out shell turned,
 * flat holes closed, touching shells joined, a very fine mesh thinned. What is open, crosses itself or falls
 * into pieces is refused with its reason.
 */
export function examineSolid(kernel: ManifoldToplevel, raw: Mesh): SolidReport {
  const repairs: string[] = [];
  const count = raw.triangles.length / 3;
  const sizes = sizesOf(raw);
  const report = (refused: string, mesh?: Mesh): SolidReport => ({
    triangles: count,
    repairs,
    refused,
    mesh,
    volume: mesh ? massProperties(mesh).volume : NaN,
    sizes,
  });
  if (count === 0) return report('It holds no facets.');
  if (count > MOST_READ)
    return report(`It holds ${count} facets; at most ${MOST_READ} are read. Export it coarser.`);
  if (!raw.positions.every((value) => Number.isFinite(value)))
    return report('Some of its corners are not numbers. Export it again.');
  const joined = joinCorners(raw, Math.max(...sizes) * 1e-6);
  if (joined.dropped > 0)
    repairs.push(`${joined.dropped} facets without area, or there twice, were dropped.`);
  const shellCount = countPieces(joined.mesh);
  if (shellCount > MOST_SHELLS)
    return report(
      `It falls into ${shellCount} shells; at most ${MOST_SHELLS} are joined. A head is one ` +
        'piece of metal: export that piece alone.',
    );
  const turned = turnAlike(joined.mesh);
  if (turned.mesh === undefined) return report(turned.reason);
  if (turned.turned > 0) repairs.push(`${turned.turned} facets faced the wrong way and were turned.`);
  let mesh = turned.mesh;
  if (openEdges(mesh) > 0) {
    const filled = fillFlatHoles(mesh);
    if (filled.left > 0) {
      return report(
        `It is open: ${filled.left} edges have no neighbour, and the holes they run around are ` +
          'not flat, so they cannot be closed without guessing. Close it where it was modelled.',
      );
    }
    repairs.push(`${filled.holes} flat ${filled.holes === 1 ? 'hole was' : 'holes were'} closed.`);
    mesh = filled.mesh;
  }
  const found = pieces(mesh);
  const shells = found.map((shell) => (massProperties(shell).volume < 0 ? flipped(shell) : shell));
  const inside = shells.filter((shell, i) => shell !== found[i]).length;
  if (inside > 0)
    repairs.push(
      `${inside} inside-out ${inside === 1 ? 'shell was' : 'shells were'} turned; a hollow ` +
        'inside would be filled by that.',
    );
  const solids: Manifold[] = [];
  try {
    for (const shell of shells) {
      const crossed = crossings(shell);
      if (crossed.isUnclear)
        return report(
          'So many of its facets lie over each other that it cannot be told whether it crosses ' +
            'itself. Export it with even facets.',
        );
      if (crossed.count > 0) {
        const [x, y, z] = crossed.at.map((value) => Number(value.toFixed(2)));
        return report(
          `It crosses itself in ${crossed.count} places, the first near (${x}, ${y}, ${z}) in the ` +
            'file’s units. Which side is metal there cannot be told; mend it where it was modelled.',
        );
      }
      const solid = toManifold(kernel, shell);
      solids.push(solid);
      if (solid.status() !== 'NoError')
        return report(`It is not a closed solid (${solid.status()}). Mend it where it was modelled.`);
    }
    let whole = kernel.Manifold.union(solids);
    solids.push(whole);
    const parts = whole.decompose();
    solids.push(...parts);
    if (parts.length > 1)
      return report(
        `It falls into ${parts.length} separate pieces. A head is one piece of metal: export that piece alone.`,
      );
    if (shells.length > 1)
      repairs.push(`${shells.length} shells that run into each other were joined to one.`);
    if (whole.numTri() > MOST_TRIANGLES) {
      const before = whole.volume();
      let tolerance = Math.max(...sizes) * 2e-5;
      while (whole.numTri() > MOST_TRIANGLES && tolerance < Math.max(...sizes) * 0.02) {
        whole = whole.simplify(tolerance);
        solids.push(whole);
        tolerance *= 1.6;
      }
      const change = Math.abs(whole.volume() / before - 1);
      if (whole.numTri() > MOST_TRIANGLES || change > 2e-3) {
        return report(
          `It has ${shells.reduce((sum, shell) => sum + shell.triangles.length / 3, 0)} facets and ` +
            `could not be thinned to ${MOST_TRIANGLES} without changing its volume. Export it ` +
            'coarser.',
        );
      }
      repairs.push(
        `Thinned to ${whole.numTri()} facets; its volume changed by ${(change * 100).toFixed(3)}%.`,
      );
    }
    // A mesh that needed nothing is kept corner for corner.
    const untouched = repairs.length === 0;
    return report('', untouched ? mesh : meshOf(whole));
  } finally {
    for (const solid of solids) solid.delete();
  }
}

function sizesOf({ positions }: Mesh): [number, number, number] {
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  positions.forEach((value, i) => {
    low[i % 3] = Math.min(numberAt(low, i % 3), value);
    high[i % 3] = Math.max(numberAt(high, i % 3), value);
  });
  return triple((k) => numberAt(high, k) - numberAt(low, k));
}

const flipped = ({ positions, triangles }: Mesh): Mesh => {
  const turned = triangles.slice();
  for (let i = 0; i < turned.length; i += 3)
    [turned[i + 1], turned[i + 2]] = [uint32At(turned, i + 2), uint32At(turned, i + 1)];
  return { positions, triangles: turned };
};

/** Directions of a file’s axes. */
export const AXES = ['+x', '-x', '+y', '-y', '+z', '-z'] as const;
/** A direction of a file’s axis. */
export type Axis = (typeof AXES)[number];
/** Units a file’s numbers may be in, mm each. */
export const SOLID_UNITS = { mm: 1, cm: 10, in: MM_PER_INCH, m: 1000 } as const;
/** A unit of a file’s numbers. */
export type SolidUnit = keyof typeof SOLID_UNITS;

/** How a solid from outside is set on the shank. */
export interface Placement {
  /** the file's axis that points to the nose */
  readonly nose: Axis;
  /** the file's axis that points to the hook point; another one */
  readonly up: Axis;
  readonly unit: SolidUnit;
  /** where the shank's line runs, as a share of the height from the belly */
  readonly level: number;
  /** and as a share of the breadth from the right side */
  readonly side: number;
}

/** How a solid lies in its file where nobody has said otherwise. */
export const PLAIN_PLACEMENT: Placement = { nose: '+x', up: '+z', unit: 'mm', level: 0.5, side: 0.5 };

function axisVector(axis: Axis): readonly [number, number, number] {
  const sign = axis.startsWith('-') ? -1 : 1;
  return [axis.endsWith('x') ? sign : 0, axis.endsWith('y') ? sign : 0, axis.endsWith('z') ? sign : 0];
}

/**
 * The mesh in the body frame: nose to +x, rear face at 0, shank's line on the axis, in mm. Throws when nose
 * and up lie on one axis.
 */
export function placeSolid({ positions, triangles }: Mesh, { nose, up, unit, level, side }: Placement): Mesh {
  if (nose[1] === up[1])
    throw new Error('Nose and up: they cannot lie on the same axis of the file. Choose two different ones.');
  const [fx, fz] = [axisVector(nose), axisVector(up)];
  // +y is up × nose, so that the three stay right-handed and nothing is mirrored.
  const fy = [
    fz[1] * fx[2] - fz[2] * fx[1],
    fz[2] * fx[0] - fz[0] * fx[2],
    fz[0] * fx[1] - fz[1] * fx[0],
  ] as const;
  const k = SOLID_UNITS[unit];
  const out = new Float64Array(positions.length);
  for (let i = 0; i < positions.length; i += 3) {
    const p = [float64At(positions, i), float64At(positions, i + 1), float64At(positions, i + 2)] as const;
    [fx, fy, fz].forEach((f, axis) => {
      out[i + axis] = k * (f[0] * p[0] + f[1] * p[1] + f[2] * p[2]);
    });
  }
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  out.forEach((value, i) => {
    low[i % 3] = Math.min(numberAt(low, i % 3), value);
    high[i % 3] = Math.max(numberAt(high, i % 3), value);
  });
  const between = (axis: 1 | 2, share: number) =>
    numberAt(low, axis) + share * (numberAt(high, axis) - numberAt(low, axis));
  const shift = [numberAt(low, 0), between(1, side), between(2, level)];
  for (let i = 0; i < out.length; i++) out[i] = float64At(out, i) - numberAt(shift, i % 3);
  return { positions: out, triangles };
}

/**
 * A new design around a solid that is set on the shank. Throws a sentence when the shank's line does not run
 * through it.
 */
export function importedDesign(name: string, file: string, mesh: Mesh): Design {
  const solid = packSolid(file, mesh);
  const read = importedSolid(solid);
  if (!read)
    throw new Error('Hook position: the shank’s line does not run through the solid. Move it to the middle.');
  const base = starterDesign(imported, shortened(name, 120) || 'Imported head');
  return {
    ...base,
    head: {
      family: imported.key,
      dimensions: { length: read.length, breadth: read.breadth, height: read.height },
      metal: 'lead',
      solid,
    },
    keeper: { kind: 'none' },
  };
}
