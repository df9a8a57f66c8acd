import { hookStyle } from './style.ts';

/** Straight and long in the shank, for worms and sticks. */
export const straightWorm = hookStyle({
  key: 'straight worm',
  does: 'Straight and long in the shank, for worms and sticks.',
  gap: 0.95,
  shank: 1.12,
  pointLeg: 0.7,
  lean: 0,
  offset: 0,
});
