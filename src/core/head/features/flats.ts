import type { Vec2 } from '../../numeric/vec.ts';
import { angle, share } from '../../kind/field.ts';
import { halve } from '../../numeric/halve.ts';
import { marked } from '../../quantity/phrase.ts';
import { radians } from '../../numeric/vec.ts';
import { riseAt } from '../profile.ts';
import { alongShank, drawnAlong, endsOf, FAR, featureKind, meetings } from './shape.ts';

/**
 * Two flats on the crown that fall away from a ridge like a roof; with no slope they are one flat. `cut` is
 * the share of the rise taken off at the ridge.
 */
export const flats = featureKind({
  key: 'flats',
  name: 'Top flats',
  does: 'Two flats on the crown, or one where they do not slope.',
  fields: {
    cut: share('Flats take off', [0.01, 0.3, 0.9], { note: 'Share of the rise at the ridge.' }),
    slope: angle('Flats slope', [0, 15, 60], { note: '0 makes one flat.' }),
  },
  shape({ cut, slope }, { rise, profile }) {
    const fall = Math.tan(radians(slope));
    const ridge = rise * (1 - cut);
    const at = (y: number) => ridge - fall * Math.abs(y);
    // Steep flats on a broad head reach below the shank at its sides, so they are looked for on the section's
    // lower side too.
    const edges = (x: number) => meetings(profile.section(x), at);
    return {
      of: 'flats',
      path: '/head/features/flats',
      sign: -1,
      grows: true,
      from: -FAR,
      to: FAR,
      breaks: [
        ...endsOf((x) => profile.section(x).t - ridge, profile.length),
        ...endsOf((x) => edges(x).length, profile.length),
      ],
      edges,
      span: (_x, y) => [at(y), FAR],
      bounds: () => [-FAR, ridge],
      face: (_x, y, z) => (z > at(y) ? [y, at(y)] : undefined),
      solid: (kernel) => {
        const wide = FAR / 4;
        return alongShank(
          kernel,
          [
            [0, ridge],
            [wide, at(wide)],
            [wide, FAR],
            [-wide, FAR],
            [-wide, at(wide)],
          ],
          -profile.length - 1,
          2 * profile.length + 1,
        );
      },
      drawn: () => {
        const met = drawnAlong(profile.length).flatMap((x): Vec2[] => {
          const section = profile.section(x);
          if (section.t <= ridge) return [];
          const [edge] = halve(0, section.b, 14, (y) => riseAt(section, y) > at(y));
          return [[x, edge]];
        });
        const [first, last] = [met[0], met.at(-1)];
        if (!first || !last || met.length < 2) return {};
        const back = met.map(([x, y]): Vec2 => [x, -y]).reverse();
        return {
          top: [
            { path: [...met, ...back, first], hidden: false },
            {
              path: [
                [first[0], 0],
                [last[0], 0],
              ],
              hidden: false,
            },
          ],
        };
      },
    };
  },
  check({ cut, slope }, { rise, wire, clear }) {
    const beside = rise * (1 - cut) - Math.tan(radians(slope)) * wire;
    if (beside >= clear) return [];
    const left = marked(Math.max(0, beside - wire / 2), 'size');
    return [
      {
        field: 'cut',
        message:
          `Top flats: they leave ${left} over the hook’s wire. Cut less off, slope them less, or ` +
          'make the head higher.',
      },
    ];
  },
});
