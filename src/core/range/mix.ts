import { itemAt, numberAt } from '../numeric/at.ts';
/** Things to choose from, each at a place of its own. */
export interface Placed {
  readonly id: string;
  /** place on one scale, such as the logarithm of a fall speed or the darkness of a colour */
  readonly at: number;
}

/**
 * So many of them that span the field: the two ends, and between them those that leave the widest gap
 * smallest. Exact, by trying ends and filling by dynamic programming over the sorted places; ties go to the
 * earlier. `count` from 1 to as many as there are.
 */
export function spanning(things: readonly Placed[], count: number): Placed[] {
  const sorted = [...things].sort((a, b) => a.at - b.at);
  const n = Math.min(count, sorted.length);
  if (n >= sorted.length) return sorted;
  if (n <= 1)
    return sorted.slice(Math.floor((sorted.length - 1) / 2), Math.floor((sorted.length - 1) / 2) + n);
  const at = (i: number) => itemAt(sorted, i).at;
  // worst[k][i]: smallest widest gap of k + 1 things from the first to the i-th.
  let worst = sorted.map((_, i) => (i === 0 ? 0 : Infinity));
  const from: number[][] = [];
  for (let k = 1; k < n; k++) {
    const next = sorted.map(() => Infinity);
    const back = sorted.map(() => -1);
    for (let i = k; i < sorted.length; i++)
      for (let j = k - 1; j < i; j++) {
        const widest = Math.max(numberAt(worst, j), at(i) - at(j));
        if (widest < numberAt(next, i)) [next[i], back[i]] = [widest, j];
      }
    from.push(back);
    worst = next;
  }
  const chosen: number[] = [sorted.length - 1];
  for (let k = n - 2; k >= 0; k--) chosen.unshift(from[k]?.[numberAt(chosen, 0)] ?? 0);
  return chosen.map((i) => itemAt(sorted, i));
}

/** One pairing on the wall. */
export interface Mixed {
  readonly head: string;
  readonly colour: string;
  readonly trailer: string;
}

/**
 * Heads, colours and trailers mixed so that each head meets each colour as evenly as can be and no trailer
 * sticks to one of either: the rows of a Latin square, a pairing for every head and colour, its trailer the
 * next in turn. Empty where one of the three is.
 */
export function mixed(
  heads: readonly string[],
  colours: readonly string[],
  trailers: readonly string[],
): Mixed[] {
  if (trailers.length === 0) return [];
  return heads.flatMap((head, i) =>
    colours.map((colour, j) => ({
      head,
      colour,
      trailer: itemAt(trailers, (i + j) % trailers.length),
    })),
  );
}
