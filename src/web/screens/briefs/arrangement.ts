import { compareStandings } from '../../../core/match/index.ts';
import type { MatchRow } from '../../workers/match-rows.ts';

/** A head in the order in which an answer is shown. */
export interface Placed {
  readonly id: string;
  /** its place among all heads; equals share one */
  readonly place: number;
}

/** Heads of one shape, the best first: it stands for the others, which are folded under it. */
export interface ShapeGroup {
  readonly shape: string;
  readonly heads: readonly Placed[];
}

/** Best first; what cannot be built last. */
export const byStanding = (a: MatchRow, b: MatchRow): number =>
  a.standing && b.standing
    ? compareStandings(a.standing, b.standing)
    : Number(!a.standing) - Number(!b.standing);

const isOut = ({ standing }: MatchRow): boolean => (standing?.out ?? 1) > 0;

/**
 * Returns heads as an answer shows them: the best of each shape first, its near variants under it; those that
 * are out in groups of their own.
 */
export function arrange(rows: Iterable<MatchRow>): ShapeGroup[] {
  const sorted = [...rows].sort(byStanding);
  const groups = new Map<string, { shape: string; heads: Placed[] }>();
  let place = 0;
  sorted.forEach((row, i) => {
    const before = sorted[i - 1];
    if (!before || byStanding(before, row) !== 0) place = i + 1;
    const key = `${isOut(row) ? 'out ' : ''}${row.shape}`;
    const group = groups.get(key) ?? { shape: row.shape, heads: [] };
    group.heads.push({ id: row.id, place });
    groups.set(key, group);
  });
  return [...groups.values()];
}

/**
 * Returns an arrangement with heads added that it lacks, each as a group of its own at the end: nothing that
 * is shown moves.
 */
export function withLateComers(
  shown: readonly ShapeGroup[],
  rows: ReadonlyMap<string, MatchRow>,
): readonly ShapeGroup[] {
  const known = new Set(idsOf(shown));
  const late = [...rows.values()].filter(({ id }) => !known.has(id)).sort(byStanding);
  if (late.length === 0) return shown;
  return [
    ...shown,
    ...late.map(({ id, shape }, i) => ({ shape, heads: [{ id, place: known.size + i + 1 }] })),
  ];
}

/** Returns the heads of an arrangement from top to bottom, all of them unfolded. */
export const idsOf = (groups: readonly ShapeGroup[]): string[] =>
  groups.flatMap(({ heads }) => heads.map(({ id }) => id));

/**
 * Returns how many heads change place between two orders of the same ids: the fewest that have to be lifted
 * out and put elsewhere, which is all but a longest increasing subsequence (Schensted 1961). Ids that only
 * one of them has are not counted.
 */
export function movesBetween(before: readonly string[], after: readonly string[]): number {
  const placeAfter = new Map(after.map((id, i) => [id, i]));
  const places = before.flatMap((id) => placeAfter.get(id) ?? []);
  // The least last place of an increasing run of each length.
  const ends: number[] = [];
  for (const place of places) {
    let low = 0;
    let high = ends.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((ends[middle] ?? Infinity) < place) low = middle + 1;
      else high = middle;
    }
    ends[low] = place;
  }
  return places.length - ends.length;
}
