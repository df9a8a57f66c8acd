import type { LineKey } from '../material/lines.ts';
import { lineDiameter, lineOf } from '../material/lines.ts';
import { GRAVITY } from '../material/water.ts';

/**
 * Powers of a rod by what its tip gives, N for each metre it is bent (working values by feel of the trade, no
 * source).
 */
export const ROD_POWERS = {
  'ultra light': 6,
  light: 12,
  'medium light': 18,
  medium: 28,
  'medium heavy': 45,
  heavy: 70,
} as const;
/** A rod’s power. */
export type RodPower = keyof typeof ROD_POWERS;

/** How a head is fished: line, rod, speed and what lies in the way. */
export interface Fishing {
  /** from the rod's tip to the head, m */
  readonly lineOut: number;
  /** of the rod's tip over the water, m */
  readonly rodHeight: number;
  /** over the ground, m/s */
  readonly speed: number;
  /** against the retrieve, m/s */
  readonly current: number;
  readonly line: LineKey;
  /** breaking strain, kg */
  readonly test: number;
  /**
   * breaking strain of the leader, kg; the line's own where absent. What parts first is the strength, the
   * stretch is the line's.
   */
  readonly leader?: number | undefined;
  readonly rod: RodPower;
  /** setting of the reel's drag, as a share of the line's test */
  readonly brake: number;
  /** line wound by one turn of the handle, m */
  readonly perTurn: number;
  /** length the tip is moved in a snap, m */
  readonly snap: number;
  /** friction of head on bottom */
  readonly friction: number;
  /** width of a crack in the stone, mm; 0 for the narrowest that a head enters */
  readonly crack: number;
  /** thickness of a stem, mm */
  readonly stem: number;
}

/**
 * What is meant where nothing is said (common practice, no source; friction of lead on wet stone from
 * memory).
 */
export const USUAL_FISHING: Fishing = {
  lineOut: 20,
  rodHeight: 1.5,
  speed: 0.5,
  current: 0,
  line: 'fluorocarbon',
  test: 5.4,
  rod: 'medium',
  brake: 0.3,
  perTurn: 0.66,
  snap: 0.4,
  friction: 0.4,
  crack: 0,
  stem: 6,
};

/** Fishing with nothing left out. */
export const fishingOf = (around: { readonly fishing?: Partial<Fishing> | undefined }): Fishing => ({
  ...USUAL_FISHING,
  ...around.fishing,
});

/** The line as physics sees it: diameter m, density kg/m³, strength N, and N for a strain of 1. */
export function lineFacts({ line, test, leader = test }: Pick<Fishing, 'line' | 'test' | 'leader'>) {
  const { density, modulus, coil } = lineOf(line);
  const mm = lineDiameter(line, test);
  return {
    diameter: mm / 1000,
    density: density * 1000,
    strength: Math.min(test, leader) * GRAVITY,
    stiffness: modulus * (Math.PI / 4) * mm * mm,
    coil,
  };
}

/** How far the tip of the rod is swept in a hook-set, m (common practice, no source). */
const SWEEP = 1;

/**
 * Pull that reaches the hook in a hook-set, N: the sweep stretches line and rod in series, F = s / (L/EA +
 * 1/k), and the reel's drag slips at its setting. `share` and `slip`: of the stiffness and of the setting,
 * were they off.
 */
export function hookSet(fishing: Fishing, share = 1, slip = 1): number {
  const { stiffness, strength } = lineFacts(fishing);
  const pull = SWEEP / (fishing.lineOut / stiffness + 1 / ROD_POWERS[fishing.rod]);
  return Math.min(share * pull, slip * fishing.brake * strength);
}

/**
 * Span of that pull, N: stiffness of line and rod a quarter off together, the reel's drag a tenth (working
 * values, no source).
 */
export const hookSets = (fishing: Fishing): readonly [number, number] => [
  hookSet(fishing, 0.75, 0.9),
  hookSet(fishing, 1.25, 1.1),
];
