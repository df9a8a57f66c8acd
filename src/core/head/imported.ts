import { float64At, numberAt, uint32At } from '../numeric/at.ts';
import { shortened } from '../quantity/text.ts';
import { halve } from '../numeric/halve.ts';
import { clamp } from '../numeric/vec.ts';
import type { SolidSpec } from './schema.ts';
import type { Mesh } from './mesh.ts';
import { cornersAt, massProperties, openEdges } from './mesh.ts';
import { crossings } from './crossings.ts';
import type { Profile, Section } from './profile.ts';
import { EMPTY_SECTION } from './profile.ts';
import { fullness } from '../numeric/superellipse.ts';

/**
 * A solid from outside, unpacked: its mesh as it came, what it weighs by volume, and its envelope along the
 * shank.
 */
export interface ImportedSolid {
  readonly mesh: Mesh;
  readonly volume: number;
  readonly length: number;
  readonly breadth: number;
  readonly height: number;
  /** share of the height below the shank */
  readonly belly: number;
  /** sections at even places from the rear to the nose, in mm as it came */
  readonly sections: readonly Section[];
}

const STATIONS = 64;
/** Most triangles kept in a document; a finer mesh is thinned out when it is brought in. */
export const MOST_TRIANGLES = 16_000;
/** The last solids unpacked, or why they cannot be taken: a drag asks for the same one hundreds of times. */
const kept = new Map<string, { readonly triangles: string; readonly solid: ImportedSolid | string }>();
const KEPT = 24;

function bytes(text: string): ArrayBuffer {
  const raw = atob(text);
  const out = new Uint8Array(raw.length);
  for (let i = 0; i < raw.length; i++) out[i] = raw.charCodeAt(i);
  return out.buffer;
}

function base64(data: Uint8Array): string {
  let raw = '';
  // In pieces: a call takes only so many arguments.
  for (let i = 0; i < data.length; i += 8192) raw += String.fromCharCode(...data.subarray(i, i + 8192));
  return btoa(raw);
}

/** A mesh as a document holds it. Corners are rounded to 32-bit floats. */
export function packSolid(name: string, { positions, triangles }: Mesh): SolidSpec {
  const floats = Float32Array.from(positions);
  const corners = Uint32Array.from(triangles);
  return {
    name: shortened(name, 200),
    positions: base64(new Uint8Array(floats.buffer)),
    triangles: base64(new Uint8Array(corners.buffer)),
  };
}

/** The mesh a document holds; undefined when its data are cut short or name corners that are not there. */
export function unpackMesh({ positions, triangles }: SolidSpec): Mesh | undefined {
  try {
    const [p, t] = [bytes(positions), bytes(triangles)];
    if (p.byteLength % 12 !== 0 || t.byteLength % 12 !== 0 || t.byteLength === 0) return undefined;
    const mesh = { positions: Float64Array.from(new Float32Array(p)), triangles: new Uint32Array(t) };
    const corners = mesh.positions.length / 3;
    if (mesh.triangles.some((corner) => corner >= corners)) return undefined;
    return mesh.positions.every((value) => Number.isFinite(value)) ? mesh : undefined;
  } catch {
    return undefined;
  }
}

/** Unpacks a solid and reads its envelope; undefined when it cannot be taken (see `solidFlaw`). */
export function importedSolid(spec: SolidSpec): ImportedSolid | undefined {
  const read = readSolid(spec);
  return typeof read === 'string' ? undefined : read;
}

/**
 * What keeps a document's solid from being a head, in words with the remedy; empty when nothing does. The
 * same is asked of it when it is brought in.
 */
export function solidFlaw(spec: SolidSpec): string {
  const read = readSolid(spec);
  return typeof read === 'string' ? read : '';
}

function readSolid(spec: SolidSpec): ImportedSolid | string {
  const known = kept.get(spec.positions);
  if (known && known.triangles === spec.triangles) return known.solid;
  const solid = soundSolid(spec);
  const [oldest] = kept.keys();
  if (kept.size >= KEPT && oldest !== undefined) kept.delete(oldest);
  kept.set(spec.positions, { triangles: spec.triangles, solid });
  return solid;
}

function soundSolid(spec: SolidSpec): ImportedSolid | string {
  const mesh = unpackMesh(spec);
  if (!mesh) return 'its data are cut short. Import it again from its file.';
  const facets = mesh.triangles.length / 3;
  if (facets > MOST_TRIANGLES)
    return (
      `it has ${facets} facets; at most ${MOST_TRIANGLES} are kept. Import it again from its ` +
      'file, which thins it.'
    );
  const open = openEdges(mesh);
  if (open > 0)
    return (
      `it is not closed: ${open} of its edges do not join two facets. Import it again from its ` +
      'file, which mends what can be mended.'
    );
  if (!isOnePiece(mesh)) return 'it falls into several pieces. Import the head alone, as one piece of metal.';
  const envelope = readEnvelope(mesh);
  if (!envelope)
    return 'it is inside out, or does not reach to both sides of the shank. Import it again from its file.';
  const { count, isUnclear } = crossings(mesh);
  if (isUnclear)
    return 'so many of its facets lie over each other that it cannot be judged. Export it with even facets.';
  if (count > 0) return `it crosses itself in ${count} places. Mend it where it was modelled.`;
  return envelope;
}

/** Whether every facet can be reached from every other over corners they share. */
function isOnePiece({ positions, triangles }: Mesh): boolean {
  const parent = Uint32Array.from({ length: positions.length / 3 }, (_, i) => i);
  const root = (corner: number): number => {
    let at = corner;
    while (parent[at] !== at) {
      parent[at] = uint32At(parent, uint32At(parent, at));
      at = uint32At(parent, at);
    }
    return at;
  };
  for (let i = 0; i < triangles.length; i += 3)
    for (const k of [1, 2]) parent[root(uint32At(triangles, i + k))] = root(uint32At(triangles, i));
  const first = root(uint32At(triangles, 0));
  return triangles.every((corner) => root(corner) === first);
}

function readEnvelope(mesh: Mesh): ImportedSolid | undefined {
  const { volume } = massProperties(mesh);
  let [length, half, rise, drop] = [0, 0, 0, 0];
  for (let i = 0; i < mesh.positions.length; i += 3) {
    length = Math.max(length, float64At(mesh.positions, i));
    half = Math.max(half, Math.abs(float64At(mesh.positions, i + 1)));
    rise = Math.max(rise, float64At(mesh.positions, i + 2));
    drop = Math.max(drop, -float64At(mesh.positions, i + 2));
  }
  if (!(volume > 0 && length > 0 && half > 0 && rise > 0 && drop > 0)) return undefined;
  const sections = Array.from({ length: STATIONS + 1 }, (_, i) =>
    // A hair inside the ends, where a flat face would be cut edge on.
    sliceEnvelope(mesh, Math.min(length * (1 - 1e-6), Math.max(length * 1e-6, (length * i) / STATIONS))),
  );
  return {
    mesh,
    volume,
    length,
    breadth: 2 * half,
    height: rise + drop,
    belly: drop / (rise + drop),
    sections,
  };
}

/**
 * Reach and fullness of the cut through a mesh at x: half-breadth, rise, drop and the exponent that gives its
 * area.
 */
function sliceEnvelope({ positions: p, triangles }: Mesh, x: number): Section {
  let [b, t, d, twice] = [0, 0, 0, 0];
  for (let i = 0; i < triangles.length; i += 3) {
    const ends: [number, number][] = [];
    const ups: boolean[] = [];
    for (let k = 0; k < 3; k++) {
      const from = 3 * uint32At(triangles, i + k);
      const to = 3 * uint32At(triangles, i + ((k + 1) % 3));
      const [x0, x1] = [float64At(p, from), float64At(p, to)];
      if (x0 < x === x1 < x) continue;
      const share = (x - x0) / (x1 - x0);
      ends.push([
        float64At(p, from + 1) + share * (float64At(p, to + 1) - float64At(p, from + 1)),
        float64At(p, from + 2) + share * (float64At(p, to + 2) - float64At(p, from + 2)),
      ]);
      ups.push(x1 > x0);
    }
    const [first, second] = ends;
    if (!first || !second) continue;
    for (const [y, z] of [first, second]) {
      b = Math.max(b, Math.abs(y));
      t = Math.max(t, z);
      d = Math.max(d, -z);
    }
    const cross = first[0] * second[1] - second[0] * first[1];
    twice += ups[0] ? -cross : cross;
  }
  if (!(b > 0 && t + d > 0)) return EMPTY_SECTION;
  const wanted = clamp(Math.abs(twice) / 2 / (2 * b * (t + d)), 0.5, 0.99);
  const [low, high] = halve(1, 12, 30, (exponent) => fullness(exponent) < wanted);
  const n = (low + high) / 2;
  return { b, t, d, nt: n, nb: n };
}

/** Envelope of a solid stretched to the given sizes, as stations: what outlines and fits are read from. */
export function envelopeProfile(
  solid: ImportedSolid,
  { length = solid.length, breadth = solid.breadth, height = solid.height }: Readonly<Record<string, number>>,
): Profile {
  const [fy, fz] = [breadth / solid.breadth, height / solid.height];
  return {
    length,
    breaks: [0, length],
    section: (x) => {
      if (!(x >= 0 && x <= length)) return EMPTY_SECTION;
      const place = (x / length) * STATIONS;
      const i = Math.min(STATIONS - 1, Math.floor(place));
      const [a, c] = [solid.sections[i] ?? EMPTY_SECTION, solid.sections[i + 1] ?? EMPTY_SECTION];
      const mix = (of: keyof Section) => a[of] + (c[of] - a[of]) * (place - i);
      return { b: mix('b') * fy, t: mix('t') * fz, d: mix('d') * fz, nt: mix('nt'), nb: mix('nb') };
    },
  };
}

/** The mesh of a solid stretched to the given sizes. */
export function stretchedMesh(solid: ImportedSolid, dimensions: Readonly<Record<string, number>>): Mesh {
  const { length = solid.length, breadth = solid.breadth, height = solid.height } = dimensions;
  const factors = [length / solid.length, breadth / solid.breadth, height / solid.height];
  return {
    positions: solid.mesh.positions.map((value, i) => value * numberAt(factors, i % 3)),
    triangles: solid.mesh.triangles,
  };
}

/** Cells across the plan that triangles are sorted into. */
const CELLS = 48;

/**
 * Reads the spans of a closed mesh over places of its plan: every crossing of an upright line with the
 * surface, lowest first. Triangles are sorted into cells of the plan once. Places are shifted by a hair, so
 * that no line runs along an edge.
 */
export function meshColumns({ positions: p, triangles }: Mesh): (x: number, y: number) => number[] {
  let [x0, x1, y0, y1] = [Infinity, -Infinity, Infinity, -Infinity];
  for (let i = 0; i < p.length; i += 3) {
    x0 = Math.min(x0, float64At(p, i));
    x1 = Math.max(x1, float64At(p, i));
    y0 = Math.min(y0, float64At(p, i + 1));
    y1 = Math.max(y1, float64At(p, i + 1));
  }
  const [sx, sy] = [CELLS / (x1 - x0 || 1), CELLS / (y1 - y0 || 1)];
  const cell = (value: number, from: number, scale: number) =>
    Math.min(CELLS - 1, Math.max(0, Math.floor((value - from) * scale)));
  const cells: number[][] = Array.from({ length: CELLS * CELLS }, () => []);
  for (let i = 0; i < triangles.length; i += 3) {
    const corners = cornersAt(triangles, i);
    const xs = corners.map((at) => float64At(p, at));
    const ys = corners.map((at) => float64At(p, at + 1));
    const [i0, i1] = [cell(Math.min(...xs), x0, sx), cell(Math.max(...xs), x0, sx)];
    const [j0, j1] = [cell(Math.min(...ys), y0, sy), cell(Math.max(...ys), y0, sy)];
    for (let u = i0; u <= i1; u++) for (let v = j0; v <= j1; v++) cells[u * CELLS + v]?.push(i);
  }
  const hair = (x1 - x0) * 1.237e-7;
  return (px, py) => {
    const [x, y] = [px + hair, py + hair * 0.731];
    const crossings: number[] = [];
    for (const i of cells[cell(x, x0, sx) * CELLS + cell(y, y0, sy)] ?? []) {
      const [a, b, c] = cornersAt(triangles, i);
      const [ax, ay] = [float64At(p, a), float64At(p, a + 1)];
      const [bx, by] = [float64At(p, b), float64At(p, b + 1)];
      const [cx, cy] = [float64At(p, c), float64At(p, c + 1)];
      const whole = (bx - ax) * (cy - ay) - (cx - ax) * (by - ay);
      if (whole === 0) continue;
      const u = ((bx - x) * (cy - y) - (cx - x) * (by - y)) / whole;
      const v = ((cx - x) * (ay - y) - (ax - x) * (cy - y)) / whole;
      const w = 1 - u - v;
      if (u < 0 || v < 0 || w < 0) continue;
      crossings.push(u * float64At(p, a + 2) + v * float64At(p, b + 2) + w * float64At(p, c + 2));
    }
    crossings.sort((m, n) => m - n);
    // A line through a seam may be counted once too often: an odd last crossing is dropped.
    return crossings.length % 2 === 0 ? crossings : crossings.slice(0, -1);
  };
}
