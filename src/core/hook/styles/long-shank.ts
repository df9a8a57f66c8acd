import { hookStyle } from './style.ts';

/** Long in the shank, for tubes. */
export const longShank = hookStyle({
  key: 'long shank',
  does: 'For tubes: long enough to come out behind the slug.',
  gap: 1,
  shank: 1.35,
  pointLeg: 0.6,
  lean: 0,
  offset: 0,
});
