import type { FeatureSpec } from '../../document/design.ts';
import type { FeatureGround, Shape } from './shape.ts';
import { endsOf, meetings } from './shape.ts';

/** Share of its root by which a fin's front edge is swept back at the tip. */
const SWEEP = 0.45;

/**
 * A swept fin on either side in the plane of the shank: it stands out by `span` of the half-breadth, is `length` of the head
 * long at its root, `thickness` mm thick, its middle at `at` from the rear.
 */
export function fins(
  { span, length, thickness, at }: NonNullable<FeatureSpec['fins']>,
  { profile, half }: FeatureGround,
): Shape {
  const reach = half * (1 + span);
  const chord = length * profile.length;
  const x0 = at * profile.length - chord / 2;
  const x1 = x0 + chord;
  // The front edge runs from the root straight to the tip.
  const front = (y: number) => x1 - SWEEP * chord * (y / reach);
  const edge = (x: number) => Math.min(reach, ((x1 - x) / (SWEEP * chord)) * reach);
  return {
    feature: 'fins',
    sign: 1,
    from: x0,
    to: x1,
    breaks: [
      x0,
      x1 - SWEEP * chord,
      x1,
      // Where the body comes out of the fins' tips, and where it becomes higher or deeper than they are thick.
      ...endsOf((x) => profile.section(x).b - edge(x), profile.length),
      ...endsOf((x) => profile.section(x).t - thickness / 2, profile.length),
      ...endsOf((x) => profile.section(x).d - thickness / 2, profile.length),
    ],
    edges: (x) => {
      if (x < x0 || x > x1) return [0];
      const section = profile.section(x);
      const faces = meetings(section, () => thickness / 2, () => -thickness / 2); // prettier-ignore
      return [...faces.filter((y) => y < edge(x)), edge(x)];
    },
    span: (x, y) => {
      const side = Math.abs(y);
      if (x < x0 || side > reach || x > front(side)) return undefined;
      return [-thickness / 2, thickness / 2];
    },
    solid: (kernel) => {
      const { Manifold } = kernel;
      const plan: [number, number][] = [
        [x0, -reach],
        [front(reach), -reach],
        [x1, 0],
        [front(reach), reach],
        [x0, reach],
      ];
      const plate = Manifold.extrude(plan, thickness);
      const placed = plate.translate([0, 0, -thickness / 2]);
      plate.delete();
      return placed;
    },
  };
}
