import { describe, expect, it } from 'vitest';
import { FIBRE_DENSITY, FIBRE_MODULUS, FIBRES, HOOK_MODULUS, WIRE_MODULUS } from './densities.ts';
import { LINE_KINDS, lineDiameter, lineOf } from './lines.ts';

const POUND = 0.453_592_37;

describe('lines', () => {
  // Table of the Japanese line standard, number and diameter in mm as printed on spools (from memory): steps
  // of a few microns from 0.165 √n.
  it.each([
    [0.4, 0.104],
    [0.6, 0.128],
    [0.8, 0.148],
    [1, 0.165],
    [1.5, 0.205],
    [2, 0.235],
    [3, 0.285],
    [4, 0.33],
    [5, 0.37],
    [6, 0.405],
    [8, 0.47],
    [10, 0.52],
    [12, 0.57],
  ])('nylon and fluorocarbon of No. %s, 4 lb a number, are %s mm thick', (number, mm) => {
    for (const key of ['nylon', 'fluorocarbon'])
      expect(Math.abs(lineDiameter(key, number * 4 * POUND) - mm)).toBeLessThan(0.004);
  });

  // Four-strand braid of No. 1 is sold as 18 lb (common practice, no source).
  it('braid is as thick as its number too, and thinner than nylon of the same strength by √(4/18)', () => {
    expect(lineDiameter('braid', 18 * POUND)).toBeCloseTo(0.165, 6);
    expect(lineDiameter('braid', 5) / lineDiameter('nylon', 5)).toBeCloseTo(Math.sqrt(4 / 18), 12);
  });

  it('are found by their key, each its own; one that is none is told', () => {
    for (const line of LINE_KINDS) expect(lineOf(line.key)).toBe(line);
    expect(() => lineOf('wire')).toThrow('There is no line called wire.');
  });

  // PVDF 1.76-1.79, nylon 6 1.13-1.15, high-modulus polyethylene 0.97 (data sheets, from memory): one sinks
  // fast, one slowly, one floats.
  it('sink or float as what they are made of does', () => {
    expect(lineOf('fluorocarbon').density).toBeCloseTo(1.78, 2);
    expect(lineOf('nylon').density).toBeCloseTo(1.14, 2);
    expect(lineOf('braid').density).toBeLessThan(1);
  });
});

describe('what guards and hooks are made of', () => {
  // Data sheets (from memory): N/mm² dry; polypropylene the softest, nylon between wet and dry the widest.
  it.each([
    ['nylon', 2000, 4000],
    ['polypropylene', 1100, 1800],
    ['fluorocarbon', 1800, 3000],
  ])('%s is as stiff as data sheets give it, %s to %s N/mm², the usual within', (fibre, low, high) => {
    const [least, usual, most] = FIBRE_MODULUS[fibre] ?? [NaN, NaN, NaN];
    expect([least, most]).toEqual([low, high]);
    expect(usual).toBeGreaterThan(least);
    expect(usual).toBeLessThan(most);
  });

  it('every fibre has a density and a stiffness', () => {
    for (const fibre of FIBRES) {
      expect(FIBRE_DENSITY[fibre]).toBeGreaterThan(0.85);
      expect(FIBRE_DENSITY[fibre]).toBeLessThan(1.85);
      expect(FIBRE_MODULUS[fibre]).toHaveLength(3);
    }
  });

  // Young's modulus of steel: 200 to 210 GPa carbon, 193 GPa austenitic (Roark, appendix; from memory).
  it('steel is steel', () => {
    expect(HOOK_MODULUS).toBe(200_000);
    const [least, usual, most] = WIRE_MODULUS;
    expect([least, usual, most]).toEqual([185_000, 193_000, 200_000]);
  });
});
