import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { photoPlacement } from './photo.ts';
import { between } from '../test-kit/numbers.test-kit.ts';

const place = ([a, b, c, d, e, f]: readonly number[], u: number, v: number): [number, number] => [
  (a ?? NaN) * u + (c ?? NaN) * v + (e ?? NaN),
  (b ?? NaN) * u + (d ?? NaN) * v + (f ?? NaN),
];
const pixel = fc.tuple(fc.integer({ min: 0, max: 4000 }), fc.integer({ min: 0, max: 4000 }));

describe('a photograph under the side view', () => {
  it('worked by hand: a head 20 mm long over 100 px, seen level', () => {
    const at = photoPlacement({ rear: [50, 80], nose: [150, 80], length: 20 }) ?? [];
    expect(place(at, 50, 80)).toEqual([0, 0]);
    expect(place(at, 150, 80)).toEqual([20, 0]);
    // A fifth of a millimetre a pixel, and up in the picture is up on the plate.
    expect(place(at, 100, 70)).toEqual([10, 2]);
    const over = photoPlacement({ rear: [50, 80], nose: [150, 80], length: 20, flipped: true }) ?? [];
    expect(place(over, 100, 70)).toEqual([10, -2]);
  });

  it('seen nose down: what is above the line of the marks stays above it', () => {
    const at = photoPlacement({ rear: [0, 0], nose: [30, 40], length: 10 }) ?? [];
    const [x, z] = place(at, 30, 0);
    expect(x).toBeCloseTo(3.6, 12);
    expect(z).toBeCloseTo(4.8, 12);
  });

  it('brings its marks to rear and nose, keeps every distance by one scale, and is flipped about the line of the marks', () => {
    fc.assert(
      fc.property(pixel, pixel, pixel, pixel, between(1, 120), (rear, nose, p, q, length) => {
        const far = Math.hypot(nose[0] - rear[0], nose[1] - rear[1]);
        const at = photoPlacement({ rear, nose, length });
        const over = photoPlacement({ rear, nose, length, flipped: true });
        if (far === 0) return expect([at, over]).toEqual([undefined, undefined]);
        if (!at || !over) return expect.unreachable();
        const [x0, z0] = place(at, ...rear);
        const [x1, z1] = place(at, ...nose);
        for (const [told, wanted] of [
          [x0, 0],
          [z0, 0],
          [x1, length],
          [z1, 0],
        ] as const)
          expect(Math.abs(told - wanted)).toBeLessThan(1e-8 * (1 + (length * 6000) / far));
        const [xp, zp] = place(at, ...p);
        const [xq, zq] = place(at, ...q);
        const apart = Math.hypot(p[0] - q[0], p[1] - q[1]);
        expect(Math.hypot(xp - xq, zp - zq)).toBeCloseTo((apart * length) / far, 6);
        const [xo, zo] = place(over, ...p);
        expect(xo).toBeCloseTo(xp, 6);
        expect(zo).toBeCloseTo(-zp, 6);
      }),
    );
  });
});
