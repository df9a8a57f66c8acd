/** How a head is bought and sold, in the shop's own money. */
export interface Trade {
  /** one piece, bought or made */
  readonly cost: number;
  /** one piece, sold */
  readonly price: number;
  /** pieces in a pack, and packs that must be taken at once */
  readonly pack: number;
  readonly minimum: number;
}

/** What hanging it takes at the first order. */
export const outlayOf = ({ cost, pack, minimum }: Trade): number => cost * pack * minimum;

/** What is left of the price, as a share of it; NaN where there is no price. */
export const marginOf = ({ cost, price }: Trade): number => (price > 0 ? (price - cost) / price : NaN);
