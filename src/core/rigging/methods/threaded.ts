import { FREE_GAP } from '../limits.ts';
import { layBare, threadSteps } from '../laying.ts';
import { methodKind } from '../method.ts';

/**
 * The body's axis follows the shank to the bend, and the hook comes out where its bend rises through the
 * back; the point is bare.
 */
export const threaded = methodKind({
  key: 'threaded',
  name: 'threaded',
  does: 'Threaded on the shank, the point bare.',
  point: 'bare',
  exitName: 'Hook comes out at',
  gapName: 'Free gap over the plastic',
  freeGap: FREE_GAP.bare,
  wants: '',
  lay: (ground) => layBare(ground, () => 0, 0),
  steps: threadSteps,
});
