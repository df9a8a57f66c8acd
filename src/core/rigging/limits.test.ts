import { describe, expect, it } from 'vitest';
import { HOOK_CHART } from '../hook/chart.ts';
import { hookSizeLimits } from './limits.ts';

const INCH = 25.4;
const gapOf = (size: string): number => HOOK_CHART.find((row) => row.size === size)?.gap ?? NaN;

/** What a hook of a size is in a bait of so many inches, and of a height as a share of its length. */
function inBait(size: string, inches: number, deep = 0.15): string {
  const length = inches * INCH;
  const { good, tight } = hookSizeLimits({ length, height: deep * length });
  const share = gapOf(size) / length;
  return share <= good[1] ? 'good' : share <= tight[1] ? 'tight' : 'no';
}

// What is said of single sizes (common practice, no source).
describe('the hook a bait takes', () => {
  it('is a 4/0 in four inches and a 5/0 barely, a 3/0 a squeeze in three', () => {
    expect([inBait('4/0', 4), inBait('5/0', 4), inBait('7/0', 4)]).toEqual(['good', 'tight', 'no']);
    expect([inBait('2/0', 3), inBait('3/0', 3), inBait('5/0', 3)]).toEqual(['good', 'tight', 'no']);
  });

  it('is a little larger for a small bait, by the fourth root of its length', () => {
    const most = (length: number) => hookSizeLimits({ length, height: 0 }).good[1];
    expect(most(100)).toBeCloseTo(0.155, 12);
    expect(most(50) / most(100)).toBeCloseTo(2 ** 0.25, 12);
    expect(most(200) / most(100)).toBeCloseTo(2 ** -0.25, 12);
    const { good, tight } = hookSizeLimits({ length: 80, height: 10 });
    expect([good[0], tight[0], tight[1] / good[1]]).toEqual([0, 0, expect.closeTo(1.15, 12)]);
  });

  it('of a deep body is the one that goes round it, and no larger than a quarter of its length', () => {
    const most = (height: number) => hookSizeLimits({ length: 100, height }).good[1];
    expect([most(10), most(15), most(20), most(25), most(60)]).toEqual(
      [0.155, 0.155, 0.2, 0.25, 0.25].map((value) => expect.closeTo(value, 12) as number),
    );
  });
});
