import { beforeAll, describe, expect, it } from 'vitest';
import { share } from '../test-kit/runs.ts';
import { qualityWithin } from './chord.ts';
import { wholeBulk } from './bulk.ts';
import { DRAWN_FAMILIES } from './families/index.ts';
import { ball } from './families/ball.ts';
import { completeDimensions } from './family.ts';
import type { Family } from './family.ts';
import { headBody } from './body.ts';
import type { HeadBody } from './body.ts';
import type { FeatureSpec } from './features/index.ts';
import { loadSolids, solids } from './kernel.ts';
import { loft } from './loft.ts';
import { massProperties } from './mesh.ts';
import { sectionRadius } from './profile.ts';
import { bodySolid } from './solid.ts';

beforeAll(async () => {
  await loadSolids();
});

const bodyOf = (
  family: Family,
  dimensions: Readonly<Record<string, number>>,
  features?: FeatureSpec,
): HeadBody => {
  const whole = completeDimensions(family, dimensions);
  const head = { family: family.key, dimensions: whole, metal: 'lead', ...(features ? { features } : {}) };
  return headBody(family, head, whole, { wire: 1 });
};

/** A family at its usual sizes, and at two thirds and at one and a half of its ranges. */
const sizesOf = (family: Family): Readonly<Record<string, number>>[] => [
  {},
  ...[0.3, 0.7].map((at) =>
    Object.fromEntries(
      family.dimensions.map(({ key, kind, min, max }) => [
        key,
        kind === 'size' ? min * (max / min) ** at : min + (max - min) * at,
      ]),
    ),
  ),
];

/**
 * How far middles of facets lie from a plain body’s surface, square to it, at most, mm: the surface is its
 * sections, the facets are the loft’s.
 */
function farthest({ profile }: HeadBody, mesh: ReturnType<typeof loft>): number {
  const { positions: p, triangles } = mesh;
  const radius = (x: number, y: number, z: number) => {
    const along = Math.hypot(y, z);
    return along === 0 ? NaN : sectionRadius(profile.section(x), y / along, z / along);
  };
  let worst = 0;
  for (let i = 0; i < triangles.length; i += 3) {
    const at = [0, 1, 2].map((axis) =>
      [0, 1, 2].reduce((sum, corner) => sum + (p[3 * (triangles[i + corner] ?? NaN) + axis] ?? NaN) / 3, 0),
    );
    const [x = NaN, y = NaN, z = NaN] = at;
    const off = Math.hypot(y, z) - radius(x, y, z);
    // How steep the surface lies there: its rise along the shank and around it.
    const step = profile.length * 1e-4;
    const slope = (radius(x + step, y, z) - radius(x - step, y, z)) / (2 * step);
    const [c, s] = [Math.cos(1e-4), Math.sin(1e-4)];
    const around = (radius(x, c * y - s * z, s * y + c * z) - radius(x, c * y + s * z, c * z - s * y)) / 2e-4;
    const square = Math.abs(off) / Math.hypot(1, slope, around / Math.hypot(y, z));
    // An end that is flat, and a kink, have no slope to be square to.
    if (Number.isFinite(square) && x > 4 * step && x < profile.length - 4 * step)
      worst = Math.max(worst, square);
  }
  return worst;
}

describe('facets within a chord of the surface', () => {
  it.each(share(DRAWN_FAMILIES, 3).map((family) => [family.key, family] as const))(
    'of %s are near enough, hold its volume, and are few',
    (_, family) => {
      for (const dimensions of sizesOf(family)) {
        const body = bodyOf(family, dimensions);
        for (const chord of [0.05, 0.01]) {
          const quality = qualityWithin(body, chord);
          const mesh = loft(body.profile, undefined, quality);
          expect(farthest(body, mesh), `${chord}`).toBeLessThan(chord);
          const solid = bodySolid(solids(), body, quality);
          const volume = solid.volume();
          solid.delete();
          expect(Math.abs(volume / wholeBulk(body).volume - 1), `${chord}`).toBeLessThan(0.1 * chord);
        }
        const [few, many] = [0.05, 0.01].map((chord) =>
          loft(body.profile, undefined, qualityWithin(body, chord)),
        );
        expect(few?.triangles.length).toBeLessThan((many?.triangles.length ?? 0) / 2);
      }
    },
  );

  it('of a sphere are as many as its radius asks for, and enclose 4/3 π r³', () => {
    for (const r of [2, 5, 12]) {
      const body = bodyOf(ball, { breadth: 2 * r });
      const { corners } = qualityWithin(body, 0.01);
      // A chord of n about a circle lies r (1 − cos π/n) within it; six tenths of what is asked for are kept
      // to.
      expect(r * (1 - Math.cos(Math.PI / corners))).toBeLessThan(0.006);
      expect(r * (1 - Math.cos(Math.PI / (corners / 1.3)))).toBeGreaterThan(0.006);
      const { volume } = massProperties(loft(body.profile, undefined, qualityWithin(body, 0.01)));
      expect(volume / ((4 / 3) * Math.PI * r ** 3)).toBeCloseTo(1, 4);
    }
  });

  it('of worked bodies hold their volume to a thousandth', () => {
    const features: FeatureSpec = {
      sole: { cut: 0.25, tilt: 8 },
      cheeks: { depth: 0.2, length: 0.5, at: 0.5 },
    };
    for (const family of share(DRAWN_FAMILIES, 4)) {
      const body = bodyOf(family, {}, features);
      const solid = bodySolid(solids(), body, qualityWithin(body, 0.01));
      expect(Math.abs(solid.volume() / wholeBulk(body).volume - 1), family.key).toBeLessThan(0.001);
      solid.delete();
    }
  });
});
