import { hookStyle } from './style.ts';

/** Stepped down behind a neck, for thick plastics rigged weedless. */
export const wideGap = hookStyle({
  key: 'wide gap',
  does: 'Its shank steps down behind a neck: room for a thick plastic rigged weedless.',
  gap: 1.18,
  shank: 1,
  pointLeg: 0.72,
  lean: -4,
  offset: 0.26,
});
