import { monotoneCurve } from '../../numeric/monotone.ts';
import type { Family, Given } from '../family.ts';
import { BELLY, proportion, threeSizes } from '../family.ts';
import { EMPTY_SECTION } from '../profile.ts';
import type { Station } from '../schema.ts';

/**
 * Stations a profile of one's own begins with: a plain bullet. Shares of length, half-breadth, rise and drop.
 */
export const OWN_STATIONS: readonly Station[] = [
  { at: 0, breadth: 0.4, rise: 0.4, drop: 0.4 },
  { at: 0.25, breadth: 0.85, rise: 0.85, drop: 0.85 },
  { at: 0.5, breadth: 1, rise: 1, drop: 1 },
  { at: 0.8, breadth: 0.75, rise: 0.7, drop: 0.75 },
  { at: 1, breadth: 0.1, rise: 0.1, drop: 0.1 },
];

/** Straight pieces between knots, for a profile that is not to be smoothed. */
function straightCurve(knots: readonly (readonly [number, number])[]): (x: number) => number {
  return (x) => {
    const after = knots.findIndex(([at]) => at >= x);
    if (after <= 0) return after === 0 ? (knots[0]?.[1] ?? 0) : (knots.at(-1)?.[1] ?? 0);
    const [x0, y0] = knots[after - 1] ?? [0, 0];
    const [x1, y1] = knots[after] ?? [1, 0];
    return y0 + ((y1 - y0) * (x - x0)) / (x1 - x0);
  };
}

/**
 * Least share of the breadth, and of the height, that a station between the ends may have: less is a head in
 * two pieces.
 */
const THINNEST = 0.02;

/**
 * A head drawn by its own stations: half-breadth, rise and drop along the length as shares of the sizes,
 * joined by a curve that never overshoots (or by straight lines). A station's share of 1 is the full size.
 */
export const own: Family = {
  key: 'own',
  name: 'Own profile',
  group: 'own',
  purpose: 'A head of your own: pull its stations on the drawing, or type them.',
  badAt: 'Nothing is known of it but what is computed.',
  hasStations: true,
  start: { stations: OWN_STATIONS },
  check: ({ stations }) => {
    if (!stations) return [];
    const ats = stations.map(({ at }) => at);
    if (ats[0] !== 0 || ats.at(-1) !== 1) {
      return [
        {
          field: 'stations',
          message:
            'Stations: the first must stand at 0% and the last at 100% of the length. Move them to the ends.',
        },
      ];
    }
    if (ats.some((at, i) => i > 0 && at - (ats[i - 1] ?? 0) < 0.005)) {
      return [
        {
          field: 'stations',
          message:
            'Stations: each must stand in front of the one before it. Move them apart, or take one out.',
        },
      ];
    }
    if (!stations.some(({ breadth, rise, drop }) => breadth > 0.2 && rise > 0.05 && drop > 0.05)) {
      return [
        {
          field: 'stations',
          message: 'Stations: none has any size. Give at least one of them breadth, rise and drop.',
        },
      ];
    }
    const waist = stations
      .slice(1, -1)
      .find(({ breadth, rise, drop }) => breadth < THINNEST || rise + drop < THINNEST);
    if (waist) {
      return [
        {
          field: 'stations',
          message:
            `Stations: at ${Math.round(waist.at * 100)}% of the length the head has no body and falls ` +
            'in two. Give that station breadth, and rise or drop, or take it out.',
        },
      ];
    }
    return [];
  },
  dimensions: [
    ...threeSizes([3, 15, 100], [2, 9, 60], [2, 9, 60]),
    proportion(
      'top',
      'Section above',
      'number',
      [1, 2, 6],
      'Exponent of the section above the shank: 1 a ridge, 2 round, more is square.',
    ),
    proportion(
      'bottom',
      'Section below',
      'number',
      [1, 2, 6],
      'Exponent of the section below the shank: 1 a keel, 2 round, more is square.',
    ),
    proportion(
      'straight',
      'Straight lines',
      'share',
      [0, 0, 1],
      '0% joins the stations by smooth curves, 100% by straight lines; between them mixes the two.',
    ),
    BELLY,
  ],
  profile: (
    { length = 0, breadth = 0, height = 0, top = 2, bottom = 2, straight = 0, belly = 0.5 },
    { stations = OWN_STATIONS }: Given = {},
  ) => {
    const curve = (of: 'breadth' | 'rise' | 'drop') => {
      const knots = stations.map((station) => [station.at, station[of]] as const);
      const [smooth, plain] = [monotoneCurve(knots), straightCurve(knots)];
      return (u: number) => smooth(u) * (1 - straight) + plain(u) * straight;
    };
    const [b, t, d] = [curve('breadth'), curve('rise'), curve('drop')];
    return {
      length,
      breaks: stations.map(({ at }) => at * length),
      section: (x) => {
        if (x < 0 || x > length) return EMPTY_SECTION;
        const u = x / length;
        return {
          b: (breadth / 2) * b(u),
          t: height * (1 - belly) * t(u),
          d: height * belly * d(u),
          nt: top,
          nb: bottom,
        };
      },
    };
  },
};
