import { angle, share } from '../../kind/field.ts';
import { marked } from '../../quantity/phrase.ts';
import { radians } from '../../numeric/vec.ts';
import { endsOf, FAR, featureKind } from './shape.ts';

/**
 * A flat below to stand on: everything under a plane goes. The plane cuts `cut` of the greatest drop away at
 * the middle of the head and rises to the nose by `tilt` degrees.
 */
export const sole = featureKind({
  key: 'sole',
  name: 'Sole',
  does: 'A flat below to stand on.',
  fields: {
    cut: share('Sole takes off', [0.01, 0.3, 0.95], { note: 'Share of the drop below the shank.' }),
    tilt: angle('Sole leans', [-30, 0, 30], { note: 'Rise to the nose.' }),
  },
  shape({ cut, tilt }, { profile, drop }) {
    const slope = Math.tan(radians(tilt));
    const level = -drop * (1 - cut);
    const middle = profile.length / 2;
    const at = (x: number) => level + slope * (x - middle);
    /**
     * Half the width of the sole at x: where the plane meets the body’s side, below the shank or, where it
     * leans far, above it.
     */
    const halfWidth = (x: number): number => {
      const { b, t, d, nt, nb } = profile.section(x);
      const [reach, power] = at(x) > 0 ? [t, nt] : [d, nb];
      const share = Math.abs(at(x)) / reach;
      return reach > 0 && share < 1 ? b * (1 - share ** power) ** (1 / power) : 0;
    };
    /** Where it passes the shank, and the body’s other side begins to count. */
    const passes = slope === 0 ? [] : [middle - level / slope].filter((x) => x > 0 && x < profile.length);
    return {
      of: 'sole',
      path: '/head/features/sole',
      sign: -1,
      grows: true,
      from: -FAR,
      to: FAR,
      breaks: [...endsOf(halfWidth, profile.length), ...passes],
      edges: (x) => [halfWidth(x)],
      span: (x) => [-FAR, at(x)],
      bounds: (x) => [at(x), FAR],
      face: (x, y, z) => (z < at(x) ? [y, at(x)] : undefined),
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
  },
  check({ cut, tilt }, { profile, drop, wire, clear }) {
    const ends = [0.15, 0.85].map(
      (at) => -drop * (1 - cut) + Math.tan(radians(tilt)) * profile.length * (at - 0.5),
    );
    const level = Math.max(...ends);
    if (level <= -clear) return [];
    const left = marked(Math.max(0, -level - wire / 2), 'size');
    return [
      {
        field: 'cut',
        message:
          `Sole: it comes within ${left} of the hook’s wire. Cut less off, tilt it less, or hang ` +
          'more of the head below the shank.',
      },
    ];
  },
});
