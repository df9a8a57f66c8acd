import { marked } from '../../quantity/phrase.ts';
import { FREE_GAP, SKIRT_UNEVEN } from '../limits.ts';
import { layBare, threadSteps } from '../laying.ts';
import { methodKind } from '../method.ts';

/** What is sold to trail behind a skirt (common practice, no source). */
const TRAILERS: readonly string[] = ['chunk', 'claw', 'creature', 'double-curl'];

/** Behind a skirt, threaded, as a skirted jig's trailer. */
export const trailer = methodKind({
  key: 'trailer',
  name: 'trailer behind a skirt',
  does: 'Threaded behind a skirt, as a trailer: the meat covered, legs or tail to be seen.',
  point: 'bare',
  exitName: 'Hook comes out at',
  gapName: 'Free gap over the plastic',
  freeGap: FREE_GAP.bare,
  isUnderSkirt: true,
  suits: ({ kind }) => TRAILERS.includes(kind),
  wants: 'a skirt on the collar, and a trailer in proportion to the head',
  obstacle: ({ hook }) =>
    hook.hinge
      ? { text: 'A hinged head carries no skirt that a trailer could lie behind.', remedies: [] }
      : undefined,
  lay: (ground) => layBare(ground, () => 0, 0),
  steps: (laid, mount) => [
    'Comb the skirt forward over the head.',
    ...threadSteps(laid, mount),
    `Comb the skirt back and trim it: strands of ${marked(Math.max(0, laid.tailAt - SKIRT_UNEVEN), 'size')} ` +
      `to ${marked(laid.tailAt + SKIRT_UNEVEN, 'size')} behind the head, most of them ` +
      `${marked(laid.tailAt, 'size')}, cover the meat and let the legs show. Uneven ends look ` +
      'better than even ones.',
  ],
});
