/**
 * Hook sizes as they are spoken: plain numbers falling to 1 as hooks grow, then aughts rising from 1/0. A
 * size is stored as its label: `#8`, `#1`, `1/0`, `5/0`.
 */

/**
 * Rank of a hook size on one rising scale: #8 → −8, #1 → −1, 1/0 → 0, 2/0 → 1, 5/0 → 4. Returns undefined for
 * anything that is not a hook size. Accepts `#2`, `2`, `5/0`, `5 / 0`, `05/0`.
 */
export function hookRank(text: string): number | undefined {
  const aught = /^0*(\d{1,2})\s*\/\s*0$/.exec(text.trim());
  if (aught) {
    const size = Number(aught[1]);
    return size >= 1 ? size - 1 : undefined;
  }
  const plain = /^(?:#|no\.?|size)?\s*(\d{1,2})$/i.exec(text.trim());
  if (plain) {
    const size = Number(plain[1]);
    return size >= 1 ? -size : undefined;
  }
  return undefined;
}

/** Label of a rank: −8 → `#8`, 0 → `1/0`, 4 → `5/0`. */
export function hookLabel(rank: number): string {
  return rank < 0 ? `#${-rank}` : `${rank + 1}/0`;
}
