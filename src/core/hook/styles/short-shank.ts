import { hookStyle } from './style.ts';

/** Short in the shank, for stubby baits. */
export const shortShank = hookStyle({
  key: 'short shank',
  does: 'For stubby baits: the bend comes out early and the tail stays free.',
  gap: 1,
  shank: 0.68,
  pointLeg: 0.55,
  lean: 0,
  offset: 0,
});
