import type { Kind } from '../../kind/registry.ts';

/**
 * Proportions of a hook's shape against the round-bend chart: generic values from memory, since makers differ
 * by more than these do. Gap and shank are factors on the chart's; the rest are shares of the gap or
 * degrees.
 */
export interface HookStyle<K extends string = string> extends Kind {
  readonly key: K;
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

/** Returns a hook’s style, named by its key. */
export const hookStyle = <const K extends string>(style: Omit<HookStyle<K>, 'name'>): HookStyle<K> => ({
  ...style,
  name: style.key,
});
