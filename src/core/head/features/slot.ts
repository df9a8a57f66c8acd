import type { FeatureSpec } from '../../document/design.ts';
import type { FeatureGround, Shape } from './shape.ts';
import { box, endsOf, FAR, meetings } from './shape.ts';

/** A slot along the whole head that takes the hook's shank: `width` mm wide, from the far side of the wire out through belly or crown. */
export function slot(
  { open, width }: NonNullable<FeatureSpec['slot']>,
  { profile, wire }: FeatureGround,
): Shape {
  const below = open === 'below';
  const w = width / 2;
  const floor = wire / 2;
  return {
    feature: 'slot',
    sign: -1,
    from: -FAR,
    to: FAR,
    // Where the head becomes wider than the slot, and where it begins to stand beyond the wire's far side.
    breaks: [
      ...endsOf((x) => profile.section(x).b - w, profile.length),
      ...endsOf((x) => (below ? profile.section(x).t : profile.section(x).d) - floor, profile.length),
    ],
    edges: (x) => [
      ...meetings(profile.section(x), () => (below ? floor : FAR), () => (below ? -FAR : -floor), w), // prettier-ignore
      w,
    ],
    span: (_x, y) => (Math.abs(y) >= w ? undefined : below ? [-FAR, floor] : [-floor, FAR]),
    solid: (kernel) => {
      const [lower, upper] = below ? [-FAR, floor] : [-floor, FAR];
      return box(kernel, [-profile.length - 1, -w, lower], [2 * profile.length + 1, w, upper]);
    },
    undercut:
      'The slot lies across the way the mould opens: put a strip of its width into the mould, or saw it after pouring.',
  };
}
