import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { formatForEditing, formatQuantity } from './format.ts';
import { hookLabel, hookRank } from './hook-size.ts';
import { fractionGrams, fractionText, nearestOunceFraction, PACKET_FRACTIONS } from './ounces.ts';
import { parseNumber, parseQuantity } from './parse.ts';
import type { QuantityKind, UnitSystem } from './units.ts';
import { GRAMS_PER_OUNCE, UNITS } from './units.ts';
import { between } from '../test-kit/numbers.test-kit.ts';

const value = (text: string, kind: QuantityKind, system: UnitSystem = 'imperial') => {
  const parsed = parseQuantity(text, kind, system);
  if (!parsed.ok) throw new Error(parsed.message);
  return parsed.value;
};

describe('what people type', () => {
  // NIST Handbook 44, appendix C: 1 oz avoirdupois = 28.349523125 g, 1 in = 25.4 mm, 1 ft = 0.3048 m, 1 lb =
  // 453.59237 g.
  it.each([
    ['3/8', 'mass', 'imperial', 10.631071171875],
    ['3/8 oz', 'mass', 'metric', 10.631071171875],
    ['⅜oz', 'mass', 'metric', 10.631071171875],
    ['1 1/2 oz', 'mass', 'metric', 42.5242846875],
    ['1-1/2', 'mass', 'imperial', 42.5242846875],
    ['1½ oz.', 'mass', 'metric', 42.5242846875],
    ['10.6 g', 'mass', 'imperial', 10.6],
    ['10,6', 'mass', 'metric', 10.6],
    ['0.4"', 'size', 'metric', 10.16],
    ['.4 in', 'size', 'metric', 10.16],
    ['13/32”', 'size', 'metric', 10.31875],
    ['7\'6"', 'size', 'metric', 2286],
    ['12 ft', 'depth', 'metric', 3.6576],
    ["12'", 'depth', 'metric', 3.6576],
    ['15 lb', 'lineTest', 'metric', 6.80388555],
    ['6.8 kg', 'lineTest', 'imperial', 6.8],
    ['50 °F', 'temperature', 'metric', 10],
    ['10c', 'temperature', 'imperial', 10],
    ['60°', 'angle', 'metric', 60],
    ['2 kn', 'speed', 'metric', (2 * 1852) / 3600],
    ['900 mm3', 'volume', 'imperial', 900],
    ['11.34 g/cm3', 'density', 'imperial', 11.34],
    ['40 %', 'share', 'metric', 0.4],
    // As packets, reels and receipts say it.
    ['#15', 'lineTest', 'metric', 6.80388555],
    ['15lb test', 'lineTest', 'metric', 6.80388555],
    ["20'6", 'depth', 'metric', 6.2484],
    ["0.4''", 'size', 'metric', 10.16],
    ['1:30', 'time', 'metric', 90],
    ['$1.50', 'money', 'imperial', 1.5],
    ['3,50 €', 'money', 'metric', 3.5],
    ['EUR 3.50', 'money', 'metric', 3.5],
    // Decimal commas, and marks between thousands.
    ['0,250', 'mass', 'metric', 0.25],
    ['1.000,5', 'mass', 'metric', 1000.5],
    ['1,000.5', 'mass', 'metric', 1000.5],
    ['1 000 g', 'mass', 'metric', 1000],
    ['1\u202f000', 'mass', 'metric', 1000],
    ['1,000,000', 'count', 'metric', 1_000_000],
    // A fraction is the trade's ounce or inch, whatever is on display.
    ['3/8', 'mass', 'metric', 10.631071171875],
    ['13/32', 'size', 'metric', 10.31875],
    ['⅜', 'mass', 'metric', 10.631071171875],
  ] as const)('reads %s as %s', (text, kind, system, stored) => {
    expect(value(text, kind, system)).toBeCloseTo(stored, 9);
  });

  it.each([
    ['', 'mass', /Type a value/],
    ['abc', 'mass', /not a number/],
    ['3/0', 'mass', /not a number/],
    ['1,000', 'mass', /one or a thousand/],
    ['12 parsecs', 'size', /“parsecs” is not a unit/],
    ['1.2.3', 'size', /not a number/],
    ['NaN', 'size', /not a number/],
    ['Infinity', 'size', /not a number/],
    ['9'.repeat(70), 'mass', /too long/],
  ] as const)('refuses %j with a sentence that says what to type', (text, kind, message) => {
    const parsed = parseQuantity(text, kind, 'imperial');
    expect(parsed.ok).toBe(false);
    expect(parsed).toHaveProperty('message', expect.stringMatching(message));
    expect(parsed).toHaveProperty('message', expect.stringMatching(/for example/));
  });

  it('says how it read what may have been meant otherwise', () => {
    expect(parseQuantity('3/8', 'mass', 'metric')).toMatchObject({ said: 'Read as 3/8 oz.' });
    expect(parseQuantity('13/32', 'size', 'metric')).toMatchObject({ said: 'Read as 13/32 in.' });
    expect(parseQuantity('0.4', 'share', 'metric')).toEqual({
      ok: true,
      value: 0.004,
      said: 'Read as 0.4 %, not 40 %.',
    });
    for (const [text, kind] of [
      ['3/8 oz', 'mass'],
      ['10.6', 'mass'],
      ['40', 'share'],
      ['0.4 %', 'share'],
      ['1/3', 'number'],
    ] as const)
      expect(parseQuantity(text, kind, 'metric')).not.toHaveProperty('said');
    // A unit that a heading names goes before the trade's.
    expect(parseQuantity('3/8', 'mass', 'metric', UNITS.mass['g'])).toEqual({ ok: true, value: 0.375 });
  });

  it('asks where a short name means two units', () => {
    expect(parseQuantity('6 gr', 'mass', 'imperial')).toEqual({
      ok: false,
      message: '“gr” could mean grams or grains. Type 6 g for grams; one grain is 0.0648 g.',
    });
  });

  it('never throws, and never lets a number through that is not finite', () => {
    fc.assert(
      fc.property(fc.string(), fc.constantFrom(...(Object.keys(UNITS) as QuantityKind[])), (text, kind) => {
        const parsed = parseQuantity(text, kind, 'metric');
        return parsed.ok ? Number.isFinite(parsed.value) : parsed.message.length > 10;
      }),
    );
  });

  it('keeps what is stored through any number of flips between unit systems', () => {
    const kinds = ['mass', 'size', 'depth', 'speed', 'temperature', 'lineTest', 'density'] as const;
    fc.assert(
      fc.property(between(1e-3, 5e3), fc.constantFrom(...kinds), (stored, kind) => {
        let now = stored;
        for (const system of ['imperial', 'metric', 'imperial', 'metric'] as const) {
          now = value(formatForEditing(now, kind, system), kind, system);
        }
        return Math.abs(now - stored) <= 1e-9 * Math.max(1, stored);
      }),
    );
  });
});

describe('ounce fractions', () => {
  it('finds every packet fraction from its own grams', () => {
    for (const [numerator, denominator] of PACKET_FRACTIONS) {
      const found = nearestOunceFraction((numerator / denominator) * GRAMS_PER_OUNCE);
      expect(fractionText(found)).toBe(`${numerator}/${denominator}`);
      expect(found.error).toBeCloseTo(0, 12);
    }
  });

  it('speaks of halves and quarters above an ounce', () => {
    expect(fractionText(nearestOunceFraction(1.5 * GRAMS_PER_OUNCE))).toBe('1 1/2');
    expect(fractionText(nearestOunceFraction(2 * GRAMS_PER_OUNCE))).toBe('2');
    expect(fractionText(nearestOunceFraction(29))).toBe('1');
  });

  // Common practice, no source: the three trolling weights as weighed, with hook, against their packets.
  it.each([
    [0.97, '1/32'],
    [1.28, '1/24'],
    [1.94, '1/16'],
  ])('calls %s g a %s oz head, within a tenth', (grams, packet) => {
    const numerator = Number(packet.split('/')[0]) / Number(packet.split('/')[1]);
    expect(Math.abs(grams / GRAMS_PER_OUNCE / numerator - 1)).toBeLessThan(0.1);
    expect(Math.abs(fractionGrams(nearestOunceFraction(grams)) / grams - 1)).toBeLessThan(0.1);
  });

  it('shows a fraction only where the weight is one', () => {
    expect(formatQuantity(10.631, 'mass', 'imperial')).toBe('3/8 oz');
    expect(formatQuantity(11.2, 'mass', 'imperial')).toBe('11.2 g');
    expect(formatQuantity(-0.5, 'mass', 'metric')).toBe('−0.50 g');
    expect(formatQuantity(Number.NaN, 'mass', 'metric')).toBe('– g');
  });
});

describe('numbers and hook sizes', () => {
  it('reads mixed numbers as people write them', () => {
    expect(parseNumber('1 3/4')).toBe(1.75);
    expect(parseNumber('-1/2')).toBe(-0.5);
    expect(parseNumber('3⁄8')).toBe(0.375);
    expect(parseNumber('1 2 3')).toBeUndefined();
  });

  it('puts hook sizes in order', () => {
    const order = ['#8', '#6', '2', 'No. 1', '1/0', '5 / 0'].map((text) => hookRank(text) ?? NaN);
    expect(order).toEqual([...order].sort((a, b) => a - b));
    expect(hookRank('5/1')).toBeUndefined();
    expect(hookRank('zero')).toBeUndefined();
    for (const rank of [-8, -1, 0, 4, 7]) expect(hookRank(hookLabel(rank))).toBe(rank);
  });
});
