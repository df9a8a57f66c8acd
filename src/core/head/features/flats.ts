import type { FeatureSpec } from '../../document/design.ts';
import { radians } from '../../numeric/vec.ts';
import type { FeatureGround, Shape } from './shape.ts';
import { alongShank, endsOf, FAR, meetings } from './shape.ts';

/** Two flats on the crown that fall away from a ridge like a roof; with no slope they are one flat. `cut` is the share of the rise taken off at the ridge. */
export function flats(
  { cut, slope }: NonNullable<FeatureSpec['flats']>,
  { rise, profile }: FeatureGround,
): Shape {
  const fall = Math.tan(radians(slope));
  const ridge = rise * (1 - cut);
  const at = (y: number) => ridge - fall * Math.abs(y);
  // Steep flats on a broad head reach below the shank at its sides, so they are looked for on the section's lower side too.
  const edges = (x: number) => meetings(profile.section(x), at);
  return {
    feature: 'flats',
    sign: -1,
    from: -FAR,
    to: FAR,
    breaks: [
      ...endsOf((x) => profile.section(x).t - ridge, profile.length),
      ...endsOf((x) => edges(x).length, profile.length),
    ],
    edges,
    span: (_x, y) => [at(y), FAR],
    solid: (kernel) => {
      const wide = FAR / 4;
      return alongShank(
        kernel,
        [[0, ridge], [wide, at(wide)], [wide, FAR], [-wide, FAR], [-wide, at(wide)]], // prettier-ignore
        -profile.length - 1,
        2 * profile.length + 1,
      );
    },
  };
}
