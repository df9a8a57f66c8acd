import type { Kept } from '../../../contract/api.ts';
import type { Design } from '../../../core/document/index.ts';

/** What an answer is narrowed to, as its address keeps it. */
export interface AnswerFilter {
  /** words of the head’s name, article number, EAN or supplier */
  readonly find: string;
  /** key of a metal, `lead-free`, or empty */
  readonly metal: string;
  /** price of a pack at most, in the shop’s money */
  readonly price: number | undefined;
  /** heads with a pack in stock alone */
  readonly inStock: boolean;
}

/** Whether a filter leaves anything out. */
export const isFiltering = ({ find, metal, price, inStock }: AnswerFilter): boolean =>
  find.trim() !== '' || metal !== '' || price !== undefined || inStock;

/**
 * Returns the ids of the designs that a filter lets through. `isLead` tells whether a metal, by its key,
 * holds lead.
 */
export function passing(
  designs: readonly Kept<Design>[],
  { find, metal, price, inStock }: AnswerFilter,
  isLead: (metal: string) => boolean,
): ReadonlySet<string> {
  const words = find.toLowerCase().split(/\s+/).filter(Boolean);
  return new Set(
    designs.flatMap(({ id, document: { name, head, article } }) => {
      const text = [name, article?.number, article?.ean, article?.supplier].join(' ').toLowerCase();
      const isLet =
        words.every((word) => text.includes(word)) &&
        (metal === '' || (metal === 'lead-free' ? !isLead(head.metal) : head.metal === metal)) &&
        (price === undefined || (article?.price ?? Infinity) <= price) &&
        (!inStock || (article?.stock ?? 0) > 0);
      return isLet ? [id] : [];
    }),
  );
}
