import { itemAt, numberAt } from '../numeric/at.ts';
import { gaussLegendre, integrateRounded } from '../numeric/gauss.ts';
import type { Vec3 } from '../numeric/vec.ts';
import type { Profile, Section } from './profile.ts';
import { innerRadius, sectionArea, sectionMoment, sectionRoll } from './profile.ts';
import type { Revolve } from './revolve.ts';

/** Volume and centroid without a mesh. */
export interface Bulk {
  /** mm³ */
  readonly volume: number;
  /** mm */
  readonly centroid: Vec3;
}

/** A bulk that rolls about the shank. */
export interface RollingBulk extends Bulk {
  /** ∫ (y² + z²) dV about the shank's line, mm⁵ */
  readonly roll: number;
}

/**
 * Volume and centroid of a body by quadrature over its sections: the check of the mesh, and the figure shown.
 */
export function bodyBulk(profile: Profile): RollingBulk {
  let [volume, mx, mz, roll] = [0, 0, 0, 0];
  for (let i = 1; i < profile.breaks.length; i++) {
    const [a, b] = [profile.breaks[i - 1] ?? 0, profile.breaks[i] ?? 0];
    volume += integrateRounded((x) => sectionArea(profile.section(x)), a, b);
    mx += integrateRounded((x) => x * sectionArea(profile.section(x)), a, b);
    mz += integrateRounded((x) => sectionMoment(profile.section(x)), a, b);
    roll += integrateRounded((x) => sectionRoll(profile.section(x)), a, b);
  }
  return { volume, centroid: [mx / volume, 0, mz / volume], roll };
}

/** Unit vectors over the left half, read off once: left and right are alike. */
const DIRECTIONS = Array.from({ length: 64 }, (_, j) => {
  const turn = (Math.PI * (j + 0.5)) / 64 - Math.PI / 2;
  return [Math.cos(turn), Math.sin(turn)] as const;
});

type Powers = readonly (readonly [ofCosine: number, ofSine: number])[];

/** |cos φ|^n and |sin φ|^n of the directions, kept for the few exponents that a head has. */
function keptPowers(): (n: number) => Powers {
  const kept = new Map<number, Powers>();
  return (n) => {
    const known =
      kept.get(n) ?? DIRECTIONS.map(([cosine, sine]) => [cosine ** n, Math.abs(sine) ** n] as const);
    kept.set(n, known);
    return known;
  };
}

/** Squares of a section's radii in each direction, mm²: one power each, where `sectionRadius` takes three. */
function squaredRadii({ b, t, d, nt, nb }: Section, powersOf: (n: number) => Powers): number[] {
  const half = (h: number, n: number) => ({
    of: powersOf(n),
    b: b ** -n,
    h: h ** -n,
    root: -2 / n,
    is: b > 0 && h > 0,
  });
  const [lower, upper] = [half(d, nb), half(t, nt)];
  return DIRECTIONS.map(([, sine], j) => {
    const { of, b, h, root, is } = sine >= 0 ? upper : lower;
    if (!is) return 0;
    const [ofCosine, ofSine] = itemAt(of, j);
    return (ofCosine * b + ofSine * h) ** root;
  });
}

/**
 * The part of a collar that stands outside the body: all of it behind the rear face, and the ring around a
 * rounded rear.
 */
export function collarBulk(profile: Profile, collar: Revolve): RollingBulk {
  let [volume, mx, mz, roll] = [0, 0, 0, 0];
  // Behind the rear face its sides are straight between kinks, so r⁴ is a polynomial and few points are
  // exact.
  const ends = [collar.from, ...collar.breaks.filter((x) => x > collar.from && x < 0), 0];
  for (let i = 1; i < ends.length; i++) {
    const [a, b] = [numberAt(ends, i - 1), numberAt(ends, i)];
    for (const [node, weight] of STRAIGHT) {
      const x = (a + b) / 2 + ((b - a) / 2) * node;
      const r = collar.radius(x);
      const slice = ((b - a) / 2) * weight * Math.PI * r * r;
      volume += slice;
      mx += slice * x;
      roll += (slice * r * r) / 2;
    }
  }
  // In front of it: what of the circle sticks out of the section, summed over directions. A rounded rear
  // swells as the root of x.
  const { nodes, weights } = ENTERING;
  const powersOf = keptPowers();
  nodes.forEach((node, k) => {
    const u = (node + 1) / 2;
    const x = collar.to * u * u;
    const step = collar.to * u * numberAt(weights, k);
    const section = profile.section(x);
    const r = collar.radius(x);
    if (r <= innerRadius(section)) return;
    const r2 = r * r;
    const wedge = (step * Math.PI) / DIRECTIONS.length;
    squaredRadii(section, powersOf).forEach((rho2, j) => {
      if (rho2 >= r2) return;
      const [, sine] = itemAt(DIRECTIONS, j);
      volume += wedge * (r2 - rho2);
      mx += wedge * (r2 - rho2) * x;
      mz += ((wedge * 2) / 3) * (r2 * r - rho2 * Math.sqrt(rho2)) * sine;
      roll += (wedge / 2) * (r2 * r2 - rho2 * rho2);
    });
  });
  return { volume, centroid: [mx / volume, 0, mz / volume], roll };
}

const pairs = ({ nodes, weights }: ReturnType<typeof gaussLegendre>) =>
  nodes.map((node, i) => [node, numberAt(weights, i)] as const);
/** Exact for fifth-degree polynomials, as r⁴·x of a straight side is. */
const STRAIGHT = pairs(gaussLegendre(3));
const ENTERING = gaussLegendre(20);
