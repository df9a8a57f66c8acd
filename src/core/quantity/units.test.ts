import { describe, expect, it } from 'vitest';
import { formatFigure, formatForEditing, formatQuantity, isUsualFraction } from './format.ts';
import { fractionGrams, fractionText, nearestOunceFraction, PACKET_FRACTIONS } from './ounces.ts';
import { parseQuantity } from './parse.ts';
import type { QuantityKind, UnitSystem } from './units.ts';

/**
 * One of each unit in the unit that is stored: NIST Special Publication 811 (2008), appendix B, exact where
 * it says so.
 */
const ONE: readonly (readonly [typed: string, kind: QuantityKind, stored: number])[] = [
  ['1 oz', 'mass', 28.349523125],
  ['1 lb', 'mass', 453.59237],
  ['1 kg', 'mass', 1000],
  ['1 g', 'mass', 1],
  ['1 in', 'size', 25.4],
  ['1 ft', 'size', 304.8],
  ['1 cm', 'size', 10],
  ['1 mm', 'size', 1],
  ['1 ft', 'depth', 0.3048],
  ['1 in', 'depth', 0.0254],
  ['1 cm', 'depth', 0.01],
  ['1 m', 'depth', 1],
  ['1 ft/s', 'speed', 0.3048],
  ['1 mph', 'speed', 0.44704],
  ['1 km/h', 'speed', 1 / 3.6],
  ['1 kn', 'speed', 1852 / 3600],
  ['1 cm/s', 'speed', 0.01],
  ['1 m/s', 'speed', 1],
  ['1 lb', 'lineTest', 0.45359237],
  ['1 kg', 'lineTest', 1],
  ['1 ozf', 'force', 28.349523125],
  ['1 gf', 'force', 1],
  ['1 N', 'force', 101.971621],
  ['1 lbf', 'pull', 4.4482216152605],
  ['1 N', 'pull', 1],
  ['1 kgf', 'pull', 9.80665],
  ['1 in³', 'volume', 16387.064],
  ['1 cm³', 'volume', 1000],
  ['1 mm³', 'volume', 1],
  ['1 min', 'time', 60],
  ['1 s', 'time', 1],
  ['1 %', 'share', 0.01],
  ['212 °F', 'temperature', 100],
  ['-40 °F', 'temperature', -40],
  ['32 °F', 'temperature', 0],
  ['7 °C', 'temperature', 7],
  ['1 g/cm³', 'density', 1],
  ['30°', 'angle', 30],
];

/** How a stored value is written: as many digits as its kind bears (product.md), no false ones. */
const WRITTEN: readonly (readonly [stored: number, kind: QuantityKind, system: UnitSystem, text: string])[] =
  [
    [10.63, 'mass', 'imperial', '3/8 oz'],
    [10.63, 'mass', 'metric', '10.6 g'],
    [9.994, 'mass', 'metric', '9.99 g'],
    [10, 'mass', 'metric', '10.0 g'],
    [12.5, 'mass', 'imperial', '12.5 g'],
    [0, 'mass', 'imperial', '0.00 g'],
    [1.3, 'force', 'imperial', '0.046 ozf'],
    [3, 'force', 'imperial', '0.11 ozf'],
    [3, 'force', 'metric', '3.00 gf'],
    [2.5, 'pull', 'metric', '2.50 N'],
    [25, 'pull', 'metric', '25.0 N'],
    [0.2, 'pull', 'imperial', '0.045 lbf'],
    [25, 'pull', 'imperial', '5.62 lbf'],
    [9.95, 'size', 'metric', '9.95 mm'],
    [10, 'size', 'metric', '10.0 mm'],
    [25.4, 'size', 'imperial', '1.000 in'],
    [50.8, 'size', 'imperial', '2.00 in'],
    [3, 'depth', 'imperial', '9.8 ft'],
    [3, 'depth', 'metric', '3.0 m'],
    [0.5, 'speed', 'metric', '0.50 m/s'],
    [0.5, 'speed', 'imperial', '1.64 ft/s'],
    [99.94, 'volume', 'metric', '99.9 mm³'],
    [100, 'volume', 'metric', '100 mm³'],
    [361, 'volume', 'imperial', '0.0220 in³'],
    [11.34, 'density', 'metric', '11.34 g/cm³'],
    [9.94, 'time', 'metric', '9.9 s'],
    [10, 'time', 'metric', '10 s'],
    [9.94, 'angle', 'metric', '9.9°'],
    [10, 'angle', 'metric', '10°'],
    [-12.6, 'angle', 'metric', '−13°'],
    [-0.001, 'angle', 'metric', '0.0°'],
    [9.4, 'temperature', 'metric', '9 °C'],
    [15, 'temperature', 'imperial', '59 °F'],
    [5.4, 'lineTest', 'metric', '5.4 kg'],
    [5.4431, 'lineTest', 'imperial', '12 lb'],
    [0.626, 'share', 'metric', '63%'],
    [7, 'count', 'metric', '7'],
    [0.0123, 'money', 'metric', '0.012'],
    [1, 'money', 'metric', '1.00'],
    [3.14159, 'number', 'metric', '3.14'],
    [NaN, 'size', 'metric', '– mm'],
  ];

describe('units', () => {
  it.each(ONE)('%s as a %s is what the handbook says', (typed, kind, stored) => {
    const read = parseQuantity(typed, kind, 'metric');
    expect(read).toMatchObject({ ok: true });
    expect(read.ok ? read.value : NaN).toBeCloseTo(stored, stored > 1000 ? 3 : 6);
  });

  it.each(WRITTEN)('%d of %s in %s is written “%s”', (stored, kind, system, text) => {
    expect(formatQuantity(stored, kind, system)).toBe(text);
  });

  it.each(WRITTEN.filter(([stored]) => Number.isFinite(stored)))(
    '%d of %s in %s begins an edit that gives it back',
    (stored, kind, system) => {
      const read = parseQuantity(formatForEditing(stored, kind, system), kind, system);
      expect(read.ok ? read.value : NaN).toBeCloseTo(stored, 8);
    },
  );

  it('an edit of an exact fraction begins with it, of another with all its digits, of grams with grams', () => {
    expect(formatForEditing(28.349523125 * 0.375, 'mass', 'imperial')).toBe('3/8');
    expect(formatForEditing(28.349523125 * 0.375, 'mass', 'metric')).toBe('10.6310711719');
    expect(formatForEditing(12.5, 'mass', 'imperial')).toBe('0.44092452437');
    expect(formatForEditing(28.349523125 * 0.375, 'force', 'imperial')).toBe('0.375');
  });
});

describe('ounces on packets (common practice, no source)', () => {
  it('every fraction comes back as itself, with its grams', () => {
    for (const [numerator, denominator] of PACKET_FRACTIONS) {
      const grams = (28.349523125 * numerator) / denominator;
      const found = nearestOunceFraction(grams);
      expect([found.whole, found.numerator / found.denominator]).toEqual([0, numerator / denominator]);
      expect(found.error).toBeCloseTo(0, 12);
      expect(fractionGrams(found)).toBeCloseTo(grams, 9);
    }
    expect(PACKET_FRACTIONS.map(([n, d]) => `${n}/${d}`).join(' ')).toBe(
      '1/64 1/48 1/32 1/24 1/20 1/16 3/32 1/10 1/8 5/32 3/16 1/5 7/32 1/4 9/32 5/16 3/8 7/16 1/2 9/16 5/8 3/4 7/8',
    );
  });

  it('over an ounce only quarters and halves are said', () => {
    expect(fractionText(nearestOunceFraction(28.349523125 * 1.5))).toBe('1 1/2');
    expect(fractionText(nearestOunceFraction(28.349523125 * 1.25))).toBe('1 1/4');
    expect(fractionText(nearestOunceFraction(28.349523125 * 1.11))).toBe('1');
    expect(fractionText(nearestOunceFraction(28.349523125 * 2))).toBe('2');
    expect(nearestOunceFraction(28.349523125 * 1.11).error).toBeCloseTo(1 / 1.11 - 1, 9);
  });

  it('a weight within 0.4% of one is called by it, one farther off is not', () => {
    const three = 28.349523125 * 0.375;
    expect(isUsualFraction(three * 1.0039)).toBe(true);
    expect(isUsualFraction(three * 1.0043)).toBe(false);
    expect(isUsualFraction(three / 1.0043)).toBe(false);
    expect(isUsualFraction(0)).toBe(false);
    expect(isUsualFraction(-three)).toBe(false);
    expect(formatFigure(three * 1.0043, 'mass', 'imperial')).toBe('0.38');
  });
});
