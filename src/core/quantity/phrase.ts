import { formatQuantity } from './format.ts';
import type { QuantityKind, UnitSystem } from './units.ts';

/**
 * A quantity inside a sentence, still in its stored unit. Sentences of the core carry such marks, so that
 * whoever shows them can put the reader's units in with `inUnits`.
 */
export const marked = (stored: number, kind: QuantityKind): string => `⟦${stored}|${kind}⟧`;

/**
 * A sentence of the core with its marked quantities in the reader's units. Text without marks comes back as
 * it is.
 */
export function inUnits(text: string, system: UnitSystem): string {
  return text.replace(/⟦([^|⟧]+)\|(\w+)⟧/g, (_, value: string, kind: string) =>
    formatQuantity(Number(value), kind as QuantityKind, system),
  );
}
