import { plasticKindOf } from '../../plastic/kinds/index.ts';
import { radians } from '../../numeric/vec.ts';
import { BENT, FREE_GAP, LEFT_IN } from '../limits.ts';
import { layBare, threadSteps } from '../laying.ts';
import { methodKind } from '../method.ts';

/**
 * The hook is brought out early, so that the body keeps a slight bend, tail down: it swings as it is pulled.
 */
export const bent = methodKind({
  key: 'bent',
  name: 'threaded, a bend left in',
  does: 'Threaded with the hook out early, so that the body keeps a slight bend.',
  point: 'bare',
  exitName: 'Hook comes out at',
  gapName: 'Free gap over the plastic',
  freeGap: FREE_GAP.bare,
  straight: BENT,
  isBentOnPurpose: true,
  suits: ({ kind }) => plasticKindOf(kind).section === 'flat-bellied',
  wants: 'best with a flat belly, laid down',
  lay(ground) {
    // An even bend as far as the point, straight on from there.
    const reach = Math.max(ground.tipFromNose, 1);
    const slope = Math.tan(radians(LEFT_IN));
    const rise = (s: number) => (s < reach ? -(slope * s * s) / (2 * reach) : -slope * (s - reach / 2));
    return layBare(ground, rise, -LEFT_IN);
  },
  steps: (laid, mount) => [
    ...threadSteps(laid, mount).slice(0, -1),
    'Leave the bend in: flat side down, the tail a little lower than the head. Try it in the ' +
      'water beside you: it should swing to both sides.',
  ],
});
