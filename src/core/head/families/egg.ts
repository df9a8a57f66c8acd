/** How a body of one hump swells along its length. */
export interface EggShape {
  /** where it is fullest, as a share of the length from the rear, 0 < shoulder < 1 */
  readonly shoulder: number;
  /** swell at the rear face: 0 closes it in a rounded end, 1 leaves it a full flat */
  readonly rear: number;
  /** 0 a straight cone to the nose, 1 a quarter of an ellipse */
  readonly bluntness: number;
  /** swell left at the nose: 0 closes it, more leaves a flat face */
  readonly face?: number;
}

/**
 * Swell of an egg at x, 0 to 1: a quarter ellipse from the rear up to the shoulder, then (1 − u^a)^p to the
 * nose with a = 1 + bluntness and p = 1 − bluntness/2, which is a cone at 0 and an ellipse at 1. `length` and
 * x in mm.
 */
export function egg(
  length: number,
  { shoulder, rear, bluntness, face = 0 }: EggShape,
): (x: number) => number {
  const split = shoulder * length;
  return (x) => {
    if (x < 0 || x > length) return 0;
    if (x < split) return rear + (1 - rear) * Math.sqrt(Math.max(0, 1 - ((split - x) / split) ** 2));
    const u = Math.min(1, (x - split) / (length - split));
    return face + (1 - face) * (1 - u ** (1 + bluntness)) ** (1 - bluntness / 2);
  };
}

/** Places where an egg changes its rule. */
export const eggBreaks = (length: number, shoulder: number): number[] => [0, shoulder * length, length];
