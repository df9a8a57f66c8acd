import { jointKind, linkRing } from './joint.ts';

/** One turn that opens. */
export const clip = jointKind({
  key: 'clip',
  name: 'clip',
  sizeLabel: 'Ring inside',
  does: 'A clip between loop and hook: hooks are changed by hand.',
  link: (size, behindLoop, wireRadius) => linkRing(size, behindLoop, wireRadius, 1),
});
