import { describe, expect, it } from 'vitest';
import { ballDiameter, shownTests, shownWeight, stemUnder } from './shelf-measures.ts';

describe('what shelves are drawn from', () => {
  it.each([
    // Half an ounce of lead is a ball of 0.53 in: 14.175 g over 11.34 g/cm³ are 1.25 cm³ (worked by hand).
    [14.175, 11.34, 13.365],
    // A cubic centimetre is a ball of 12.407 mm.
    [1, 1, 12.407],
  ])('%d g at %d g/cm³ are a ball of %d mm', (grams, density, diameter) => {
    expect(ballDiameter(grams, density)).toBeCloseTo(diameter, 2);
  });

  it('weights and tests are round in the reader’s unit', () => {
    expect(shownWeight('imperial') / 28.349523125).toBeCloseTo(0.5, 12);
    expect(shownWeight('metric')).toBe(15);
    for (const pounds of shownTests('imperial').map((kg) => kg / 0.45359237))
      expect(pounds).toBeCloseTo(Math.round(pounds), 9);
    for (const kg of shownTests('metric')) expect(Number.isInteger(kg)).toBe(true);
  });

  it('a hydrometer sinks deeper in the lighter water, by what Archimedes says', () => {
    // 50 g in fresh water of 0.999 put 50.05 cm³ aside, in sea water of 1.026 48.73: 1.317 cm³ over 0.45 cm².
    expect(stemUnder(0.999) - stemUnder(1.026)).toBeCloseTo(29.27, 2);
    expect(stemUnder(1.035)).toBe(0);
  });
});
