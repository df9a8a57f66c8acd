import { hookStyle } from './style.ts';

/** The everyday jig hook. */
export const roundBend = hookStyle({
  key: 'round bend',
  does: 'The everyday jig hook.',
  gap: 1,
  shank: 1,
  pointLeg: 0.62,
  lean: 0,
  offset: 0,
});
