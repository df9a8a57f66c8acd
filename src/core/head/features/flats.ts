import type { FeatureSpec } from '../../design.ts';
import { radians } from '../../numeric/vec.ts';
import type { FeatureGround, Shape } from './shape.ts';
import { alongShank, endsOf, FAR } from './shape.ts';

/** Two flats on the crown that fall away from a ridge like a roof; with no slope they are one flat. `cut` is the share of the rise taken off at the ridge. */
export function flats(
  { cut, slope }: NonNullable<FeatureSpec['flats']>,
  { rise, profile }: FeatureGround,
): Shape {
  const fall = Math.tan(radians(slope));
  const ridge = rise * (1 - cut);
  const at = (y: number) => ridge - fall * Math.abs(y);
  /** Half the width over which the flats cut at x: where they meet the body's side. */
  const halfWidth = (x: number): number => {
    const { b, t, nt } = profile.section(x);
    if (!(t > ridge)) return 0;
    let [low, high] = [0, b];
    for (let halving = 0; halving < 24; halving++) {
      const y = (low + high) / 2;
      if (t * (1 - (y / b) ** nt) ** (1 / nt) > at(y)) low = y;
      else high = y;
    }
    return low;
  };
  return {
    feature: 'flats',
    sign: -1,
    from: -FAR,
    to: FAR,
    breaks: endsOf(halfWidth, profile.length),
    edges: (x) => [halfWidth(x)],
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
