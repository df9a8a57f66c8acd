import { jointKind, linkRing } from './joint.ts';

/** Two turns of flat-lying wire between loop and hook. */
export const splitRing = jointKind({
  key: 'split ring',
  name: 'split ring',
  sizeLabel: 'Ring inside',
  does: 'A ring of two turns between loop and hook: hooks are changed with a tool.',
  link: (size, behindLoop, wireRadius) => linkRing(size, behindLoop, wireRadius, 2),
});
