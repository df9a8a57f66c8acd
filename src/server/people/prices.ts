import { READINGS } from '../../core/behaviour/index.ts';
import { keysOf } from '../../core/kind/index.ts';
import { METALS } from '../../core/material/index.ts';

/** Readings in the shop's money: what a head costs it. */
const COSTS: ReadonlySet<string> = new Set(
  keysOf(READINGS).filter((id) => READINGS[id].quantity === 'money'),
);

/** What metals cost by the reference list, which is nobody's secret. */
const LISTED = new Map(METALS.map(({ key, price }) => [key, price]));

/**
 * Returns an answer without what things cost the shop, for whoever is not to see it: readings in money are
 * left out, and metals have their list price. What a head sells for stands on its label, and stays.
 */
export function withoutCosts(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(withoutCosts);
  if (typeof value !== 'object' || value === null) return value;
  const listed = 'density' in value && 'key' in value ? LISTED.get(String(value.key)) : undefined;
  return Object.fromEntries(
    Object.entries(value)
      .filter(([key]) => !COSTS.has(key))
      .map(([key, inner]) => [key, key === 'price' && listed !== undefined ? listed : withoutCosts(inner)]),
  );
}
