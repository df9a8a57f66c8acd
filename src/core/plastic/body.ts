import { numberAt } from '../numeric/at.ts';
import { integrateRounded } from '../numeric/gauss.ts';
import { monotoneCurve } from '../numeric/monotone.ts';
import { fullness, halfMoment } from '../numeric/superellipse.ts';
import { MADE } from './kinds/kind.ts';
import { plasticKindOf } from './kinds/index.ts';
import type { Limb, PlasticStation, SectionShape } from './kinds/kind.ts';
import type { Plastic } from './schema.ts';

/**
 * A plastic's section at a distance from its nose, mm: |y/b|^n + |z/h|^n = 1, with one exponent above the
 * body's axis and one below. A flat side has a high exponent.
 */
export interface PlasticSection {
  readonly halfBreadth: number;
  readonly halfHeight: number;
  /** exponent above the axis, and below it */
  readonly nt: number;
  readonly nb: number;
}

/** Exponents of a round and of a flat side. */
const ROUND = 2;
const FLAT = 5;
const EXPONENTS: Readonly<Record<SectionShape, readonly [nt: number, nb: number]>> = {
  round: [ROUND, ROUND],
  'flat-backed': [FLAT, ROUND],
  'flat-bellied': [ROUND, FLAT],
};

interface Curves {
  readonly height: (share: number) => number;
  readonly breadth: (share: number) => number;
}

const known = new WeakMap<readonly PlasticStation[], Curves>();
const drawn = new WeakMap<NonNullable<Plastic['stations']>, readonly PlasticStation[]>();

/** The stations of a plastic: its kind's, or its own where it is of the kind that has them. */
export function plasticStations(plastic: Pick<Plastic, 'kind' | 'stations'>): readonly PlasticStation[] {
  const kind = plasticKindOf(plastic.kind);
  const { stations } = plastic;
  if (!kind.isOwn || !stations) return kind.stations;
  let own = drawn.get(stations);
  if (!own) {
    own = stations
      .map(({ at, height, breadth }): PlasticStation => [at, height, breadth])
      .sort(([a], [b]) => a - b)
      .filter(([at], i, all) => i === 0 || at > (all[i - 1]?.[0] ?? 0));
    drawn.set(stations, own);
  }
  return own;
}

/** Curves through the stations; made once. */
function curvesOf(plastic: Plastic): Curves {
  const stations = plasticStations(plastic);
  let curves = known.get(stations);
  if (!curves) {
    curves = {
      height: monotoneCurve(stations.map(([at, height]) => [at, height])),
      breadth: monotoneCurve(stations.map(([at, , breadth]) => [at, breadth])),
    };
    known.set(stations, curves);
  }
  return curves;
}

/** Least of a plastic that is left after a cut, mm. */
const LEAST_LEFT = 5;
/** What is cut off its nose before it is rigged, mm. */
export const cutOf = ({ cut = 0, length }: Pick<Plastic, 'cut' | 'length'>): number =>
  Math.max(0, Math.min(cut, length - LEAST_LEFT));
/** Length that is left of it, mm. */
export const leftLength = (plastic: Pick<Plastic, 'cut' | 'length'>): number =>
  plastic.length - cutOf(plastic);

const NOTHING: PlasticSection = { halfBreadth: 0, halfHeight: 0, nt: ROUND, nb: ROUND };

/**
 * Section at a distance from the nose that is left (mm); nothing beyond either end. Sizes run on curves that
 * never overshoot their stations.
 */
export function plasticSection(plastic: Plastic, fromNose: number): PlasticSection {
  const share = (fromNose + cutOf(plastic)) / plastic.length;
  if (!(fromNose >= 0 && share <= 1)) return NOTHING;
  const { height, breadth } = curvesOf(plastic);
  const [nt, nb] = EXPONENTS[plasticKindOf(plastic.kind).section];
  return {
    halfHeight: (height(share) * plastic.height) / 2,
    halfBreadth: (breadth(share) * plastic.breadth) / 2,
    nt,
    nb,
  };
}

/** Area of a section as if it were full, mm². */
export const sectionFull = ({ halfBreadth, halfHeight, nt, nb }: PlasticSection): number =>
  2 * halfBreadth * halfHeight * (fullness(nt) + fullness(nb));

/** Height of a section's centre over the body's axis, mm: a flat back lifts it. */
export function sectionRise({ halfHeight, nt, nb }: PlasticSection): number {
  const area = 2 * (fullness(nt) + fullness(nb));
  return area > 0 ? (halfHeight * (halfMoment(nt) - halfMoment(nb))) / area : 0;
}

/** Share of the length that is full in front of the room of a hollow body or a tube. */
export const FULL_NOSE = 0.12;

/** Thickness of the wall, mm; 0 of a full body. */
export function wallOf(plastic: Plastic): number {
  const { make, wall } = plasticKindOf(plastic.kind);
  if (!MADE[make].wall) return 0;
  return plastic.wall ?? wall * plastic.height;
}

/** The room within a section, mm²: what a wall leaves of it. */
function roomWithin(plastic: Plastic, wall: number, fromNose: number, section: PlasticSection): number {
  const share = (fromNose + cutOf(plastic)) / plastic.length;
  const { tail } = plasticKindOf(plastic.kind);
  if (wall === 0 || share < FULL_NOSE || share > tail) return 0;
  const [b, h] = [section.halfBreadth - wall, section.halfHeight - wall];
  return b > 0 && h > 0 ? sectionFull({ ...section, halfBreadth: b, halfHeight: h }) : 0;
}

/** Area of plastic in a section, mm². */
export const sectionArea = (plastic: Plastic, fromNose: number): number => {
  const section = plasticSection(plastic, fromNose);
  return sectionFull(section) - roomWithin(plastic, wallOf(plastic), fromNose, section);
};

/** Where the moving tail or the claws begin, mm from the nose that is left. */
export function tailStart(plastic: Plastic): number {
  return plasticKindOf(plastic.kind).tail * plastic.length - cutOf(plastic);
}

/** Limbs that are left, each side of a pair by itself, mm. */
export interface PlacedLimb extends Limb {
  /** from the nose that is left */
  readonly from: number;
  readonly long: number;
  readonly broad: number;
  readonly thickness: number;
  /** −1 right, 1 left, 0 in the middle */
  readonly side: -1 | 0 | 1;
}

/** Where each limb of a plastic stands. */
export function limbsOf(plastic: Plastic): PlacedLimb[] {
  const cut = cutOf(plastic);
  return plasticKindOf(plastic.kind).limbs.flatMap((limb) => {
    const from = limb.at * plastic.length - cut;
    if (from <= 0) return [];
    const sides: readonly (-1 | 0 | 1)[] = limb.isPair ? [-1, 1] : [0];
    return sides.map((side) => ({
      ...limb,
      side,
      from,
      long: limb.length * plastic.length,
      broad: limb.breadth * (limb.stands === 'upright' ? plastic.height : plastic.breadth),
      thickness: limb.thick * plastic.height,
    }));
  });
}

/** Share of its box that a tapering face, and a tapering stick, fills (working values, no source). */
const FILLS = { face: 0.6, stick: 0.6 } as const;

/** Plastic in one limb, mm³. */
export const limbVolume = ({ of, long, broad, thickness }: PlacedLimb): number =>
  FILLS[of] * long * broad * thickness * (of === 'stick' ? Math.PI / 4 : 1);

/**
 * Volume of the plastic that is left in mm³, by quadrature over its sections, with its limbs; the room of a
 * hollow one is left out.
 */
export function plasticVolume(plastic: Plastic): number {
  const cut = cutOf(plastic);
  const { tail } = plasticKindOf(plastic.kind);
  const shares = [...plasticStations(plastic).map(([at]) => at), FULL_NOSE, tail, cut / plastic.length, 0, 1];
  const stops = [...new Set(shares)]
    .filter((at) => at >= cut / plastic.length && at <= 1)
    .sort((a, b) => a - b)
    .map((at) => at * plastic.length - cut);
  let volume = 0;
  for (let i = 1; i < stops.length; i++) {
    const [a, b] = [numberAt(stops, i - 1), numberAt(stops, i)];
    // A hair within each piece: the rule of a wall changes at its ends.
    volume += integrateRounded(
      (x) => sectionArea(plastic, Math.min(Math.max(x, a + 1e-9), b - 1e-9)),
      a,
      b,
      8,
    );
  }
  return volume + limbsOf(plastic).reduce((sum, limb) => sum + limbVolume(limb), 0);
}

/** Density that a weighed plastic must have, g/cm³; undefined of one that was not weighed. */
export function weighedDensity(plastic: Plastic): number | undefined {
  if (plastic.weighed === undefined) return undefined;
  return (1000 * plastic.weighed) / plasticVolume({ ...plastic, cut: 0 });
}

/** Density it is reckoned with, g/cm³: what its weight says, or what it was given. */
export const plasticDensity = (plastic: Plastic): number => weighedDensity(plastic) ?? plastic.density;

/** What is left of it weighs, g. */
export const plasticMass = (plastic: Plastic): number =>
  (plasticDensity(plastic) * plasticVolume(plastic)) / 1000;

/**
 * Densities that plastics are made in, g/cm³ (common practice, no source): beyond them a weight or a size is
 * wrong.
 */
export const PLAUSIBLE_DENSITY: readonly [number, number] = [0.82, 1.3];
