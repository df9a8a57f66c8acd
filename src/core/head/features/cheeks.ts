import { share } from '../../kind/field.ts';
import type { Vec2 } from '../../numeric/vec.ts';
import { marked } from '../../quantity/phrase.ts';
import { drawnAlong, endsOf, featureKind, meetings } from './shape.ts';

/** Share of the head's length from which on a hollow is long enough for the few rings of a quick surface. */
const SHORT = 0.25;

/**
 * A hollow in each cheek, cut by an ellipsoid: `depth` of the half-breadth deep, `length` of the head long,
 * its middle at `at` from the rear. It is as high as the head and as deep outward as it is long, so that its
 * floor is a shallow dish.
 */
export const cheeks = featureKind({
  key: 'cheeks',
  name: 'Hollow cheeks',
  does: 'A hollow in each side.',
  fields: {
    depth: share('Hollow depth', [0.02, 0.25, 0.8], { note: 'Share of the half-breadth.' }),
    length: share('Hollow length', [0.1, 0.7, 1.5], { note: 'Share of the length.' }),
    at: share('Hollow from the rear', [0, 0.45, 1]),
  },
  shape({ depth, length, at }, { profile, half, rise, drop }) {
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
      of: 'cheeks',
      path: '/head/features/cheeks',
      sign: -1,
      grows: true,
      from: x0 - a,
      to: x0 + a,
      breaks: [x0 - a, x0, x0 + a, ...endsOf(bite, profile.length)],
      edges: (x) => [
        rim(x),
        ...meetings(
          profile.section(x),
          (y) => z0 + reach(x, y),
          (y) => z0 - reach(x, y),
          half,
          rim(x),
        ),
      ],
      span: (x, y) => {
        const h = reach(x, y);
        return h > 0 ? [z0 - h, z0 + h] : undefined;
      },
      // A short one goes between the rings of a surface.
      ...(length > SHORT
        ? {
            face: (x, y, z) => {
              const deep = within(x) - ((z - z0) / c) ** 2;
              const floor = y0 - b * Math.sqrt(Math.max(0, deep));
              return deep > 0 && Math.abs(y) > floor ? ([Math.sign(y) * floor, z] as const) : undefined;
            },
          }
        : {}),
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
      // Where the ellipsoid meets the side of the body: a closed curve seen from the side.
      drawn: () => {
        const rims: Vec2[] = [];
        const lows: Vec2[] = [];
        for (const x of drawnAlong(profile.length)) {
          const section = profile.section(x);
          const touched: number[] = [];
          for (let k = -40; k <= 40; k++) {
            const z = k >= 0 ? (section.t * k) / 40 : (section.d * k) / 40;
            const [high, n] = z >= 0 ? [section.t, section.nt] : [section.d, section.nb];
            const y = section.b * Math.max(0, 1 - Math.abs(z / (high || 1)) ** n) ** (1 / n) - 1e-6;
            const h = x >= x0 - a && x <= x0 + a ? reach(x, y) : 0;
            if (Math.abs(z - z0) < h) touched.push(z);
          }
          if (touched.length > 1) {
            rims.push([x, touched.at(-1) ?? 0]);
            lows.push([x, touched[0] ?? 0]);
          }
        }
        const [first] = rims;
        return first ? { side: [{ path: [...rims, ...lows.reverse(), first], hidden: false }] } : {};
      },
    };
  },
  check({ depth }, { half, wire, clear }) {
    if (half * (1 - depth) >= clear) return [];
    const left = marked(Math.max(0, half * (1 - depth) - wire / 2), 'size');
    return [
      {
        field: 'depth',
        message: `Hollow cheeks: they leave ${left} beside the hook’s wire. Make them shallower, or the head broader.`,
      },
    ];
  },
});
