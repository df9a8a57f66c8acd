import { float64At, numberAt, uint32At } from '../numeric/at.ts';
import type { Mesh } from './mesh.ts';
import type { Profile, Section } from './profile.ts';
import { sectionArea, sectionRadius, stationsAlong } from './profile.ts';
import type { Revolve } from './revolve.ts';

/** How fine a mesh is: rings along the shank and corners around each (a multiple of 4). */
export interface MeshQuality {
  readonly rings: number;
  readonly corners: number;
  /** corners about what is round in features; as many as around the body where absent */
  readonly round?: number;
  /** factor on the rings across the shank; 1 where absent */
  readonly stretch?: number;
}

/** Coarse, for shadows and contact: projected areas are within half a per cent. */
export const SHADOW: MeshQuality = { rings: 24, corners: 32 };
/** Fast enough to follow a dragged handle. */
export const DRAWING: MeshQuality = { rings: 80, corners: 48 };
/** For checks; files take what `qualityWithin` a chord asks for. */
export const FINE: MeshQuality = { rings: 160, corners: 128 };

/**
 * Closed mesh of a head body joined with its collar (if any). Every section is star-shaped about the shank
 * line, so the union is the larger of the two radii in each direction. Each plain ring is scaled so that its
 * polygon has the exact area of the section it stands for: chords would otherwise lose volume. `also` are
 * places along it where a ring is wanted besides, mm.
 */
export function loft(
  profile: Profile,
  collar: Revolve | undefined,
  { rings, corners, stretch = 1 }: MeshQuality,
  also: readonly number[] = [],
): Mesh {
  const xs = ringStations(profile, collar, rings, also);
  const turns = turnsOf(corners);
  // Room for full rings and two cap centres; what is not used is cut off below.
  const positions = new Float64Array(3 * (xs.length * corners + 2));
  const starts = new Uint32Array(xs.length);
  const isPole = new Uint8Array(xs.length);
  let vertices = 0;
  xs.forEach((x, i) => {
    starts[i] = vertices;
    const entered = collar && collar.to > 0 ? Math.min(1, Math.max(0, x / collar.to)) : 0;
    if (writeRing(profile.section(x), collar?.radius(x) ?? 0, entered, x, turns, positions, vertices))
      vertices += corners;
    else {
      positions.set([x, 0, 0], 3 * vertices);
      isPole[i] = 1;
      vertices += 1;
    }
  });
  if (stretch !== 1)
    for (let i = 0; i < 3 * vertices; i += 3) {
      positions[i + 1] = float64At(positions, i + 1) * stretch;
      positions[i + 2] = float64At(positions, i + 2) * stretch;
    }
  const triangles = new Uint32Array(6 * corners * xs.length);
  let at = 0;
  const face = (a: number, b: number, c: number) => {
    triangles[at++] = a;
    triangles[at++] = b;
    triangles[at++] = c;
  };
  for (let i = 0; i + 1 < xs.length; i++) {
    const [from, to] = [uint32At(starts, i), uint32At(starts, i + 1)];
    if (isPole[i] && isPole[i + 1]) continue;
    for (let k = 0; k < corners; k++) {
      const next = k + 1 === corners ? 0 : k + 1;
      if (isPole[i]) face(from, to + next, to + k);
      else if (isPole[i + 1]) face(from + k, from + next, to);
      else {
        face(from + k, from + next, to + next);
        face(from + k, to + next, to + k);
      }
    }
  }
  const cap = (i: number, rear: boolean) => {
    if (isPole[i]) return;
    const start = uint32At(starts, i);
    const centre = vertices++;
    positions.set([numberAt(xs, i), 0, 0], 3 * centre);
    for (let k = 0; k < corners; k++) {
      const next = k + 1 === corners ? 0 : k + 1;
      if (rear) face(centre, start + next, start + k);
      else face(centre, start + k, start + next);
    }
  };
  cap(0, true);
  cap(xs.length - 1, false);
  return { positions: positions.slice(0, 3 * vertices), triangles: triangles.slice(0, at) };
}

const turnTables = new Map<number, Float64Array>();

/** Cosines and sines of even turns, in pairs. */
function turnsOf(corners: number): Float64Array {
  let table = turnTables.get(corners);
  if (!table) {
    table = new Float64Array(2 * corners);
    for (let k = 0; k < corners; k++) {
      table[2 * k] = Math.cos((2 * Math.PI * k) / corners);
      table[2 * k + 1] = Math.sin((2 * Math.PI * k) / corners);
    }
    turnTables.set(corners, table);
  }
  return table;
}

/**
 * Ring positions: the body's own, the collar's kinks (doubled by a hair where its radius steps), and a few
 * where the two meet.
 */
function ringStations(
  profile: Profile,
  collar: Revolve | undefined,
  rings: number,
  also: readonly number[],
): number[] {
  const xs = stationsAlong(profile, rings);
  const extra = also.filter((x) => x > 0 && x < profile.length);
  if (!collar) return extra.length > 0 ? rising([...xs, ...extra]) : xs;
  const hair = (collar.to - collar.from) * 1e-7;
  for (const x of [collar.from, ...collar.breaks, collar.to]) {
    // The rear end wants only the inner side, so that the mesh starts with the collar's own face.
    if (x > collar.from) extra.push(x - hair);
    extra.push(x + hair);
  }
  // A pole at x = 0 disappears inside the collar; rings just in front follow the rounded rear of the body.
  for (let k = 1; k < 16; k++) extra.push((collar.to * k) / 16);
  return rising([...xs, ...extra]);
}

const rising = (xs: readonly number[]): number[] => [...new Set(xs)].sort((a, b) => a - b);

/**
 * Directions of the corners of a ring where the collar enters the body, as cosines and sines in pairs. The
 * body wants its corners where its edge bends, the collar wants them evenly: on a wide flat bar the body's
 * would leave the collar a corner or two. So corner k stands where `share` times the body's own count of
 * corners and the rest of the even count come to k. `share` 0 is even steps, 1 the body's own.
 */
function sharedTurns({ b, t, d, nt, nb }: Section, turns: Float64Array, share: number): Float64Array {
  const corners = turns.length / 2;
  const quarter = corners / 4;
  const shared = turns.slice();
  for (const [h, n, up] of [
    [t, nt, 1],
    [d, nb, -1],
  ] as const) {
    const own = (j: number) =>
      j === quarter
        ? Math.PI / 2
        : Math.atan2(h * float64At(turns, 2 * j + 1) ** (2 / n), b * float64At(turns, 2 * j) ** (2 / n));
    const count = (j: number, angle: number) => share * j + ((1 - share) * angle * quarter) / (Math.PI / 2);
    let [from, to, j] = [0, own(1), 1];
    for (let k = 1; k < quarter; k++) {
      while (j < quarter && count(j, to) < k) [from, to, j] = [to, own(j + 1), j + 1];
      const before = count(j - 1, from);
      const angle = from + ((to - from) * (k - before)) / (count(j, to) - before);
      const [c, s] = [Math.cos(angle), up * Math.sin(angle)];
      shared.set([c, s], 2 * (up > 0 ? k : corners - k));
      shared.set([-c, s], 2 * (2 * quarter - up * k));
    }
  }
  return shared;
}

/**
 * Writes the corners of a ring from vertex `first` on, anticlockwise seen from the nose; false where the
 * section has no size. `collarRadius` is the collar's there, `entered` the share of its way into the body it
 * has gone. Hot: a mesh has thousands of corners and is made anew for every pixel of a drag, so plain rings
 * allocate nothing.
 */
function writeRing(
  section: Section,
  collarRadius: number,
  entered: number,
  x: number,
  turns: Float64Array,
  positions: Float64Array,
  first: number,
): boolean {
  const { b, t, d, nt, nb } = section;
  const body = b > 0 && t + d > 0;
  if (!body && collarRadius <= 0) return false;
  const corners = turns.length / 2;
  const meeting = body && collarRadius > 0;
  const directions = meeting ? sharedTurns(section, turns, entered) : turns;
  let [plainBody, plainCollar] = [true, true];
  for (let k = 0; k < corners; k++) {
    let y = float64At(directions, 2 * k);
    let z = float64At(directions, 2 * k + 1);
    if (meeting) {
      const bodyRadius = sectionRadius(section, y, z);
      if (bodyRadius >= collarRadius) plainCollar = false;
      else plainBody = false;
      const radius = Math.max(bodyRadius, collarRadius);
      y *= radius;
      z *= radius;
    } else if (body) {
      // Even steps of the superellipse's own parameter put corners where it bends, and on its edge.
      const h = z >= 0 ? t : d;
      const n = z >= 0 ? nt : nb;
      y = b * (n === 2 ? y : Math.sign(y) * Math.abs(y) ** (2 / n));
      z = h * (n === 2 ? z : Math.sign(z) * Math.abs(z) ** (2 / n));
      plainCollar = false;
    } else {
      y *= collarRadius;
      z *= collarRadius;
      plainBody = false;
    }
    const at = 3 * (first + k);
    positions[at] = x;
    positions[at + 1] = y;
    positions[at + 2] = z;
  }
  if (plainBody || plainCollar) {
    const wanted = plainCollar ? Math.PI * collarRadius ** 2 : sectionArea(section);
    const stretch = Math.sqrt(wanted / ringArea(positions, first, corners));
    for (let k = 0; k < corners; k++) {
      const at = 3 * (first + k);
      positions[at + 1] = float64At(positions, at + 1) * stretch;
      positions[at + 2] = float64At(positions, at + 2) * stretch;
    }
  }
  return true;
}

function ringArea(positions: Float64Array, first: number, corners: number): number {
  let twice = 0;
  for (let k = 0; k < corners; k++) {
    const a = 3 * (first + k);
    const b = 3 * (first + (k + 1 === corners ? 0 : k + 1));
    twice +=
      float64At(positions, a + 1) * float64At(positions, b + 2) -
      float64At(positions, b + 1) * float64At(positions, a + 2);
  }
  return twice / 2;
}
