import type { Revolve } from '../revolve.ts';
import type { Shape } from './shape.ts';
import { roundStretch } from './shape.ts';

/** A cast collar or barrel, a body of revolution about the shank, joined to the head. */
export function collarShape(collar: Revolve): Shape {
  const { from, to, breaks, radius } = collar;
  const hair = (to - from) * 1e-7;
  return {
    of: 'collar',
    path: '/head',
    isCollar: true,
    sign: 1,
    from,
    to,
    breaks: [from, ...breaks, to],
    edges: (x) => [radius(x)],
    span: (x, y) => {
      const h2 = radius(x) ** 2 - y * y;
      if (!(h2 > 0)) return undefined;
      const h = Math.sqrt(h2);
      return [-h, h];
    },
    solid: (kernel, corners) => {
      const { Manifold } = kernel;
      // Drawn in (radius, along) and turned about the library's z, which then becomes our x.
      const xs = [from, ...breaks.flatMap((x) => [x - hair, x + hair]), to].filter(
        (x) => x >= from && x <= to,
      );
      xs.sort((a, b) => a - b);
      const edge = xs.map((x): [number, number] => [radius(x) * roundStretch(corners), x]);
      const turnedUp = Manifold.revolve([[0, from], ...edge, [0, to]], corners);
      const laid = turnedUp.transform([0, 1, 0, 0, 0, 0, 1, 0, 1, 0, 0, 0, 0, 0, 0, 1]);
      turnedUp.delete();
      return laid;
    },
  };
}
