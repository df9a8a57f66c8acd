import { itemAt } from '../numeric/at.ts';
/** A head of a ladder, with what its weight is bought for. */
export interface FallRung {
  readonly id: string;
  /** g */
  readonly grams: number;
  /** m/s */
  readonly fall: number;
  /** greatest speed that keeps the bottom, m/s; undefined where it is not known */
  readonly bottom: number | undefined;
}

/** How two rungs of a ladder follow each other. */
export type GapKind = 'gap' | 'double' | 'even';

/** The step between two neighbours of a ladder. */
export interface LadderStep {
  readonly from: string;
  readonly to: string;
  /** the heavier over the lighter */
  readonly weight: number;
  readonly fall: number;
  readonly bottom: number | undefined;
  readonly kind: GapKind;
  /** what decided, in a few words */
  readonly why: string;
  /** weight that would halve the step, g; for a gap */
  readonly between: number | undefined;
}

/**
 * A step of a ladder that one feels, as a ratio of fall speed: falls within a twelfth of each other fish
 * alike; beyond a third there is room for one between (working values; a usual ladder of ounces runs at 1.15
 * to 1.2, common practice, no source).
 */
const ALIKE = 1.08;
const APART = 1.33;
/** The same for the speed that keeps the bottom, which weight moves more. */
const BOTTOM_ALIKE = 1.1;
const BOTTOM_APART = 1.5;

/**
 * Steps of a ladder by what they do in the water: the ratio of fall speeds and of greatest bottom speeds from
 * each rung to the next heavier. Weight alone tells little: a broad head of twice the weight may fall no
 * faster.
 */
export function ladderSteps(rungs: readonly FallRung[]): LadderStep[] {
  const sorted = [...rungs].sort((a, b) => a.grams - b.grams);
  return sorted.slice(1).map((to, i) => {
    const from = itemAt(sorted, i);
    const fall = to.fall / from.fall;
    const bottom = from.bottom && to.bottom ? to.bottom / from.bottom : undefined;
    const times = (ratio: number) => `${ratio.toFixed(2)} ×`;
    const isApart = fall > APART || (bottom !== undefined && bottom > BOTTOM_APART);
    const isAlike = fall < ALIKE && (bottom === undefined || bottom < BOTTOM_ALIKE);
    return {
      from: from.id,
      to: to.id,
      weight: to.grams / from.grams,
      fall,
      bottom,
      kind: isApart ? 'gap' : isAlike ? 'double' : 'even',
      why:
        fall > APART || isAlike || bottom === undefined || !isApart
          ? `falls ${times(fall)} as fast`
          : `keeps the bottom to ${times(bottom)} the speed`,
      between: isApart ? Math.sqrt(from.grams * to.grams) : undefined,
    };
  });
}
