import { describe, expect, it } from 'vitest';
import { c4, capability, d2, individuals, meanAndDeviation } from './control.ts';
import { gaugeStudy, samplesToTell } from './gauge.ts';
import { runs } from '../test-kit/runs.ts';
import { belongsTo, cavityVerdicts, tellApart } from './verdict.ts';

describe('control charts', () => {
  // ASTM Manual on Presentation of Data and Control Chart Analysis, table of factors.
  it.each([
    [2, 1.128, 0.7979],
    [3, 1.693, 0.8862],
    [4, 2.059, 0.9213],
    [5, 2.326, 0.94],
    [8, 2.847, 0.965],
    [10, 3.078, 0.9727],
    [25, 3.931, 0.9896],
  ])('the constants for %d are those of the tables', (n, range, deviation) => {
    expect(d2(n)).toBeCloseTo(range, 3);
    expect(c4(n)).toBeCloseTo(deviation, 4);
  });

  it('single values are those of the worked example of flow rates', () => {
    // NIST/SEMATECH e-Handbook 6.3.2.2: mean 50.81, mean moving range 1.8778, limits 55.8041 and 45.8159.
    const flows = [49.6, 47.6, 49.9, 51.3, 47.8, 51.2, 52.6, 52.4, 53.6, 52.1];
    const chart = individuals(flows);
    expect(chart?.centre).toBeCloseTo(50.81, 10);
    // The handbook rounds d₂ to 1.128.
    expect(chart?.high).toBeCloseTo(55.8041, 2);
    expect(chart?.low).toBeCloseTo(45.8159, 2);
    expect(chart?.beyond).toEqual([]);
    expect(individuals([1])).toBeUndefined();
  });

  it('a piece beyond and a long run on one side are told', () => {
    const steady = [10, 10.1, 9.9, 10, 10.1, 9.9, 10, 10.1, 9.9, 12];
    expect(individuals(steady)?.beyond).toEqual([9]);
    const shifted = [...Array.from({ length: 9 }, () => 9.9), ...Array.from({ length: 9 }, () => 10.1)];
    expect(individuals(shifted)?.run).toBe(0);
    // Two that change sides, then eight on one: the run begins where the side is last changed.
    expect(individuals([3, 1, 3, 3, 3, 3, 3, 3, 3, 3, 1, 1, 1, 1])?.run).toBe(2);
    expect(individuals([1, 3, 3, 3, 3, 3, 3, 3, 1, 3, 1, 1])?.run).toBeUndefined();
    expect(individuals([1, 2, 1, 2, 1, 2, 1, 2, 1, 2])?.run).toBeUndefined();
  });

  it('means and deviations of subgroups have the factors A₃, B₃ and B₄ of the tables', () => {
    // n = 5: A₃ 1.427, B₃ 0, B₄ 2.089; n = 10: A₃ 0.975, B₃ 0.284, B₄ 1.716 (ASTM).
    const groups = (n: number) =>
      [0, 1, 2].map((shift) => Array.from({ length: n }, (_, i) => shift + Math.sin(i * 2.4)));
    for (const [n, a3, b3, b4] of [
      [5, 1.427, 0, 2.089],
      [10, 0.975, 0.284, 1.716],
    ] as const) {
      const { mean, deviation } = meanAndDeviation(groups(n));
      expect((mean[2] - mean[1]) / deviation[1]).toBeCloseTo(a3, 3);
      expect(deviation[0] / deviation[1]).toBeCloseTo(b3, 3);
      expect(deviation[2] / deviation[1]).toBeCloseTo(b4, 3);
    }
    expect(() => meanAndDeviation([[1], [2]])).toThrow(/two/);
    expect(() => meanAndDeviation([[1, 2], [2]])).toThrow(/one size/);
  });

  it('capability is that of the handbook’s example', () => {
    // NIST/SEMATECH e-Handbook 6.1.6: limits 8 and 20, mean 16, deviation 2: Cp 1.0, Cpk 0.6667.
    // The nearer limit decides, whichever it is.
    expect(capability(12, 2, 8, 20).cpk).toBeCloseTo(4 / 6, 12);
    expect(capability(12, 2, 8, 20).outside).toBeCloseTo(capability(16, 2, 8, 20).outside, 12);
    const found = capability(16, 2, 8, 20);
    expect(found.cp).toBeCloseTo(1, 10);
    expect(found.cpk).toBeCloseTo(0.6667, 4);
    // Beyond 2 deviations one way and 4 the other: 0.02275 + 0.00003.
    expect(found.outside).toBeCloseTo(0.022782, 5);
  });
});

describe('gauge noise apart from the pieces', () => {
  it('is the analysis of variance of the certified data set', () => {
    // NIST Statistical Reference Datasets, SiRstv: resistivity by five instruments (data and certified values
    // from memory, which agree with each other).
    const data = [
      [196.3052, 196.124, 196.189, 196.2569, 196.3403],
      [196.3042, 196.3825, 196.1669, 196.3257, 196.0422],
      [196.1303, 196.2005, 196.2889, 196.0343, 196.1811],
      [196.2795, 196.1748, 196.1494, 196.1485, 195.9885],
      [196.2119, 196.1051, 196.185, 196.0052, 196.209],
    ];
    const found = gaugeStudy(data);
    expect(found?.between.sum).toBeCloseTo(5.11462616e-2, 9);
    expect(found?.between.freedom).toBe(4);
    expect(found?.within.sum).toBeCloseTo(2.1663656e-1, 8);
    expect(found?.scale).toBeCloseTo(1.04076068334656e-1, 9);
    // (MS between − MS within)/5 = (0.0127865654 − 0.010831828)/5.
    expect(found?.pieces).toBeCloseTo(Math.sqrt((0.0127865654 - 0.010831828) / 5), 8);
  });
  it('needs two pieces weighed twice', () => {
    expect(gaugeStudy([[1, 2], [3]])).toBeUndefined();
    expect(
      gaugeStudy([
        [1, 1.2],
        [1.1, 1.1, 1.3],
      ])?.pieces,
    ).toBe(0);
  });
  it('asks for as many samples as the handbook’s formula', () => {
    // NIST/SEMATECH e-Handbook 7.2.2.2 for two means: 2 (1.960 + 1.282)² = 21.01 for a difference of one
    // deviation.
    expect(samplesToTell(1, 1)).toBe(23);
    expect(samplesToTell(0.02, 0.02)).toBe(23);
    expect(samplesToTell(0, 1)).toBe(1);
  });
});

describe('verdicts', () => {
  const wanted = { target: 1.94, low: 1.88, high: 2 };
  const around = (mean: number, count = 10, spread = 0.01) =>
    Array.from({ length: count }, (_, i) => mean + spread * Math.sin(i * 2.4));
  const verdict = (weights: readonly number[]) =>
    cavityVerdicts(
      new Map([
        [1, around(1.94)],
        [2, around(1.941)],
        [3, weights],
      ]),
      wanted,
    )[2];

  it('tells a good cavity from a light, a heavy and a wild one', () => {
    expect(verdict(around(1.94))).toMatchObject({ cavity: 3, state: 'good', rejects: [] });
    expect(verdict(around(1.9))).toMatchObject({ state: 'light' });
    expect(verdict(around(1.9))?.change).toBeCloseTo(0.04, 2);
    expect(verdict(around(1.98))?.state).toBe('heavy');
    expect(verdict(around(1.94, 10, 0.03))?.state).toBe('wild');
    expect(verdict([1.94, 1.95])?.state).toBe('few');
  });
  it('tells short fills and a cold start from a small cavity', () => {
    const short = around(1.94, 12);
    short[5] = 1.6;
    expect(verdict(short)).toMatchObject({ state: 'short', rejects: [5] });
    // Told with the mean of the sound ones, not of all.
    const sound = short.filter((weight) => weight > 1.7);
    const mean = sound.reduce((sum, weight) => sum + weight, 0) / sound.length;
    const grams = [...(verdict(short)?.words ?? '').matchAll(/⟦([\d.]+)\|mass⟧/g)].map(([, value]) =>
      Number(value),
    );
    expect(grams).toEqual([expect.closeTo(1.6, 6), expect.closeTo(mean, 6)]);
    expect(verdict([1.885, 1.89, 1.9, ...around(1.95, 9)])?.state).toBe('cold');
  });
  // Pours simulated: each piece normal about its cavity's weight, read on a scale in steps; limits 3% either
  // way, or three steps of the scale.
  const pours = (seed: number) => {
    let state = seed % 2147483647 || 1;
    const random = () => (state = (state * 48271) % 2147483647) / 2147483647;
    const normal = () => Math.sqrt(-2 * Math.log(random())) * Math.cos(2 * Math.PI * random());
    return { random, normal };
  };
  const SEED = Number(process.env['SEED'] ?? 5);
  interface Pour {
    readonly grams: number;
    readonly step: number;
    readonly count: number;
    readonly spread: number;
  }
  /**
   * States of the second of four cavities, which has a fault, over many pours, and of the others, which have
   * none.
   */
  const stated = (
    { grams, step, count, spread }: Pour,
    times: number,
    fault: (weights: number[], random: () => number, room: number) => number[] = (weights) => weights,
  ) => {
    const { random, normal } = pours(SEED + Math.round(1000 * grams) + count);
    const room = Math.max(0.03 * grams, 3 * step);
    const tally = { faulty: new Map<string, number>(), sound: new Map<string, number>() };
    for (let i = 0; i < times; i++) {
      const pieces = new Map<number, number[]>();
      for (const cavity of [1, 2, 3, 4]) {
        const poured = Array.from({ length: count }, () => grams * (1 + spread * normal()));
        const kept = cavity === 2 ? fault(poured, random, room) : poured;
        pieces.set(
          cavity,
          kept.map((weight) => Math.round(weight / step) * step),
        );
      }
      for (const { cavity, state } of cavityVerdicts(pieces, {
        target: grams,
        low: grams - room,
        high: grams + room,
      })) {
        const of = cavity === 2 ? tally.faulty : tally.sound;
        of.set(state, (of.get(state) ?? 0) + 1);
      }
    }
    return tally;
  };
  it('of sound pours are false in fewer than one in a hundred, whatever the head, the scale and the count', () => {
    let [all, told] = [0, 0];
    for (const grams of [0.9, 3.5, 30])
      for (const step of [0.001, 0.01, 0.1])
        for (const count of [4, 12, 60])
          for (const spread of [0.002, 0.01]) {
            const { faulty, sound } = stated({ grams, step, count, spread }, runs(120));
            for (const of of [faulty, sound])
              for (const [state, times] of of) {
                all += times;
                if (state !== 'good' && state !== 'few') told += times;
              }
          }
    expect(told / all).toBeLessThan(0.01);
  });
  const heaviest = (weights: number[], share: number) => weights.map((weight) => weight * share);
  it.each([
    [
      'short',
      (weights: number[], random: () => number) => {
        const short = [...weights];
        short[Math.floor(random() * short.length)] = (weights[0] as number) * (0.7 + 0.2 * random());
        return short;
      },
    ],
    ['cold', (weights: number[]) => weights.map((w, i) => w * (1 - ([0.05, 0.03, 0.015][i] ?? 0)))],
    ['cold', (weights: number[]) => weights.map((w, i) => (i < 3 ? w * 0.96 : w))],
    [
      'wild',
      (weights: number[]) => {
        const mean = weights.reduce((sum, w) => sum + w, 0) / weights.length;
        return weights.map((w) => mean + 4 * (w - mean));
      },
    ],
    ['light', (weights: number[]) => heaviest(weights, 1 - 0.024)],
    ['heavy', (weights: number[]) => heaviest(weights, 1 + 0.024)],
  ] as const)('name a %s cavity that twenty pieces show, nineteen times in twenty', (state, fault) => {
    for (const grams of [2, 10]) {
      const times = runs(400);
      const { faulty } = stated({ grams, step: 0.01, count: 20, spread: 0.005 }, times, fault);
      expect((faulty.get(state) ?? 0) / times).toBeGreaterThan(0.95 - 3 * Math.sqrt(0.0475 / times));
    }
  });
  it('of too few pieces say how many more, and of a scale too coarse that none will do', () => {
    const few = cavityVerdicts(new Map([[1, [1.9, 1.93, 1.89, 1.95]]]), { target: 1.94, low: 1.88, high: 2 });
    expect(few[0]).toMatchObject({ state: 'few', words: expect.stringMatching(/weigh \d+ more/) as string });
    const coarse = cavityVerdicts(new Map([[1, [0.9, 0.9, 0.9, 0.9, 1, 0.9, 0.9]]]), {
      target: 0.9,
      low: 0.85,
      high: 0.95,
    });
    expect(coarse[0]).toMatchObject({ state: 'few', words: expect.stringMatching(/too coarse/) as string });
  });
  it('places one head in hand', () => {
    const verdicts = cavityVerdicts(
      new Map([
        [1, around(0.97, 12)],
        [2, around(1.05, 12)],
        [3, [0.94, 0.95, 0.96, 0.945, 0.955, 0.95]],
      ]),
      { target: 0.97, low: 0.9, high: 1.04 },
    );
    const found = belongsTo(0.935, verdicts);
    expect(found[0]?.cavity).toBe(3);
    expect(found[0]?.off).toBeCloseTo(-0.015 / 0.0070711, 1);
    expect(found.reduce((sum, { chance }) => sum + chance, 0)).toBeCloseTo(1, 10);
    expect(found.map(({ chance }) => chance)).toEqual(
      [...found.map(({ chance }) => chance)].sort((a, b) => b - a),
    );
    // Two means 0.08 g apart with a spread near 0.007 g: 21.01 · (0.0072/0.08)², rounded up, and one.
    const [one, other] = verdicts;
    expect(one && other && tellApart(one, other)).toBe(2);
    expect(one && tellApart(one, one)).toBeUndefined();
  });
});
