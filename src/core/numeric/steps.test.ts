import { describe, expect, it } from 'vitest';
import { stepRead } from './steps.ts';

const STEPS = [1, 0.5, 0.1, 0.05, 0.01, 0.001];

describe('the step figures are read in', () => {
  it.each([
    [[11, 12, 15], 1],
    [[11, 12.5], 0.5],
    [[11.1, 12.2, 0.3], 0.1],
    [[11.05, 12.2], 0.05],
    [[11.52, 11.47], 0.01],
    [[11.523], 0.001],
    // As sums of tenths come out of a double.
    [[0.1 + 0.2, 0.7], 0.1],
    [[-0.4, 0.2], 0.1],
  ])('of %j is %d, the largest that all are whole numbers of', (figures, step) => {
    expect(stepRead(figures, STEPS)).toBe(step);
  });

  it('is none of figures without one, or of no figures', () => {
    expect(stepRead([Math.PI, Math.E], STEPS)).toBe(0);
    expect(stepRead([], STEPS)).toBe(0);
  });

  it('may be that of a share of them: a wild one does not hide it', () => {
    const figures = [11.1, 11.2, 11.3, 11.234];
    expect([
      stepRead(figures, STEPS),
      stepRead(figures, STEPS, 0.75),
      stepRead(figures, STEPS, 0.76),
    ]).toEqual([0.001, 0.1, 0.001]);
  });
});
