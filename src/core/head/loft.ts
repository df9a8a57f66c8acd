import type { Mesh } from './mesh.ts';
import type { Profile, Section } from './profile.ts';
import { sectionArea, sectionRadius, stationsAlong } from './profile.ts';
import type { Revolve } from './revolve.ts';

/** How fine a mesh is: rings along the shank and corners around each. */
export interface MeshQuality {
  readonly rings: number;
  readonly corners: number;
}

/** Fast enough to follow a dragged handle. */
export const DRAWING: MeshQuality = { rings: 80, corners: 48 };
/** For export and for checks. */
export const FINE: MeshQuality = { rings: 160, corners: 128 };

/**
 * Closed mesh of a head body joined with its collar (if any). Every section is star-shaped about the shank line,
 * so the union is the larger of the two radii in each direction. Each plain ring is scaled so that its polygon has the
 * exact area of the section it stands for: chords would otherwise lose volume.
 */
export function loft(profile: Profile, collar: Revolve | undefined, { rings, corners }: MeshQuality): Mesh {
  const xs = ringStations(profile, collar, rings);
  const positions: number[] = [];
  const starts: number[] = [];
  for (const x of xs) {
    starts.push(positions.length / 3);
    const ring = ringAt(profile.section(x), collar?.radius(x) ?? 0, corners);
    if (ring) for (const [y, z] of ring) positions.push(x, y, z);
    else positions.push(x, 0, 0);
  }
  const triangles: number[] = [];
  const bodyVertices = positions.length / 3;
  const isPole = (i: number) => (starts[i + 1] ?? bodyVertices) - (starts[i] ?? 0) === 1;
  for (let i = 0; i + 1 < xs.length; i++) {
    const [from, to] = [starts[i] ?? 0, starts[i + 1] ?? 0];
    for (let k = 0; k < corners; k++) {
      const next = (k + 1) % corners;
      if (isPole(i) && isPole(i + 1)) continue;
      if (isPole(i)) triangles.push(from, to + next, to + k);
      else if (isPole(i + 1)) triangles.push(from + k, from + next, to);
      else triangles.push(from + k, from + next, to + next, from + k, to + next, to + k);
    }
  }
  capIfOpen(starts[0] ?? 0, xs[0] ?? 0, !isPole(0), true);
  capIfOpen(starts[xs.length - 1] ?? 0, xs[xs.length - 1] ?? 0, !isPole(xs.length - 1), false);
  return { positions: Float64Array.from(positions), triangles: Uint32Array.from(triangles) };

  function capIfOpen(start: number, x: number, open: boolean, rear: boolean): void {
    if (!open) return;
    const centre = positions.length / 3;
    positions.push(x, 0, 0);
    for (let k = 0; k < corners; k++) {
      const next = (k + 1) % corners;
      if (rear) triangles.push(centre, start + next, start + k);
      else triangles.push(centre, start + k, start + next);
    }
  }
}

/** Ring positions: the body's own, the collar's kinks (doubled by a hair where its radius steps), and a few where the two meet. */
function ringStations(profile: Profile, collar: Revolve | undefined, rings: number): number[] {
  const xs = stationsAlong(profile, rings);
  if (!collar) return xs;
  const extra: number[] = [];
  const hair = (collar.to - collar.from) * 1e-7;
  for (const x of [collar.from, ...collar.breaks, collar.to]) {
    // The rear end wants only the inner side, so that the mesh starts with the collar's own face.
    if (x > collar.from) extra.push(x - hair);
    extra.push(x + hair);
  }
  // A pole at x = 0 disappears inside the collar; rings just in front follow the rounded rear of the body.
  for (let k = 1; k < 16; k++) extra.push((collar.to * k) / 16);
  return [...new Set([...xs, ...extra])].sort((a, b) => a - b);
}

/** Corners of a ring, or undefined where the section has no size. Anticlockwise seen from the nose. */
function ringAt(
  section: Section,
  collarRadius: number,
  corners: number,
): (readonly [number, number])[] | undefined {
  const body = section.b > 0 && section.t + section.d > 0;
  if (!body && collarRadius <= 0) return undefined;
  const points: (readonly [number, number])[] = [];
  let [plainBody, plainCollar] = [true, true];
  for (let k = 0; k < corners; k++) {
    const turn = (2 * Math.PI * k) / corners;
    const [c, s] = [Math.cos(turn), Math.sin(turn)];
    // Even steps of the superellipse's own parameter put corners where it bends.
    const [h, n] = s >= 0 ? [section.t, section.nt] : [section.d, section.nb];
    const y = body ? section.b * Math.sign(c) * Math.abs(c) ** (2 / n) : c;
    const z = body ? h * Math.sign(s) * Math.abs(s) ** (2 / n) : s;
    const length = Math.hypot(y, z);
    const [cosine, sine] = length > 0 ? [y / length, z / length] : [c, s];
    const bodyRadius = body ? sectionRadius(section, cosine, sine) : 0;
    if (bodyRadius >= collarRadius) plainCollar = false;
    else plainBody = false;
    const radius = Math.max(bodyRadius, collarRadius);
    points.push([radius * cosine, radius * sine]);
  }
  if (!plainBody && !plainCollar) return points;
  const wanted = plainCollar ? Math.PI * collarRadius ** 2 : sectionArea(section);
  const stretch = Math.sqrt(wanted / polygonArea(points));
  return points.map(([y, z]) => [y * stretch, z * stretch] as const);
}

function polygonArea(points: readonly (readonly [number, number])[]): number {
  let twice = 0;
  points.forEach(([y, z], k) => {
    const [y2, z2] = points[(k + 1) % points.length] ?? [y, z];
    twice += y * z2 - y2 * z;
  });
  return twice / 2;
}
