import { describe, expect, it } from 'vitest';
import { isLead, METALS } from './index.ts';

/**
 * Elements after the CRC Handbook of Chemistry and Physics (from memory): g/mol, melting point °C, enthalpy
 * of fusion kJ/mol, molar heat capacity J/(mol K) solid at 25 °C and liquid near the melting point, density
 * g/cm³ at 20 °C.
 */
const ELEMENTS = {
  lead: { molar: 207.2, melts: 327.46, fusion: 4.78, solid: 26.65, liquid: 30.6, density: 11.34 },
  tin: { molar: 118.71, melts: 231.93, fusion: 7.15, solid: 27.0, liquid: 29.7, density: 7.29 },
  bismuth: { molar: 208.98, melts: 271.4, fusion: 11.3, solid: 25.52, liquid: 31.8, density: 9.79 },
  zinc: { molar: 65.38, melts: 419.53, fusion: 7.07, solid: 25.39, liquid: 31.4, density: 7.14 },
  antimony: { molar: 121.76, melts: 630.6, fusion: 19.8, solid: 25.23, liquid: 31.4, density: 6.68 },
} as const;
type Element = keyof typeof ELEMENTS;

const metal = (key: string) => METALS.find((one) => one.key === key) ?? expect.unreachable(key);
const near = (value: number, wanted: number, share: number) =>
  expect(Math.abs(value / wanted - 1), `${value} against ${wanted}`).toBeLessThan(share);

describe('metals', () => {
  it.each(['lead', 'tin', 'bismuth'] as const)('%s melts and weighs as the handbook has it', (key) => {
    const { molar, melts, fusion, solid, liquid, density } = ELEMENTS[key];
    const { melting, density: own, densityRange } = metal(key);
    near(own, density, 0.003);
    expect(densityRange[0]).toBeLessThanOrEqual(density);
    expect(densityRange[1]).toBeGreaterThanOrEqual(density);
    // An element has one density: what is sold as it is purer than half a per cent.
    near(densityRange[0], own, 0.006);
    near(densityRange[1], own, 0.006);
    near(melting?.liquid ?? NaN, melts, 0.001);
    expect(melting?.solid).toBe(melting?.liquid);
    near(melting?.fusion ?? NaN, (1000 * fusion) / molar, 0.03);
    near(melting?.heat[0] ?? NaN, solid / molar, 0.01);
    near(melting?.heat[1] ?? NaN, liquid / molar, 0.01);
  });

  // Kopp and Neumann: the heat capacity of an alloy is that of its elements by their shares.
  it.each<[string, readonly (readonly [Element, number])[]]>([
    [
      'bismuth-tin',
      [
        ['bismuth', 0.58],
        ['tin', 0.42],
      ],
    ],
    [
      'lead-antimony',
      [
        ['lead', 0.96],
        ['antimony', 0.04],
      ],
    ],
    ['zinc', [['zinc', 1]]],
  ])('%s warms as its elements do by their shares', (key, shares) => {
    const { melting } = metal(key);
    const by = (of: 'solid' | 'liquid') =>
      shares.reduce(
        (sum, [element, share]) => sum + (share * ELEMENTS[element][of]) / ELEMENTS[element].molar,
        0,
      );
    near(melting?.heat[0] ?? NaN, by('solid'), 0.02);
    near(melting?.heat[1] ?? NaN, by('liquid'), 0.02);
  });

  // By volumes: the eutectic of bismuth and tin and hard lead lie within a per cent of what mixing gives;
  // both are of data sheets.
  it.each<[string, readonly (readonly [Element, number])[], number]>([
    [
      'bismuth-tin',
      [
        ['bismuth', 0.58],
        ['tin', 0.42],
      ],
      0.02,
    ],
    [
      'lead-antimony',
      [
        ['lead', 0.96],
        ['antimony', 0.04],
      ],
      0.01,
    ],
  ])('%s weighs as its elements do by their volumes', (key, shares, room) => {
    const { density, densityRange } = metal(key);
    const volume = shares.reduce((sum, [element, share]) => sum + share / ELEMENTS[element].density, 0);
    near(density, 1 / volume, room);
    expect(densityRange[0]).toBeLessThan(density);
    expect(densityRange[1]).toBeGreaterThan(density);
    near(densityRange[0], density, 0.02);
    near(densityRange[1], density, 0.02);
  });

  // The eutectic of bismuth and tin melts at 138 to 139 °C; lead with 4% antimony is solid at its eutectic,
  // 252 °C (Metals Handbook, from memory).
  it('alloys melt where their diagrams say', () => {
    expect(metal('bismuth-tin').melting).toMatchObject({ liquid: 139, solid: 138 });
    expect(metal('lead-antimony').melting).toMatchObject({ solid: 252, liquid: 300 });
    expect(metal('zinc').melting?.liquid).toBe(419.5);
  });

  it('are poured above their melting, by a little to a good hundred degrees', () => {
    for (const { key, making, melting } of METALS) {
      expect(melting === undefined, key).toBe(making !== 'poured');
      if (!melting) continue;
      const [low, high] = melting.pour;
      expect(low - melting.liquid, key).toBeGreaterThanOrEqual(20);
      expect(low - melting.liquid, key).toBeLessThanOrEqual(45);
      expect(high - low, key).toBeGreaterThanOrEqual(50);
      expect(high - melting.liquid, key).toBeLessThanOrEqual(115);
    }
  });

  // Bismuth grows by 3.3% of its volume as it sets, its eutectic with tin keeps its size; the others shrink
  // (handbooks, from memory).
  it('shrink as they cool, but for bismuth, which grows', () => {
    expect(metal('bismuth').melting?.shrink).toBeLessThan(0);
    expect(metal('bismuth-tin').melting?.shrink).toBe(0);
    for (const key of ['lead', 'lead-antimony', 'tin', 'zinc']) {
      expect(metal(key).melting?.shrink, key).toBeGreaterThanOrEqual(0.005);
      expect(metal(key).melting?.shrink, key).toBeLessThanOrEqual(0.015);
    }
  });

  // ASTM B777 classes 1 to 4 span 16.85 to 18.85, pure tungsten is 19.25 to 19.3 (from memory).
  it('tungsten is pressed, and is anything from a light alloy to the pure metal', () => {
    const { making, density, densityRange } = metal('tungsten');
    expect(making).toBe('sintered');
    expect(density).toBeGreaterThan(16.85);
    expect(density).toBeLessThan(18.85);
    expect(densityRange).toEqual([14.5, 19.3]);
    // Zinc is a casting alloy with 4% aluminium: 6.6 (ASTM B240 alloy 3, from memory), lighter than the
    // element.
    expect(metal('zinc').densityRange).toEqual([6.6, 6.8]);
  });

  it('with lead in them are lead, and carry its caution; others are not, nor is one nobody knows', () => {
    for (const { key, caution } of METALS) {
      expect(isLead(key), key).toBe(/lead/.test(key));
      if (isLead(key)) expect(caution).toMatch(/lead/i);
    }
    expect(isLead('unobtainium')).toBe(false);
  });
});
