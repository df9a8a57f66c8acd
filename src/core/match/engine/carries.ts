import type { FitCheck } from '../../judge/verdict.ts';
import type { Pairing } from '../../judge/pairings.ts';
import { clamp } from '../../numeric/vec.ts';

/** What an end of a good span is worth, and that of a tight one. */
const GOOD_END = 0.85;
const TIGHT_END = 0.5;
/**
 * What a way that a bait is seldom put on takes off, and what it is worth at most: it serves barely, however
 * well it fits.
 */
const SELDOM = 0.2;
const SELDOM_MOST = 0.55;
/** A head that stands out over its bait is seen everywhere: it is never worth less than this. */
const STANDS_OUT = 0.5;
/** Worth of a verdict where no check stands behind it. */
const PLAIN = { good: 1, tight: 0.66, bad: 0.1 } as const;

/** The bite is asked by another question. */
const ELSEWHERE = 'rig.bite';

/**
 * What one check is worth, 0 to 1: it glides from the good span through the tight one to nothing, an equal
 * way beyond.
 */
function worth({ id, value, good, tight, name }: FitCheck): number {
  if (!Number.isFinite(value)) return 0;
  const side = value < good[0] ? 0 : value > good[1] ? 1 : undefined;
  if (side === undefined) return 1;
  const span = Math.abs(good[side] - tight[side]) || Math.abs(good[side]) * 0.1 || 1;
  const off = Math.abs(value - good[side]) / span;
  const found = off <= 1 ? GOOD_END + (TIGHT_END - GOOD_END) * off : TIGHT_END * clamp(2 - off, 0, 1);
  return id === 'rig.shoulder' && name === 'Head against body' ? Math.max(STANDS_OUT, found) : found;
}

/** How well a bait is carried: the worst of its checks decides, and says why. */
export function carries({ checks, verdict, why, meant }: Pairing): {
  readonly score: number;
  readonly why: string | undefined;
} {
  const isSeldom = meant === 'seldom';
  const seldom = (score: number) => (isSeldom ? Math.min(SELDOM_MOST, Math.max(0, score - SELDOM)) : score);
  if (checks.length === 0)
    return { score: verdict === 'bad' ? PLAIN.bad : seldom(PLAIN[verdict]), why: why[0] };
  let worst: FitCheck | undefined;
  let least = 1;
  for (const check of checks) {
    if (check.id === ELSEWHERE) continue;
    const found = worth(check);
    if (found < least) [worst, least] = [check, found];
  }
  return {
    score: seldom(least),
    why: worst ? `${worst.name}: ${worst.says}` : undefined,
  };
}
