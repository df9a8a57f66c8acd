import type { HookStyle } from '../document/design.ts';

/**
 * Proportions of a hook's shape against the round-bend chart: generic values from memory, since makers differ by more than these do.
 * Gap and shank are factors on the chart's; the rest are shares of the gap or degrees.
 */
export interface StyleShape {
  readonly key: HookStyle;
  readonly does: string;
  readonly gap: number;
  readonly shank: number;
  /** straight point leg, as a share of the gap */
  readonly pointLeg: number;
  /** how far the point is turned out from the shank's line, degrees; negative turns it in to the eye */
  readonly lean: number;
  /** how far the shank steps down behind its neck, as a share of the gap */
  readonly offset: number;
}

const style = (key: HookStyle, does: string, [gap, shank, pointLeg, lean, offset]: readonly [number, number, number, number, number]): StyleShape => ({ key, does, gap, shank, pointLeg, lean, offset }); // prettier-ignore

export const STYLES: readonly StyleShape[] = [
  style('round bend', 'The everyday jig hook.', [1, 1, 0.62, 0, 0]),
  style(
    'wide gap',
    'Its shank steps down behind a neck: room for a thick plastic rigged weedless.',
    [1.18, 1, 0.72, -4, 0.26],
  ),
  style('straight worm', 'Straight and long in the shank, for worms and sticks.', [0.95, 1.12, 0.7, 0, 0]),
  style(
    'short shank',
    'For stubby baits: the bend comes out early and the tail stays free.',
    [1, 0.68, 0.55, 0, 0],
  ),
  style('long shank', 'For tubes: long enough to come out behind the slug.', [1, 1.35, 0.6, 0, 0]),
];

/** The shape of a style; a round bend where none is named. */
export function styleShape(key: HookStyle | undefined): StyleShape {
  return STYLES.find((shape) => shape.key === key) ?? (STYLES[0] as StyleShape);
}
