import { share, size } from '../../kind/field.ts';
import { marked } from '../../quantity/phrase.ts';
import type { Complaint } from './shape.ts';
import { endsOf, featureKind, meetings } from './shape.ts';

/** Share of its root by which a fin's front edge is swept back at the tip. */
const SWEEP = 0.45;

/**
 * A swept fin on either side in the plane of the shank: it stands out by `span` of the half-breadth, is
 * `length` of the head long at its root, `thickness` mm thick, its middle at `at` from the rear.
 */
export const fins = featureKind({
  key: 'fins',
  name: 'Fins',
  does: 'A fin on either side that makes it glide.',
  fields: {
    span: share('Fins stand out', [0.05, 0.7, 3], { note: 'Share of the half-breadth.' }),
    length: share('Fin length', [0.05, 0.5, 1], { note: 'At the root, as a share of the head.' }),
    thickness: size('Fin thickness', [0.3, 1, 6], { step: 0.05 }),
    at: share('Fins from the rear', [0, 0.5, 1]),
  },
  shape({ span, length, thickness, at }, { profile, half }) {
    const reach = half * (1 + span);
    const chord = length * profile.length;
    const x0 = at * profile.length - chord / 2;
    const x1 = x0 + chord;
    // The front edge runs from the root straight to the tip.
    const front = (y: number) => x1 - SWEEP * chord * (y / reach);
    const edge = (x: number) => Math.min(reach, ((x1 - x) / (SWEEP * chord)) * reach);
    return {
      of: 'fins',
      path: '/head/features/fins',
      sign: 1,
      from: x0,
      to: x1,
      breaks: [
        x0,
        x1 - SWEEP * chord,
        x1,
        // Where the body comes out of the fins' tips, and where it becomes higher or deeper than they are
        // thick.
        ...endsOf((x) => profile.section(x).b - edge(x), profile.length),
        ...endsOf((x) => profile.section(x).t - thickness / 2, profile.length),
        ...endsOf((x) => profile.section(x).d - thickness / 2, profile.length),
      ],
      edges: (x) => {
        if (x < x0 || x > x1) return [0];
        const section = profile.section(x);
        const faces = meetings(
          section,
          () => thickness / 2,
          () => -thickness / 2,
        );
        return [...faces.filter((y) => y < edge(x)), edge(x)];
      },
      span: (x, y) => {
        const side = Math.abs(y);
        if (x < x0 || side > reach || x > front(side)) return undefined;
        return [-thickness / 2, thickness / 2];
      },
      bounds: () => [-thickness / 2, thickness / 2],
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
      detail: { name: 'The fins', isMany: true, size: thickness, path: '/head/features/fins' },
      drawn: () => {
        const [lo, hi] = [-thickness / 2, thickness / 2];
        return {
          side: [
            {
              path: [
                [x0, lo],
                [x1, lo],
                [x1, hi],
                [x0, hi],
                [x0, lo],
              ],
              hidden: false,
            },
          ],
        };
      },
    };
  },
  check({ length, thickness, at }, { rise, drop }) {
    const problems: Complaint[] = [];
    if (at - length / 2 < -1e-9 || at + length / 2 > 1 + 1e-9) {
      problems.push({
        field: 'at',
        message: 'Fins: they stand out beyond the end of the head. Move them to the middle, or shorten them.',
      });
    }
    if (thickness > Math.min(rise, drop)) {
      problems.push({
        field: 'thickness',
        message:
          `Fins: at ${marked(thickness, 'size')} they are thicker than half the head is high. Make ` +
          'them thinner, or the head higher.',
      });
    }
    return problems;
  },
});
