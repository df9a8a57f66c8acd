import type { FeatureSpec } from '../../design.ts';
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
  const edges = (x: number) => meetings(profile.section(x), (y) => ({ above: at(y), below: at(y) }));
  /** What of a section's half the flats reach at x: it begins and ends where they do. */
  const reached = (x: number): number => {
    const { t } = profile.section(x);
    return t > ridge ? 1 : 0;
  };
  return {
    feature: 'flats',
    sign: -1,
    from: -FAR,
    to: FAR,
    breaks: [...endsOf(reached, profile.length), ...endsOf((x) => edges(x).length, profile.length)],
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
