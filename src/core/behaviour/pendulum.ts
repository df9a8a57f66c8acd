import { GRAVITY } from '../material/water.ts';
import { gaussLegendre } from '../numeric/gauss.ts';
import { WIRE_NORMAL } from './drag.ts';

const RULE = gaussLegendre(24);

/** Where a head on a tight line comes down, and when. */
export interface Swung {
  /** m towards the rod from where it was dropped, along the level */
  readonly back: number;
  /** s */
  readonly time: number;
}

/** The line as a swing feels it. SI units. */
export interface SwungLine {
  readonly diameter: number;
  /** of the line, kg/m³ */
  readonly density: number;
  /** kg/m³ */
  readonly waterDensity: number;
  /** submerged weight of the head on it, N */
  readonly weight: number;
}

/**
 * A head dropped on a tight line at the surface swings about the rod's tip down to the bottom: at each angle
 * its weight along the arc is what its drag balances, so that its speed there is the free fall's times √cos
 * of the line's angle below the level. With a `line`, moments about the tip are balanced: its weight, in
 * water below the surface and in air above it, helps, and the drag of what is in the water, square to it at
 * the speed of each of its points, holds back. It is taken as straight; the run-up is left out.
 *
 * `lineOut` and `height` of the tip over the water in m, `depth` of the bottom below it in m, all above 0;
 * `fall`: terminal speed, m/s. Undefined where the line is too short to reach the surface, or so short that
 * it swings clear of the bottom, and where a line that floats carries a light head before it gets there.
 */
export function pendulum(
  lineOut: number,
  height: number,
  depth: number,
  fall: number,
  line?: SwungLine,
): Swung | undefined {
  if (!(lineOut > height && lineOut > height + depth && fall > 0)) return undefined;
  const from = Math.asin(height / lineOut);
  const to = Math.asin((height + depth) / lineOut);
  const rate = line
    ? turning(lineOut, height, fall, line)
    : (angle: number) => (fall / lineOut) * Math.sqrt(Math.cos(angle));
  // What pulls down is least where most of the line is in the water, at the end of the way.
  if (!(rate(to) > 0)) return undefined;
  let time = 0;
  RULE.nodes.forEach((node, i) => {
    // Substituted so that the end straight below the tip, where it creeps, stays tame.
    const w = ((node + 1) / 2) * Math.sqrt(to - from);
    const angle = to - w * w;
    time += (RULE.weights[i] ?? 0) * ((2 * w) / rate(angle));
  });
  time *= Math.sqrt(to - from) / 2;
  return { back: lineOut * (Math.cos(from) - Math.cos(to)), time };
}

/** Rate in rad/s at which head and line turn about the tip, by the line's angle below the level. */
function turning(lineOut: number, height: number, fall: number, line: SwungLine): (angle: number) => number {
  const { diameter, density, waterDensity, weight } = line;
  const perMetre = density * (Math.PI / 4) * diameter ** 2 * GRAVITY;
  const inWater = (density - waterDensity) * (Math.PI / 4) * diameter ** 2 * GRAVITY;
  const across = 0.5 * waterDensity * WIRE_NORMAL * diameter;
  // Drag of the head goes with the square of its speed: what balances its weight at the speed of its fall.
  const ofHead = (weight / fall ** 2) * lineOut ** 3;
  return (angle) => {
    const dry = Math.min(lineOut, height / Math.sin(angle));
    const pull = weight * lineOut + (inWater * (lineOut ** 2 - dry ** 2) + perMetre * dry ** 2) / 2;
    const hold = ofHead + (across * (lineOut ** 4 - dry ** 4)) / 4;
    return pull > 0 ? Math.sqrt((pull * Math.cos(angle)) / hold) : 0;
  };
}
