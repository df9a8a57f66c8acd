import type { Offer } from '../../../core/document/index.ts';
import type { Trade } from '../../../core/range/index.ts';

/**
 * Everyday figures where the plan says nothing: made for its metal and a half besides, packs of five, one at
 * a time (working values, no source).
 */
const PACK = 5;
const MAKING = 0.5;
const TIMES = 2.4;

/**
 * How a head is bought and sold: what the plan says, and the usual beside it. `metal` is what its metal
 * costs.
 */
export function tradeOf(offer: Offer | undefined, metal: number | undefined): Trade {
  const cost = offer?.cost ?? (metal ?? 0) + MAKING;
  return {
    cost,
    price: offer?.price ?? Math.round(TIMES * cost * 20) / 20,
    pack: offer?.pack ?? PACK,
    minimum: offer?.minimum ?? 1,
  };
}
