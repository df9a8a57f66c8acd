import type { FeatureSpec } from '../../document/design.ts';
import { radians } from '../../numeric/vec.ts';
import type { FeatureGround, Shape } from './shape.ts';
import { endsOf, FAR } from './shape.ts';

/**
 * A flat below to stand on: everything under a plane goes. The plane cuts `cut` of the greatest drop away at the middle of
 * the head and rises to the nose by `tilt` degrees.
 */
export function sole(
  { cut, tilt }: NonNullable<FeatureSpec['sole']>,
  { profile, drop }: FeatureGround,
): Shape {
  const slope = Math.tan(radians(tilt));
  const level = -drop * (1 - cut);
  const middle = profile.length / 2;
  const at = (x: number) => level + slope * (x - middle);
  /** Half the width of the sole at x: where the plane meets the body's side. */
  const halfWidth = (x: number): number => {
    const { b, d, nb } = profile.section(x);
    const share = -at(x) / d;
    return d > 0 && share < 1 ? b * (1 - Math.max(0, share) ** nb) ** (1 / nb) : 0;
  };
  return {
    feature: 'sole',
    sign: -1,
    from: -FAR,
    to: FAR,
    breaks: endsOf(halfWidth, profile.length),
    edges: (x) => [halfWidth(x)],
    span: (x) => [-FAR, at(x)],
    solid: (kernel) => {
      const reach = FAR / 4;
      const { Manifold } = kernel;
      // Drawn in (x, z) and drawn out across the head.
      const outline: [number, number][] = [
        [-reach, at(-reach)],
        [-reach, -2 * FAR],
        [reach, -2 * FAR],
        [reach, at(reach)],
      ];
      const drawn = Manifold.extrude(outline, 2 * reach);
      // Its x stays x, its y becomes z and its z becomes −y: a quarter turn about x.
      const turned = drawn.rotate([90, 0, 0]);
      const placed = turned.translate([0, reach, 0]);
      drawn.delete();
      turned.delete();
      return placed;
    },
  };
}
