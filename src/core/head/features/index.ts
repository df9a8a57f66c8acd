import type { FeatureSpec } from '../../document/design.ts';
import { channel } from './channel.ts';
import { cheeks } from './cheeks.ts';
import { fins } from './fins.ts';
import { flats } from './flats.ts';
import type { FeatureGround, Shape } from './shape.ts';
import { slot } from './slot.ts';
import { sole } from './sole.ts';

/** A feature as a menu offers it. */
export interface FeatureInfo<K extends keyof FeatureSpec = keyof FeatureSpec> {
  readonly key: K;
  readonly name: string;
  readonly does: string;
  readonly initial: NonNullable<FeatureSpec[K]>;
}

const info = <K extends keyof FeatureSpec>(key: K, name: string, does: string, initial: NonNullable<FeatureSpec[K]>): FeatureInfo<K> => ({ key, name, does, initial }); // prettier-ignore

/** Every feature a head can be given, in the order they are worked: cuts of the body first, then fins, then what must stay open. */
export const FEATURES: readonly FeatureInfo[] = [
  info('sole', 'Sole', 'A flat below to stand on.', { cut: 0.3, tilt: 0 }),
  info('flats', 'Top flats', 'Two flats on the crown, or one where they do not slope.', {
    cut: 0.3,
    slope: 15,
  }),
  info('channel', 'Belly channel', 'A channel along the belly that steadies it.', {
    width: 0.35,
    depth: 0.3,
  }),
  info('cheeks', 'Hollow cheeks', 'A hollow in each side.', { depth: 0.25, length: 0.7, at: 0.45 }),
  info('fins', 'Fins', 'A fin on either side that makes it glide.', {
    span: 0.7,
    length: 0.5,
    thickness: 1,
    at: 0.5,
  }),
  info('slot', 'Hook slot', 'A slot that takes the shank: for metals that are not poured around it.', {
    open: 'below',
    width: 1.4,
  }),
];

/** The shapes of a set of features on a body, in working order. */
export function featureShapes(spec: FeatureSpec, ground: FeatureGround): Shape[] {
  return [
    spec.sole && sole(spec.sole, ground),
    spec.flats && flats(spec.flats, ground),
    spec.channel && channel(spec.channel, ground),
    spec.cheeks && cheeks(spec.cheeks, ground),
    spec.fins && fins(spec.fins, ground),
    spec.slot && slot(spec.slot, ground),
  ].filter((shape) => shape !== undefined);
}
