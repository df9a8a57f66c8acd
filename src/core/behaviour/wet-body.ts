import type { Assembly } from '../build/assemble.ts';
import { bareHead } from '../head/body.ts';
import { surfaceMesh } from '../head/solid.ts';
import { massProperties, projectedArea } from '../head/mesh.ts';
import type { Vec3 } from '../numeric/vec.ts';
import { clamp } from '../numeric/vec.ts';
import type { ShapeFactors } from './drag.ts';

/** A straight piece of wire, collar or fibre bundle as drag sees it. */
export interface Stick {
  readonly middle: Vec3;
  /** unit vector along it */
  readonly along: Vec3;
  readonly length: number;
  readonly diameter: number;
}

/** A design as the water sees it: a body with its drag factors by direction, and sticks. Lengths in mm. */
export interface WetBody {
  readonly centroid: Vec3;
  /** diameter of the sphere of equal volume */
  readonly equalDiameter: number;
  /** factors for flow along (sin ψ, 0, −cos ψ), ψ the nose-down pitch in radians */
  readonly factors: (psi: number) => ShapeFactors;
  readonly sticks: readonly Stick[];
}

/** Attitudes the projected area is worked out at; between them it is taken linearly. Half a turn, since both sides show the same. */
const ATTITUDES = 36;
/** Coarse mesh for projected areas: their error at this size is under half a per cent. */
export const SHADOW = { rings: 24, corners: 32 };

/** The design as drag sees it. */
export function wetBody(assembly: Assembly): WetBody {
  const mesh = surfaceMesh(bareHead(assembly.head), SHADOW);
  const { volume, area } = massProperties(mesh);
  const equalDiameter = Math.cbrt((6 * volume) / Math.PI);
  const sphereSection = (Math.PI / 4) * equalDiameter ** 2;
  const sphericity = Math.min(1, (Math.PI * equalDiameter ** 2) / area);
  const shadows = Array.from({ length: ATTITUDES }, (_, i) => {
    const psi = (Math.PI * i) / ATTITUDES;
    return projectedArea(mesh, [Math.sin(psi), 0, -Math.cos(psi)]);
  });
  const fromSide = projectedArea(mesh, [0, 1, 0]);
  const shadow = (psi: number) => {
    const turns = ((((psi / Math.PI) % 1) + 1) % 1) * ATTITUDES;
    const i = Math.floor(turns);
    const [a, b] = [shadows[i % ATTITUDES] ?? 0, shadows[(i + 1) % ATTITUDES] ?? 0];
    return a + (b - a) * (turns - i);
  };
  return {
    centroid: assembly.body.centroid,
    equalDiameter,
    factors: (psi) => ({
      sphericity,
      crosswise: sphereSection / shadow(psi),
      // Seen along the flow's sides: once from the left, once along the axis square to both.
      lengthwise: clamp(
        sphereSection / Math.max(area / 2 - (fromSide + shadow(psi + Math.PI / 2)) / 2, 1e-9),
        0.05,
        20,
      ),
    }),
    sticks: sticksOf(assembly),
  };
}

function sticksOf(assembly: Assembly): Stick[] {
  const { hook, collar, keeper, guard, profile } = assembly;
  const sticks: Stick[] = [];
  const inMetal = ([x, , z]: Vec3): boolean => {
    if (x > 0 && x < profile.length) {
      const { t, d } = profile.section(x);
      return z < t && z > -d;
    }
    return collar !== undefined && x <= 0 && x > collar.from && Math.abs(z) < collar.radius(x);
  };
  const along = (path: readonly Vec3[], diameter: number) => {
    for (let i = 1; i < path.length; i++) {
      const [a, b] = [path[i - 1] as Vec3, path[i] as Vec3];
      const length = Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]);
      const middle: Vec3 = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2];
      if (length === 0 || inMetal(middle)) continue;
      sticks.push({
        middle,
        along: [(b[0] - a[0]) / length, (b[1] - a[1]) / length, (b[2] - a[2]) / length],
        length,
        diameter,
      });
    }
  };
  along(hook.centre, hook.wire);
  // The ring counts as two bars of its width, along the leg.
  const { centre, radius, wireRadius } = hook.eye;
  sticks.push({ middle: centre, along: hook.eye.along, length: 2 * radius, diameter: 4 * wireRadius });
  if (hook.hinge) along(hook.legAndShank, hook.wire);
  for (const { path, diameter } of keeper?.wires ?? []) along(path, diameter);
  if (collar) {
    const length = -collar.from;
    sticks.push({
      middle: [-length / 2, 0, 0],
      along: [1, 0, 0],
      length,
      diameter: 2 * collar.radius(-1e-6),
    });
  }
  if (guard && guard.free > 0) {
    // A brush is one thick stick; wires and arms count one by one.
    if (guard.kind === 'fibre') along([guard.base, guard.end], 2 * guard.bundleRadius);
    else for (const { path, diameter } of guard.strands) along(path, diameter);
  }
  return sticks;
}
