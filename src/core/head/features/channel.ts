import type { FeatureSpec } from '../../document/design.ts';
import type { FeatureGround, Shape } from './shape.ts';
import { alongShank, endsOf, FAR, meetings } from './shape.ts';

/** A round-roofed channel along the belly, open below: `width` of the breadth, `depth` of the greatest drop. */
export function channel(
  { width, depth }: NonNullable<FeatureSpec['channel']>,
  { profile, half, drop }: FeatureGround,
): Shape {
  const w = width * half;
  const h = depth * drop;
  const roof = (y: number) => -drop + h * Math.sqrt(Math.max(0, 1 - (y / w) ** 2));
  /** Where the roof comes out of the section's sides, which a wide channel does before its own edge. */
  const ways = (x: number) => meetings(profile.section(x), roof, roof, w);
  return {
    feature: 'channel',
    sign: -1,
    from: -FAR,
    to: FAR,
    breaks: [
      ...endsOf((x) => profile.section(x).b - w, profile.length),
      ...endsOf((x) => ways(x).length, profile.length),
    ],
    edges: (x) => [w, ...ways(x)],
    span: (_x, y) => (Math.abs(y) < w ? [-FAR, roof(y)] : undefined),
    solid: (kernel, corners) => {
      const arcs = Math.ceil(corners / 2);
      // The roof's polygon is stretched so that it takes away the area of the half ellipse.
      const stretch = Math.PI / 2 / ((arcs * Math.sin(Math.PI / arcs)) / 2);
      const arc = Array.from({ length: arcs + 1 }, (_, i): [number, number] => {
        const turn = (Math.PI * i) / arcs;
        return [w * Math.cos(turn), -drop + h * stretch * Math.sin(turn)];
      });
      return alongShank(kernel, [...arc, [-w, -FAR], [w, -FAR]], -profile.length - 1, 2 * profile.length + 1);
    },
    undercut:
      'The channel lies across the way the mould opens: core it with a loose piece, or mill it after pouring.',
  };
}
