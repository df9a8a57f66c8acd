import { describe, expect, it } from 'vitest';
import type { CutterCorner } from './cutter.ts';
import { CUTTERS, cutterOf } from './kinds.ts';

/** Volume that an outline sweeps about its axis, mm³, as a row of frustums. */
const swept = (outline: readonly CutterCorner[]): number =>
  outline.slice(1).reduce((sum, [r2, h2], i) => {
    const [r1, h1] = outline[i] ?? [0, 0];
    return sum + (Math.PI * (h2 - h1) * (r1 * r1 + r1 * r2 + r2 * r2)) / 3;
  }, 0);
const topOf = (outline: readonly CutterCorner[]): number => outline.at(-1)?.[1] ?? NaN;

/** Radius, wanted reach and angle of the tip, mm and degrees. */
const SIZES = [
  [2, 12, 90],
  [1.5, 30, 60],
  [6, 20, 120],
] as const;

// Solids of revolution in closed form (any handbook of mathematics).
describe('a cutter', () => {
  it.each(SIZES)('of radius %d up to %d mm has the volume of its solid', (r, reach, tip) => {
    const cylinder = (height: number) => Math.PI * r * r * height;
    // An arc of 24 chords lies a little inside the round one.
    const near = (key: string, volume: number, within: number) =>
      expect(Math.abs(swept(cutterOf(key).outline(r, reach, tip)) / volume - 1), key).toBeLessThan(within);
    near('flat', cylinder(reach), 1e-12);
    near('round-nosed', (2 / 3) * Math.PI * r ** 3 + cylinder(reach - r), 2e-3);
    const height = r / Math.tan(((tip / 2) * Math.PI) / 180);
    near('cone', cylinder(height) / 3 + cylinder(reach - height), 1e-12);
    // The ball up to where its neck of two fifths leaves it: a sphere less the cap above.
    const neck = 0.4 * r;
    const cap = r - Math.sqrt(r * r - neck * neck);
    const sphere = (4 / 3) * Math.PI * r ** 3 - (Math.PI * cap ** 2 * (3 * r - cap)) / 3;
    near('ball', sphere + Math.PI * neck * neck * (reach - 2 * r + cap), 6e-3);
  });

  it('begins at its tip, and every corner of a round end lies on its round', () => {
    for (const key of ['round-nosed', 'ball'])
      for (const [r, reach, tip] of SIZES) {
        const arc = cutterOf(key).outline(r, reach, tip).slice(0, -1);
        expect(arc[0]).toEqual([0, 0]);
        for (const [x, y] of arc) expect(Math.hypot(x, y - r)).toBeCloseTo(r, 12);
        // A round nose ends where its shank begins, a ball where it is as thin as its neck.
        expect(arc.at(-1)?.[0]).toBeCloseTo(key === 'ball' ? 0.4 * r : r, 12);
        expect(arc.at(-1)?.[1] ?? NaN).toBeGreaterThan(key === 'ball' ? r * 1.9 : r * 0.999);
      }
  });

  it('has a point of the angle that is asked for, where it has one', () => {
    for (const [r, reach, tip] of SIZES) {
      const [, [x, y] = [NaN, NaN]] = cutterOf('cone').outline(r, reach, tip);
      expect((2 * Math.atan2(x, y) * 180) / Math.PI).toBeCloseTo(tip, 10);
    }
    expect(CUTTERS.filter(({ hasTip }) => hasTip).map(({ key }) => key)).toEqual(['cone']);
  });

  it('reaches as far as is wanted, is whole where less is, and never has two corners in one place', () => {
    for (const { key, outline } of CUTTERS)
      for (const [r, reach, tip] of SIZES) {
        expect([key, topOf(outline(r, reach, tip))]).toEqual([key, reach]);
        const short = outline(r, 0, tip);
        // No more than its end: what it cuts there is what a longer one does.
        const end = outline(r, 100, tip).slice(0, -1);
        expect(short.slice(0, -1)).toEqual(end);
        expect(topOf(short) - (end.at(-1)?.[1] ?? NaN)).toBeCloseTo(1e-3, 9);
        for (const corners of [short, outline(r, reach, tip)])
          for (const [i, [x, y]] of corners.entries()) {
            const [px, py] = corners[i - 1] ?? [NaN, NaN];
            expect(Math.hypot(x - px, y - py)).not.toBe(0);
            expect(x).toBeLessThanOrEqual(r * (1 + 1e-12));
          }
      }
  });

  it('of no known key is refused by name', () => {
    expect(() => cutterOf('dovetail')).toThrow(/Cutter.*dovetail|dovetail.*[Cc]utter/);
  });
});
