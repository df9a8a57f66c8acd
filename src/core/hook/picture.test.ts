import { describe, expect, it } from 'vitest';
import { HOOK_CHART } from './chart.ts';
import { hookPicture } from './picture.ts';
import { STYLES } from './styles/index.ts';

describe('a hook on the shelf', () => {
  it('worked by hand: a round bend of gap 13, shank 31, wire 1', () => {
    const picture = hookPicture({ gap: 13, shank: 31, wire: 1 }, 'round bend');
    expect(picture.gap).toEqual([
      [0, 0.5],
      [0, 13.5],
    ]);
    expect(picture.shank.map((at) => at.map((mm) => mm + 0))).toEqual([
      [0, 0],
      [31, 0],
    ]);
    // Half a circle of gap and wire, and half a wire outside it.
    expect(picture.bend[0]).toEqual([expect.closeTo(-7.5, 9), expect.closeTo(7, 9)]);
    const [low, high] = picture.box;
    expect(low[0]).toBeCloseTo(-7.5, 2);
    expect(low[1]).toBeCloseTo(-0.5, 9);
    // The eye stands beyond the shank’s front, and all of its ring is within.
    expect(picture.eye.at[0]).toBeGreaterThan(31);
    expect(high[0]).toBeCloseTo(picture.eye.at[0] + picture.eye.radius + 0.5, 9);
  });

  it('of every size and style shows its own gap and shank: the line of the wire leaves the gap clear', () => {
    for (const { key, ...style } of STYLES)
      for (const row of HOOK_CHART) {
        const measures = { gap: row.gap * style.gap, shank: row.shank * style.shank, wire: row.wire };
        const { gap, shank, centre, wire, box } = hookPicture(measures, key);
        expect(gap[1][1] - gap[0][1]).toBeCloseTo(measures.gap, 9);
        expect(shank[1][0] - shank[0][0]).toBeCloseTo(measures.shank, 9);
        // At the start of the bend there is wire below and above, as far apart as the gap says, and none
        // between.
        const there = centre.filter(([x]) => Math.abs(x) < 0.25).map(([, z]) => z);
        const clear = Math.max(...there) - Math.min(...there) - wire;
        expect(Math.abs(clear - measures.gap), `${key} ${row.size}`).toBeLessThan(0.12);
        for (const [x, z] of centre)
          expect(x >= box[0][0] && x <= box[1][0] && z >= box[0][1] && z <= box[1][1]).toBe(true);
      }
  });
});
