import { numberAt, triple } from '../numeric/at.ts';
import { massProperties } from '../head/mesh.ts';
import type { Mesh } from '../head/mesh.ts';
import { gaussLegendre } from '../numeric/gauss.ts';
import type { Vec3 } from '../numeric/vec.ts';

/**
 * Water that an ellipsoid moving along each of its axes takes with it, as shares of the water it pushes
 * aside: k = α/(2 − α) with α_a = abc ∫₀^∞ dλ / ((a² + λ) √((a² + λ)(b² + λ)(c² + λ))) (Lamb, Hydrodynamics,
 * 1932, article 114). Half-axes in any one unit, above 0, up to 50 to 1; a sphere's are all a half.
 */
export function ellipsoidAddedMass(halfAxes: Vec3): Vec3 {
  const product = halfAxes[0] * halfAxes[1] * halfAxes[2];
  // λ = s²(1/u² − 1) brings the integral to 0 … 1 and makes its integrand smooth; s² lies among the squares
  // of the half-axes.
  const s2 = Math.cbrt(product) ** 2;
  const { nodes, weights } = gaussLegendre(POINTS);
  const alpha = [0, 0, 0];
  nodes.forEach((node, i) => {
    const u = (node + 1) / 2;
    const squares = halfAxes.map((half) => s2 + (half * half - s2) * u * u);
    const common =
      ((numberAt(weights, i) / 2) * 2 * s2 * u * u * product) /
      Math.sqrt(numberAt(squares, 0) * numberAt(squares, 1) * numberAt(squares, 2));
    squares.forEach((square, axis) => {
      alpha[axis] = numberAt(alpha, axis) + common / square;
    });
  });
  return triple((axis) => {
    const share = numberAt(alpha, axis);
    return share / (2 - share);
  });
}

/** Points of the rule: to 1e-9 for half-axes up to 8 to 1, to 1e-4 up to 50 to 1. */
const POINTS = 48;

/**
 * Water a body takes along in the plane of its hook, as shares of the water it pushes aside: along x, along
 * z, and the mixed one.
 */
export interface AddedMass {
  /** mm³ of water it pushes aside */
  readonly volume: number;
  readonly xx: number;
  readonly zz: number;
  readonly xz: number;
}

/**
 * A closed surface as the ellipsoid with the same second moments takes water along: its principal half-axes
 * are √(5 ∫x²dV / V). `volume` (mm³) is what the mesh stands for, its own where absent.
 */
export function addedMassOf(mesh: Mesh, volume?: number): AddedMass {
  const own = massProperties(mesh);
  const [ixx, iyy, izz, , , izx] = own.inertia;
  const [sx, sy, sz] = [(iyy + izz - ixx) / 2, (izz + ixx - iyy) / 2, (ixx + iyy - izz) / 2];
  // Principal axes within the hook's plane; across it a head is its own mirror image.
  const turn = Math.atan2(-2 * izx, sx - sz) / 2;
  const [mean, part] = [(sx + sz) / 2, Math.hypot((sx - sz) / 2, izx)];
  const half = (second: number) => Math.sqrt(Math.max(1e-9, (5 * second) / own.volume));
  const [along, , across] = ellipsoidAddedMass([half(mean + part), half(sy), half(mean - part)]);
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  return {
    volume: volume ?? own.volume,
    xx: along * c * c + across * s * s,
    zz: along * s * s + across * c * c,
    xz: (along - across) * c * s,
  };
}

/** Share of the water pushed aside that moves along with a body moving along (sin ψ, 0, −cos ψ). */
export function takenAlong({ xx, zz, xz }: AddedMass, psi: number): number {
  const [x, z] = [Math.sin(psi), -Math.cos(psi)];
  return xx * x * x + 2 * xz * x * z + zz * z * z;
}

/**
 * Moment by which potential flow turns a body that moves along (sin ψ, 0, −cos ψ) broadside on, −U × (A U),
 * over ρ v², mm³: positive turns the nose down (Munk, The aerodynamic forces on airship hulls, NACA report
 * 184, 1924; Lamb, article 124).
 */
export function broadsideMoment({ volume, xx, zz, xz }: AddedMass, psi: number): number {
  const [x, z] = [Math.sin(psi), -Math.cos(psi)];
  return volume * (x * (zz * z + xz * x) - z * (xx * x + xz * z));
}

/**
 * How much of that moment is left where the flow parts from the body. All of it where the flow closes behind;
 * half of a cylinder's that it leaves at a flat back, since the couple is then ∫ (x_m − x) dA, nose to back,
 * and not the volume (slender-body theory: Allen & Perkins, NACA report 1048, 1951). Hulls with pointed tails
 * were measured at 0.75 to 0.9 of it (Hoerner, Fluid-Dynamic Lift, 1975, chapter 19, from memory). A head's
 * back is blunter than a hull's: the middle of the two ends (working value).
 */
export const MUNK_SHARE = { likely: 0.75, least: 0.5, most: 1 };
