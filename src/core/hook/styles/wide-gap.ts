import { hookStyle } from './style.ts';

export const wideGap = hookStyle({
  key: 'wide gap',
  does: 'Its shank steps down behind a neck: room for a thick plastic rigged weedless.',
  gap: 1.18,
  shank: 1,
  pointLeg: 0.72,
  lean: -4,
  offset: 0.26,
});
