import { useMemo } from 'react';
import type { Kept } from '../../../contract/api.ts';
import type { Design } from '../../../core/document/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import { SearchField } from '../../parts/search-field.tsx';
import { useAddress } from '../../parts/address.ts';
import { Choice } from '../../parts/choice.tsx';
import { useUnits } from '../../data/units.ts';
import type { AnswerFilter } from './answer-filter.ts';

/** Steps a price can be limited to, in the shop’s money. */
const PRICES = [0.5, 1, 2, 3, 4, 5, 7.5, 10, 15, 20, 30, 50];

/** The filter of an answer, which stands in the address. */
export function useAnswerFilter(): AnswerFilter {
  const { search } = useAddress();
  const text = search.toString();
  return useMemo(() => {
    const given = new URLSearchParams(text);
    const price = Number(given.get('price') ?? NaN);
    return {
      find: given.get('find') ?? '',
      metal: given.get('metal') ?? '',
      price: price > 0 ? price : undefined,
      inStock: given.get('stock') === 'yes',
    };
  }, [text]);
}

/**
 * Narrows an answer: a head by name (“why not this one?”), a metal, a price, what is in stock. Only what the
 * shop knows is offered.
 */
export function AnswerFilterBar({
  filter,
  designs,
  metals,
}: {
  readonly filter: AnswerFilter;
  readonly designs: readonly Kept<Design>[];
  readonly metals: readonly Metal[];
}) {
  const { set } = useAddress();
  const { format } = useUnits();
  const known = useMemo(
    () => ({
      metals: metals.filter(({ key }) => designs.some(({ document }) => document.head.metal === key)),
      isPriced: designs.some(({ document }) => document.article?.price !== undefined),
      isCounted: designs.some(({ document }) => document.article?.stock !== undefined),
    }),
    [designs, metals],
  );
  return (
    <div className="answer-filter" role="search" aria-label="Filter the answer">
      <SearchField
        label="Find a head in the answer"
        value={filter.find}
        placeholder="Why not …? A head’s name"
        onChange={(text) => set('find', text)}
      />
      <Choice
        label="Metal"
        value={filter.metal}
        options={[
          ['', 'any'],
          ['lead-free', 'lead-free'],
          ...known.metals.map(({ key, name }) => [key, name] as const),
        ]}
        onChange={(value) => set('metal', value)}
      />
      {known.isPriced && (
        <Choice
          label="Price up to"
          value={filter.price === undefined ? '' : String(filter.price)}
          options={[['', 'any'], ...PRICES.map((price) => [String(price), format(price, 'money')] as const)]}
          onChange={(value) => set('price', value)}
        />
      )}
      {known.isCounted && (
        <label>
          <input
            type="checkbox"
            checked={filter.inStock}
            onChange={(event) => set('stock', event.currentTarget.checked ? 'yes' : '')}
          />{' '}
          In stock
        </label>
      )}
    </div>
  );
}
