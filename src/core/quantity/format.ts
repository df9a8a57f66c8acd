import { fractionText, nearestOunceFraction } from './ounces.ts';
import type { QuantityKind, UnitSystem } from './units.ts';
import { shownUnit } from './units.ts';

/** How far (as a share) a weight may lie from a packet fraction and still be shown as that fraction. */
const FRACTION_TOLERANCE = 0.004;

/** Whether a weight is one that packets name in ounces. */
export const isUsualFraction = (grams: number): boolean =>
  grams > 0 && Math.abs(nearestOunceFraction(grams).error) <= FRACTION_TOLERANCE;

/** Decimals that say no more than the reading knows, by kind and system. */
function decimals(kind: QuantityKind, system: UnitSystem, magnitude: number): number {
  switch (kind) {
    case 'mass':
    case 'force':
    case 'pull':
      // As a scale shows it: hundredths of an ounce from a tenth on, of a gram up to ten.
      return system === 'imperial' ? (magnitude < 0.1 ? 3 : 2) : magnitude < 10 ? 2 : 1;
    case 'size':
      return system === 'imperial' ? (magnitude < 2 ? 3 : 2) : magnitude < 10 ? 2 : 1;
    case 'depth':
      return 1;
    case 'speed':
      return 2;
    case 'area':
      return system === 'imperial' ? 3 : 0;
    case 'volume':
      return system === 'imperial' ? 4 : magnitude < 100 ? 1 : 0;
    case 'density':
      return 2;
    case 'time':
      return magnitude < 10 ? 1 : 0;
    case 'temperature':
    case 'angle':
    case 'lineTest':
      return magnitude < 10 && kind !== 'temperature' ? 1 : 0;
    case 'share':
    case 'count':
      return 0;
    case 'money':
      return magnitude < 1 ? 3 : 2;
    case 'number':
      return 2;
  }
}

/**
 * The figure without its unit, for a stored value. Minus is the true minus sign; NaN and infinity show as a
 * dash.
 */
export function formatFigure(stored: number, kind: QuantityKind, system: UnitSystem): string {
  if (!Number.isFinite(stored)) return '–';
  if (kind === 'mass' && system === 'imperial' && isUsualFraction(stored))
    return fractionText(nearestOunceFraction(stored));
  const value = shownUnit(kind, system).fromStored(stored);
  const text = value.toFixed(decimals(kind, system, Math.abs(value)));
  const unsigned = text.replace('-', '');
  return text.startsWith('-') && Number(unsigned) !== 0 ? `−${unsigned}` : unsigned;
}

/** The figure with its unit: `3/8 oz`, `10.6 g`, `60°`, `12.0 ft`. */
export function formatQuantity(stored: number, kind: QuantityKind, system: UnitSystem): string {
  // A weight that is no usual fraction says more in grams than in decimals of an ounce, whatever the reader's
  // units.
  if (kind === 'mass' && system === 'imperial' && Number.isFinite(stored) && !isUsualFraction(stored))
    return formatQuantity(stored, kind, 'metric');
  const { label } = shownUnit(kind, system);
  const joint = label === '°' || label === '%' || label === '' ? '' : ' ';
  return `${formatFigure(stored, kind, system)}${joint}${label}`;
}

/**
 * The text an edit field starts with: reading it back with `parseQuantity` gives the stored value again to at
 * least nine digits, so that opening and leaving a field never moves what is stored.
 */
export function formatForEditing(stored: number, kind: QuantityKind, system: UnitSystem): string {
  if (kind === 'mass' && system === 'imperial' && stored > 0) {
    const fraction = nearestOunceFraction(stored);
    if (Math.abs(fraction.error) < 1e-9) return fractionText(fraction);
  }
  const value = shownUnit(kind, system).fromStored(stored);
  return String(Number(value.toPrecision(12)));
}
