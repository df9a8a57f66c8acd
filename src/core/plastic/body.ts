import { integrateRounded } from '../numeric/gauss.ts';
import { monotoneCurve } from '../numeric/monotone.ts';
import type { Plastic, PlasticKind } from '../document/plastic.ts';

/** Half-sizes of a plastic's section at a distance from its nose, mm. Sections are ellipses. */
export interface PlasticSection {
  readonly halfBreadth: number;
  readonly halfHeight: number;
}

/** Share of length from the nose, then half-height and half-breadth as shares of the greatest. */
type Station = readonly [s: number, height: number, breadth: number];

interface Form {
  readonly stations: readonly Station[];
  /** share of the length where the moving tail or the claws begin */
  readonly tail: number;
}

/** Bodies as lofts, drawn after what such baits commonly look like (common practice, no source). */
const FORMS: Readonly<Record<PlasticKind, Form>> = {
  'paddle-tail': {
    stations: [
      [0, 0.42, 0.5], [0.06, 0.72, 0.78], [0.22, 1, 1], [0.42, 0.86, 0.9], [0.62, 0.6, 0.62], [0.8, 0.34, 0.36],
      [0.88, 0.3, 0.26], [0.92, 0.55, 0.34], [0.97, 0.9, 0.42], [1, 0.5, 0.2],
    ],
    tail: 0.84,
  },
  stick: {
    stations: [
      [0, 0.4, 0.4], [0.04, 0.72, 0.72], [0.16, 0.94, 0.94], [0.4, 1, 1], [0.7, 0.94, 0.94], [0.9, 0.7, 0.7], [0.98, 0.42, 0.42],
      [1, 0.12, 0.12],
    ],
    tail: 0.92,
  },
  claw: {
    stations: [
      [0, 0.46, 0.42], [0.06, 0.78, 0.66], [0.24, 1, 0.84], [0.42, 0.9, 0.78], [0.54, 0.52, 0.6], [0.66, 0.22, 0.82], [0.86, 0.2, 1],
      [0.97, 0.16, 0.8], [1, 0.06, 0.3],
    ],
    tail: 0.56,
  },
}; // prettier-ignore

const CURVES = Object.fromEntries(
  Object.entries(FORMS).map(([kind, { stations }]) => [
    kind,
    {
      height: monotoneCurve(stations.map(([at, height]) => [at, height])),
      breadth: monotoneCurve(stations.map(([at, , breadth]) => [at, breadth])),
    },
  ]),
) as unknown as Readonly<Record<PlasticKind, Record<'height' | 'breadth', (share: number) => number>>>;

/** Section at a distance from the nose (mm); nothing beyond either end. Sizes run on curves that never overshoot their stations. */
export function plasticSection(plastic: Plastic, fromNose: number): PlasticSection {
  const share = fromNose / plastic.length;
  if (!(share >= 0 && share <= 1)) return { halfBreadth: 0, halfHeight: 0 };
  const { height, breadth } = CURVES[plastic.kind];
  return {
    halfHeight: (height(share) * plastic.height) / 2,
    halfBreadth: (breadth(share) * plastic.breadth) / 2,
  };
}

/** Where the moving tail or the claws begin, mm from the nose. */
export function tailStart(plastic: Plastic): number {
  return FORMS[plastic.kind].tail * plastic.length;
}

/** Volume in mm³ by quadrature over elliptic sections. */
export function plasticVolume(plastic: Plastic): number {
  const { stations } = FORMS[plastic.kind];
  let volume = 0;
  for (let i = 1; i < stations.length; i++) {
    const [a, b] = [
      (stations[i - 1] as Station)[0] * plastic.length,
      (stations[i] as Station)[0] * plastic.length,
    ];
    volume += integrateRounded(
      (x) => {
        const { halfBreadth, halfHeight } = plasticSection(plastic, x);
        return Math.PI * halfBreadth * halfHeight;
      },
      a,
      b,
      8,
    );
  }
  return volume;
}

/** Stations to draw a plastic by: distance from the nose with half-sizes, mm. */
export function plasticStations(
  plastic: Plastic,
  count = 64,
): (PlasticSection & { readonly fromNose: number })[] {
  return Array.from({ length: count + 1 }, (_, i) => {
    const fromNose = (plastic.length * i) / count;
    return { fromNose, ...plasticSection(plastic, fromNose) };
  });
}
