import type { Vec3 } from '../numeric/vec.ts';
import { cross, sub } from '../numeric/vec.ts';
import { float64At, itemAt, numberAt, triple, uint32At } from '../numeric/at.ts';
import type { Mesh } from '../head/mesh.ts';
import { MOST_RIM } from './limits.ts';

/** Width of a cell that corners are sorted into, in tolerances. */
const CELL = 64;
/**
 * A cell's place as one number; two cells that share one are told apart by the distance of what lies in them.
 */
const hashOf = (u: number, v: number, w: number): number =>
  Math.imul(u, 73856093) ^ Math.imul(v, 19349663) ^ Math.imul(w, 83492791);
/** Cells along one axis within a tolerance of a place, in cells. */
const around = (place: number): number[] => {
  const cell = Math.floor(place);
  const cells = [cell];
  if (place - cell < 1 / CELL) cells.push(cell - 1);
  if (place - cell > 1 - 1 / CELL) cells.push(cell + 1);
  return cells;
};

/** Joins corners closer than `tolerance`, and drops facets that have no area or are there twice. */
export function joinCorners(
  { positions, triangles }: Mesh,
  tolerance: number,
): { mesh: Mesh; dropped: number } {
  const places: number[] = [];
  const moved = new Uint32Array(positions.length / 3);
  const reach = Math.max(tolerance, 1e-12);
  // Wide cells: only a corner near a border asks its neighbours too.
  const step = reach * CELL;
  const cells = new Map<number, number[]>();
  const found = (x: number, y: number, z: number, hash: number) =>
    cells.get(hash)?.find((other) => {
      const [dx, dy, dz] = triple((k) => numberAt(places, 3 * other + k));
      return (x - dx) ** 2 + (y - dy) ** 2 + (z - dz) ** 2 <= tolerance ** 2;
    });
  for (let i = 0; i < moved.length; i++) {
    const [x, y, z] = triple((k) => float64At(positions, 3 * i + k));
    const own = hashOf(Math.floor(x / step), Math.floor(y / step), Math.floor(z / step));
    let at = found(x, y, z, own);
    if (at === undefined) {
      search: for (const u of around(x / step))
        for (const v of around(y / step))
          for (const w of around(z / step)) {
            at = found(x, y, z, hashOf(u, v, w));
            if (at !== undefined) break search;
          }
    }
    if (at === undefined) {
      at = places.length / 3;
      places.push(x, y, z);
      const cell = cells.get(own);
      if (cell) cell.push(at);
      else cells.set(own, [at]);
    }
    moved[i] = at;
  }
  const kept: number[] = [];
  const seen = new Set<string>();
  let dropped = 0;
  for (let i = 0; i < triangles.length; i += 3) {
    const [a, b, c] = triple((k) => uint32At(moved, uint32At(triangles, i + k)));
    const key = [a, b, c].sort((m, n) => m - n).join(',');
    if (a === b || b === c || c === a || seen.has(key)) {
      dropped++;
      continue;
    }
    seen.add(key);
    kept.push(a, b, c);
  }
  return { mesh: { positions: Float64Array.from(places), triangles: Uint32Array.from(kept) }, dropped };
}

/** An edge as one number, whichever way it runs; corner numbers are below 2^26. */
const edgeKey = (a: number, b: number): number => (a < b ? a * 2 ** 26 + b : b * 2 ** 26 + a);

/** Facets at each edge, whichever way they run. */
function edgeFacets({ triangles }: Mesh): Map<number, number[]> {
  const edges = new Map<number, number[]>();
  for (let i = 0; i < triangles.length; i += 3) {
    for (let k = 0; k < 3; k++) {
      const key = edgeKey(uint32At(triangles, i + k), uint32At(triangles, i + ((k + 1) % 3)));
      const at = edges.get(key);
      if (at) at.push(i);
      else edges.set(key, [i]);
    }
  }
  return edges;
}

/**
 * Groups of facets joined by edges, and for each facet whether it must be turned to run like its neighbours;
 * −1 in a group that cannot be.
 */
function walk(mesh: Mesh): {
  group: Int32Array;
  turn: Uint8Array;
  groups: number;
  crowded: number;
  twisted: boolean;
} {
  const { triangles } = mesh;
  const edges = edgeFacets(mesh);
  const count = triangles.length / 3;
  const group = new Int32Array(count).fill(-1);
  const turn = new Uint8Array(count);
  let groups = 0;
  let crowded = 0;
  let twisted = false;
  for (const facets of edges.values()) if (facets.length > 2) crowded++;
  const runs = (facet: number, a: number, b: number) => {
    for (let k = 0; k < 3; k++)
      if (triangles[facet + k] === a && triangles[facet + ((k + 1) % 3)] === b) return true;
    return false;
  };
  for (let start = 0; start < count; start++) {
    if (group[start] !== -1) continue;
    group[start] = groups;
    const queue = [start];
    for (let facet = queue.pop(); facet !== undefined; facet = queue.pop()) {
      for (let k = 0; k < 3; k++) {
        const a: number = uint32At(triangles, 3 * facet + k);
        const b: number = uint32At(triangles, 3 * facet + ((k + 1) % 3));
        const [first, second, third]: readonly number[] = edges.get(edgeKey(a, b)) ?? [];
        if (first === undefined || second === undefined || third !== undefined) continue;
        const other: number = (first === 3 * facet ? second : first) / 3;
        // Neighbours run along their common edge in opposite ways.
        const same = runs(3 * other, a, b);
        const wanted = same ? 1 - itemAt(turn, facet) : itemAt(turn, facet);
        if (group[other] === -1) {
          group[other] = groups;
          turn[other] = wanted;
          queue.push(other);
        } else if (turn[other] !== wanted) twisted = true;
      }
    }
    groups++;
  }
  return { group, turn, groups, crowded, twisted };
}

/**
 * Turns facets so that neighbours run alike; refuses where an edge has more than two facets, or the surface
 * has only one side.
 */
export function turnAlike(
  mesh: Mesh,
): { mesh: Mesh; turned: number; reason: '' } | { mesh: undefined; turned: 0; reason: string } {
  const { group, turn, groups, crowded, twisted } = walk(mesh);
  const refuse = (reason: string) => ({ mesh: undefined, turned: 0 as const, reason });
  if (crowded > 0)
    return refuse(
      `More than two facets meet at ${crowded} of its edges, so it has no clear inside. Mend it where it was modelled.`,
    );
  if (twisted)
    return refuse(
      'Its surface has only one side, like a twisted band, so it encloses nothing. Mend it where it was modelled.',
    );
  // The fewer are turned to run like the more.
  const tally = Array.from({ length: groups }, (): [number, number] => [0, 0]);
  group.forEach((g, i) => (itemAt(tally, g)[turn[i] === 0 ? 0 : 1] += 1));
  const triangles = mesh.triangles.slice();
  let turned = 0;
  group.forEach((g, i) => {
    const [plain, other] = itemAt(tally, g);
    const wanted = other > plain ? 0 : 1;
    if (turn[i] !== wanted) return;
    turned++;
    [triangles[3 * i + 1], triangles[3 * i + 2]] = [
      uint32At(triangles, 3 * i + 2),
      uint32At(triangles, 3 * i + 1),
    ];
  });
  return { mesh: { positions: mesh.positions, triangles }, turned, reason: '' };
}

/** The shells of a mesh: facets joined by edges, each with its own corners. */
export function pieces(mesh: Mesh): Mesh[] {
  const { group, groups } = walk(mesh);
  const facets = Array.from({ length: groups }, (): number[] => []);
  group.forEach((g, i) => facets[g]?.push(i));
  return facets.map((own) => {
    const corners = new Map<number, number>();
    const positions: number[] = [];
    const triangles: number[] = [];
    for (const i of own) {
      for (let k = 0; k < 3; k++) {
        const corner = uint32At(mesh.triangles, 3 * i + k);
        let index = corners.get(corner);
        if (index === undefined) {
          index = corners.size;
          corners.set(corner, index);
          for (let axis = 0; axis < 3; axis++) positions.push(float64At(mesh.positions, 3 * corner + axis));
        }
        triangles.push(index);
      }
    }
    return { positions: Float64Array.from(positions), triangles: Uint32Array.from(triangles) };
  });
}

/** How many shells a mesh has. */
export const countPieces = (mesh: Mesh): number => walk(mesh).groups;

/** How far a hole's rim may leave its plane, as a share of its size, and still count as flat. */
const FLAT = 1e-3;

/**
 * Closes holes whose rim is one flat loop by facets about its middle; others are left, and the edges around
 * them counted.
 */
export function fillFlatHoles({ positions, triangles }: Mesh): { mesh: Mesh; holes: number; left: number } {
  // Open edges, the way their one facet runs; a filling facet runs the other way.
  const next = new Map<number, number[]>();
  const seen = new Map<number, number>();
  for (let i = 0; i < triangles.length; i += 3) {
    for (let k = 0; k < 3; k++) {
      const key = edgeKey(uint32At(triangles, i + k), uint32At(triangles, i + ((k + 1) % 3)));
      seen.set(key, (seen.get(key) ?? 0) + 1);
    }
  }
  let open = 0;
  for (let i = 0; i < triangles.length; i += 3) {
    for (let k = 0; k < 3; k++) {
      const [a, b] = [uint32At(triangles, i + k), uint32At(triangles, i + ((k + 1) % 3))];
      if (seen.get(edgeKey(a, b)) !== 1) continue;
      open++;
      const from = next.get(b);
      if (from) from.push(a);
      else next.set(b, [a]);
    }
  }
  const places = Array.from(positions);
  const facets = Array.from(triangles);
  let holes = 0;
  let left = open;
  const start = new Set(next.keys());
  for (const first of start) {
    const loop: number[] = [];
    const passed = new Set<number>();
    let at: number | undefined = first;
    while (at !== undefined && next.get(at)?.length === 1 && !passed.has(at)) {
      loop.push(at);
      passed.add(at);
      at = next.get(at)?.[0];
    }
    // Walked once, whatever comes of it.
    for (const corner of loop) start.delete(corner);
    if (at !== first || loop.length < 3 || loop.length > MOST_RIM) continue;
    const points = loop.map((corner) => triple((k) => float64At(positions, 3 * corner + k)));
    for (const corner of loop) next.delete(corner);
    const middle = triple((k) => points.reduce((sum, p) => sum + p[k], 0) / points.length);
    const normals = points.map((p, i) => facing(middle, p, itemAt(points, (i + 1) % points.length)));
    const total = triple((k) => normals.reduce((sum, n) => sum + n[k], 0));
    const length = Math.hypot(...total);
    let [size, off] = [0, 0];
    for (const p of points) {
      const [x, y, z] = [p[0] - middle[0], p[1] - middle[1], p[2] - middle[2]];
      size = Math.max(size, Math.hypot(x, y, z));
      off = Math.max(off, Math.abs((x * total[0] + y * total[1] + z * total[2]) / length));
    }
    // Every filling facet must face the same way, or the rim is not seen whole from its middle.
    const clear = normals.every((n) => n[0] * total[0] + n[1] * total[1] + n[2] * total[2] > 0);
    if (!(off <= FLAT * size) || !clear) continue;
    const centre = places.length / 3;
    places.push(...middle);
    loop.forEach((corner, i) => facets.push(centre, corner, numberAt(loop, (i + 1) % loop.length)));
    holes++;
    left -= loop.length;
  }
  return { mesh: { positions: Float64Array.from(places), triangles: Uint32Array.from(facets) }, holes, left };
}

/** Normal of a facet, as long as twice its area. */
const facing = (a: Vec3, b: Vec3, c: Vec3): Vec3 => cross(sub(b, a), sub(c, a));
