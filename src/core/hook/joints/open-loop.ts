import { jointKind } from './joint.ts';

/** The hook's own eye hangs in the loop. */
export const openLoop = jointKind({
  key: 'open loop',
  name: 'open loop',
  sizeLabel: 'Loop inside',
  does: 'The hook hangs in the loop itself.',
  link: () => undefined,
});
