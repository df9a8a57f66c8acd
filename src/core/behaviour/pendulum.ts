import { gaussLegendre } from '../numeric/gauss.ts';

const RULE = gaussLegendre(24);

/** Where a head on a tight line comes down, and when. */
export interface Swung {
  /** m towards the rod from where it was let go, along the level */
  readonly back: number;
  /** s */
  readonly time: number;
}

/**
 * A head let go on a tight line at the surface swings about the rod's tip down to the bottom: at each angle its weight along the arc is
 * what its drag balances, so that its speed there is the free fall's times √cos of the line's angle below the level. The line's own drag and
 * weight and the run-up are left out.
 *
 * `lineOut` and `height` of the tip over the water in m, `depth` of the bottom below it in m, all above 0; `fall`: terminal speed, m/s.
 * Undefined where the line is too short to reach the surface, or so short that it swings clear of the bottom.
 */
export function pendulum(lineOut: number, height: number, depth: number, fall: number): Swung | undefined {
  if (!(lineOut > height && lineOut > height + depth && fall > 0)) return undefined;
  const from = Math.asin(height / lineOut);
  const to = Math.asin((height + depth) / lineOut);
  let time = 0;
  RULE.nodes.forEach((node, i) => {
    // Substituted so that the end straight below the tip, where it creeps, stays tame.
    const w = ((node + 1) / 2) * Math.sqrt(to - from);
    const angle = to - w * w;
    time += (RULE.weights[i] ?? 0) * ((2 * w) / Math.sqrt(Math.cos(angle)));
  });
  time *= (Math.sqrt(to - from) / 2) * (lineOut / fall);
  return { back: lineOut * (Math.cos(from) - Math.cos(to)), time };
}
