import type { FeatureSpec } from '../../document/design.ts';
import type { FeatureGround, Shape } from './shape.ts';
import { endsOf, meetings } from './shape.ts';

/**
 * A hollow in each cheek, cut by an ellipsoid: `depth` of the half-breadth deep, `length` of the head long, its middle at `at`
 * from the rear. It is as high as the head and as deep outward as it is long, so that its floor is a shallow dish.
 */
export function cheeks(
  { depth, length, at }: NonNullable<FeatureSpec['cheeks']>,
  { profile, half, rise, drop }: FeatureGround,
): Shape {
  // Half-axes and centre of the ellipsoid on the left side.
  const a = (length * profile.length) / 2;
  const c = (rise + drop) / 2;
  const b = half;
  const x0 = at * profile.length;
  const y0 = half * (1 - depth) + b;
  const z0 = (rise - drop) / 2;
  const within = (x: number) => Math.max(0, 1 - ((x - x0) / a) ** 2);
  const rim = (x: number) => y0 - b * Math.sqrt(within(x));
  /** Height of the ellipsoid over (x, y) each way from its middle. */
  const reach = (x: number, y: number) =>
    c * Math.sqrt(Math.max(0, within(x) - ((Math.abs(y) - y0) / b) ** 2));
  /** How far the hollow bites into the body at x. */
  const bite = (x: number) => profile.section(x).b - rim(x);
  return {
    feature: 'cheeks',
    sign: -1,
    from: x0 - a,
    to: x0 + a,
    breaks: [x0 - a, x0, x0 + a, ...endsOf(bite, profile.length)],
    edges: (x) => [
      rim(x),
      ...meetings(
        profile.section(x),
        (y) => z0 + reach(x, y),
        (y) => z0 - reach(x, y),
      ),
    ],
    span: (x, y) => {
      const h = reach(x, y);
      return h > 0 ? [z0 - h, z0 + h] : undefined;
    },
    solid: (kernel, corners) => {
      const { Manifold } = kernel;
      const ball = Manifold.sphere(1, corners);
      // A sphere of facets is smaller than its sphere: stretched to its volume.
      const stretch = Math.cbrt(((4 / 3) * Math.PI) / ball.volume());
      const oval = ball.scale([a * stretch, b * stretch, c * stretch]);
      const [left, right] = [oval.translate([x0, y0, z0]), oval.translate([x0, -y0, z0])];
      const both = Manifold.union(left, right);
      for (const piece of [ball, oval, left, right]) piece.delete();
      return both;
    },
  };
}
