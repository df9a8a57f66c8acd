import { useMemo } from 'react';
import type { RackCard, RackNames } from '../../../contract/api.ts';
import { GRAMS_PER_OUNCE, hookRank, SOLD_OUNCES } from '../../../core/quantity/index.ts';
import { useUnits } from '../../data/units.ts';
import { Choice } from '../../parts/choice.tsx';
import type { FilterKey, Filters } from './filters.ts';
import { EYES } from './filters.ts';

interface Props {
  readonly cards: readonly RackCard[];
  readonly names: RackNames;
  readonly filters: Filters;
  readonly onSet: (key: FilterKey, value: string) => void;
}

/** Packet weights a filter can begin and end at, ounces. */
const WEIGHTS = SOLD_OUNCES.filter((ounces) => ounces >= 1 / 32 && ounces <= 2);

/** Filters, offering only what there is on the Rack. */
export function FilterBar({ cards, names, filters, onSet }: Props) {
  const { format } = useUnits();
  const there = useMemo(() => {
    const values = (of: (card: RackCard) => string) => [...new Set(cards.map(of))];
    const byName = (a: readonly [string, string], b: readonly [string, string]) => a[1].localeCompare(b[1]);
    const named = (part: keyof RackNames) =>
      values((card) => card[part])
        .map((key) => [key, names[part][key] ?? key] as const)
        .sort(byName);
    return {
      family: [...new Map(cards.map(({ family, shape }) => [family, shape]))].sort(byName),
      metal: named('metal'),
      hook: values(({ hook }) => hook)
        .sort((a, b) => (hookRank(a) ?? 0) - (hookRank(b) ?? 0))
        .map((size) => [size, size] as const),
      keeper: named('keeper'),
      guard: named('guard'),
      supplier: values(({ article }) => article?.supplier ?? '')
        .filter(Boolean)
        .map((name) => [name, name] as const)
        .sort(byName),
      isCounted: cards.some(({ article }) => article?.stock !== undefined),
    };
  }, [cards, names]);
  const weights = WEIGHTS.map((ounces) => {
    const grams = ounces * GRAMS_PER_OUNCE;
    return [String(Math.round(grams * 1000) / 1000), format(grams, 'mass')] as const;
  });
  const all = (options: readonly (readonly [string, string])[], text = 'any') => [
    ['', text] as const,
    ...options,
  ];
  const set = (key: FilterKey) => (value: string) => onSet(key, value);
  return (
    <div className="rack-filters" role="group" aria-label="Filters">
      <Choice
        label="Shape"
        value={filters.family ?? ''}
        options={all(there.family)}
        onChange={set('family')}
      />
      <Choice label="Metal" value={filters.metal ?? ''} options={all(there.metal)} onChange={set('metal')} />
      <Choice
        label="From"
        value={filters.from ?? ''}
        options={all(weights, 'any weight')}
        onChange={set('from')}
      />
      <Choice label="to" value={filters.to ?? ''} options={all(weights, 'any weight')} onChange={set('to')} />
      <Choice label="Hook" value={filters.hook ?? ''} options={all(there.hook)} onChange={set('hook')} />
      <Choice label="Eye" value={filters.eye ?? ''} options={all(EYES)} onChange={set('eye')} />
      <Choice
        label="Keeper"
        value={filters.keeper ?? ''}
        options={all(there.keeper)}
        onChange={set('keeper')}
      />
      <Choice label="Guard" value={filters.guard ?? ''} options={all(there.guard)} onChange={set('guard')} />
      {there.supplier.length > 0 && (
        <Choice
          label="Supplier"
          value={filters.supplier ?? ''}
          options={all(there.supplier)}
          onChange={set('supplier')}
        />
      )}
      {there.isCounted && (
        <Choice
          label="Stock"
          value={filters.stock ?? ''}
          options={all([
            ['yes', 'in stock'],
            ['no', 'not in stock'],
          ])}
          onChange={set('stock')}
        />
      )}
      <Choice
        label="Show"
        value={filters.away ?? ''}
        options={[
          ['', 'on the Rack'],
          ['yes', 'archived'],
        ]}
        onChange={set('away')}
      />
    </div>
  );
}
