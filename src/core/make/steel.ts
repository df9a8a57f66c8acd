import type { Manifold, ManifoldToplevel } from 'manifold-3d';
import { solidOf, tube } from '../head/solid.ts';
import type { Vec3 } from '../numeric/vec.ts';
import type { LaidCavity } from './mould-layout.ts';

/** Corners about an eye's ring. */
const ROUND = 48;
/** Corners around a wire’s channel. */
const WIRE_CORNERS = 24;

/** Steel that lies in the metal while it is poured, in the cavity's own frame. The caller deletes it. */
export function steelSolid(
  kernel: ManifoldToplevel,
  { rig, channels }: LaidCavity,
  isPoured: boolean,
): Manifold {
  const parts = channels.flatMap(({ path, radius }) => {
    const { runs, corners } = smoothRuns(path, radius);
    return [
      ...runs.map((run) => solidOf(kernel, tube(run, radius, WIRE_CORNERS))),
      ...corners.map((at) => {
        const ball = kernel.Manifold.sphere(radius, WIRE_CORNERS);
        const placed = ball.translate([...at]);
        ball.delete();
        return placed;
      }),
    ];
  });
  if (isPoured) parts.push(eyePocket(kernel, rig.hook.eye));
  const joined = kernel.Manifold.union(parts);
  for (const part of parts) part.delete();
  return joined;
}

/**
 * A path in runs that bend no tighter than a tube about them bears, and the corners between them: a tube that
 * lapped over itself would count twice.
 */
function smoothRuns(
  path: readonly Vec3[],
  radius: number,
): { readonly runs: readonly (readonly Vec3[])[]; readonly corners: readonly Vec3[] } {
  const runs: Vec3[][] = [];
  const corners: Vec3[] = [];
  let run: Vec3[] = path.slice(0, 1);
  for (let i = 1; i < path.length; i++) {
    const [a, b, c] = [path[i - 1], path[i], path[i + 1]];
    if (!a || !b) break;
    run.push(b);
    if (!c) break;
    const [ux, uz, vx, vz] = [b[0] - a[0], b[2] - a[2], c[0] - b[0], c[2] - b[2]];
    const [u, v] = [Math.hypot(ux, uz), Math.hypot(vx, vz)];
    const half = Math.acos(Math.max(-1, Math.min(1, (ux * vx + uz * vz) / (u * v)))) / 2;
    // The mitre reaches back along the inner side by r tan(half the turn): more than half a piece laps over
    // it.
    if (radius * Math.tan(half) > 0.5 * Math.min(u, v)) {
      runs.push(run);
      corners.push(b);
      run = [b];
    }
  }
  if (run.length > 1) runs.push(run);
  return { runs: runs.filter(({ length }) => length > 1), corners };
}

/**
 * The pocket of the eye's ring: a torus where it lies in the parting plane, a filled disc where it stands
 * across, so that the mould opens.
 */
function eyePocket(kernel: ManifoldToplevel, eye: LaidCavity['rig']['hook']['eye']): Manifold {
  const { CrossSection, Manifold } = kernel;
  const circle = CrossSection.circle(eye.wireRadius + 0.05, 24);
  const moved = circle.translate([eye.radius, 0]);
  const ring = Manifold.revolve(moved, ROUND);
  circle.delete();
  moved.delete();
  // The ring's axis comes out as z; in line with the hook it is y.
  const turned = ring.rotate([90, 0, 0]);
  ring.delete();
  if (eye.plane === 'in line') {
    const placed = turned.translate([...eye.centre]);
    turned.delete();
    return placed;
  }
  const pitch = (Math.atan2(eye.along[2], eye.along[0]) * 180) / Math.PI;
  // Across: its axis lies in the parting plane, square to the leg.
  const across = turned.rotate([90, 0, 0]);
  const leaned = across.rotate([0, -pitch, 0]);
  const full = leaned.hull();
  const placed = full.translate([...eye.centre]);
  for (const part of [turned, across, leaned, full]) part.delete();
  return placed;
}
