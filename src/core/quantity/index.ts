/** What contract, server, interface and terminal use of this room. */
export { formatFigure, formatForEditing, formatQuantity } from './format.ts';
export { hookRank } from './hook-size.ts';
export type { Money } from './money.ts';
export { amountTyped, CURRENCIES, currencyNames, currencySign, formatMoney, TAXES, UNSAID } from './money.ts';
export { fractionGrams, nearestOunceFraction } from './ounces.ts';
export type { DecimalMark } from './parse.ts';
export { parseQuantity } from './parse.ts';
export { inUnits, markedRound, withUsual } from './phrase.ts';
export { roundIn, shownUsual } from './round.ts';
export { SOLD_OUNCES } from './sold.ts';
export { isStorable, shortened } from './text.ts';
export type { QuantityKind, UnitSystem } from './units.ts';
export { GRAMS_PER_OUNCE, KILOGRAMS_PER_POUND, GRAVITY, MM_PER_INCH, shownUnit } from './units.ts';
