import { COVER } from '../limits.ts';
import { COVERED, layOver, weedlessSteps } from '../laying.ts';
import { methodKind } from '../method.ts';

/** Weedless: the hook takes a little nose, leaves by the belly, and the point ends within the body. */
export const buried = methodKind({
  key: 'buried',
  name: 'weedless, point buried',
  does: 'The nose on the shank, the point buried in the back.',
  point: 'buried',
  ...COVERED,
  wants: '',
  lay: (ground) => layOver(ground, COVER.buried),
  steps: (laid, mount) =>
    weedlessSteps(
      laid,
      mount,
      'Draw the point back until it lies in the body and cannot be felt with a finger.',
    ),
});
