import type { Plastic } from './schema.ts';
import { plasticKindOf } from './kinds/index.ts';
import { integrateRounded } from '../numeric/gauss.ts';
import { monotoneCurve } from '../numeric/monotone.ts';

/** Half-sizes of a plastic's section at a distance from its nose, mm. Sections are ellipses. */
export interface PlasticSection {
  readonly halfBreadth: number;
  readonly halfHeight: number;
}

interface Curves {
  readonly height: (share: number) => number;
  readonly breadth: (share: number) => number;
}

const known = new Map<string, Curves>();

/** Curves through a kind's stations; made once. */
function curvesOf(key: string): Curves {
  let curves = known.get(key);
  if (!curves) {
    const { stations } = plasticKindOf(key);
    curves = {
      height: monotoneCurve(stations.map(([at, height]) => [at, height])),
      breadth: monotoneCurve(stations.map(([at, , breadth]) => [at, breadth])),
    };
    known.set(key, curves);
  }
  return curves;
}

/** Section at a distance from the nose (mm); nothing beyond either end. Sizes run on curves that never overshoot their stations. */
export function plasticSection(plastic: Plastic, fromNose: number): PlasticSection {
  const share = fromNose / plastic.length;
  if (!(share >= 0 && share <= 1)) return { halfBreadth: 0, halfHeight: 0 };
  const { height, breadth } = curvesOf(plastic.kind);
  return {
    halfHeight: (height(share) * plastic.height) / 2,
    halfBreadth: (breadth(share) * plastic.breadth) / 2,
  };
}

/** Where the moving tail or the claws begin, mm from the nose. */
export function tailStart(plastic: Plastic): number {
  return plasticKindOf(plastic.kind).tail * plastic.length;
}

/** Volume in mm³ by quadrature over elliptic sections. */
export function plasticVolume(plastic: Plastic): number {
  const { stations } = plasticKindOf(plastic.kind);
  let volume = 0;
  for (let i = 1; i < stations.length; i++) {
    const [a, b] = [(stations[i - 1]?.[0] ?? 0) * plastic.length, (stations[i]?.[0] ?? 1) * plastic.length];
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
