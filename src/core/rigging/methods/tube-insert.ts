import { marked } from '../../quantity/phrase.ts';
import { MADE } from '../../plastic/kinds/kind.ts';
import { plasticKindOf } from '../../plastic/kinds/index.ts';
import { FREE_GAP } from '../limits.ts';
import { layBare, toDesign, toMethod } from '../laying.ts';
import { methodKind } from '../method.ts';

/** The head is pushed into a tube from behind, and its eye out through the wall. */
export const tubeInsert = methodKind({
  key: 'tube-insert',
  name: 'inside a tube',
  does: 'The head pushed into the tube from behind, the eye out through the wall.',
  point: 'bare',
  exitName: 'Hook leaves the wall at',
  gapName: 'Free gap over the plastic',
  freeGap: FREE_GAP.folding,
  within: true,
  suits: ({ kind }) => MADE[plasticKindOf(kind).make].open === true,
  wants: 'a tube, and a head made to lie inside it',
  obstacle({ family, hook }, plastic) {
    if (!MADE[plasticKindOf(plastic.kind).make].open)
      return {
        text: 'Only a tube is open behind for a head to be pushed in.',
        remedies: [toMethod('threaded', 'Thread it instead')],
      };
    if (hook.hinge)
      return { text: 'A hinged hook cannot be pushed into a tube with its head.', remedies: [] };
    if (family.within) return undefined;
    return {
      text: 'This head is made to sit before the bait; inside a tube it stands in the way of its own eye.',
      remedies: [toDesign('/head/family', 'tube', 'Take a tube insert')],
    };
  },
  // The front of the metal lies half way into what is full of the nose.
  seat: ({ profile }, _usual, fullNose) => profile.length + fullNose / 2,
  lay: (ground) => layBare(ground, () => 0, 0),
  steps: (laid) => [
    'Wet the head; lay it beside the tube and mark where the eye will come, on the side of the point.',
    'Push the head in from behind, point last, until it fills the nose.',
    `Prick a hole for the eye, ${marked(4, 'size')} behind the front, and press the eye out through it.`,
    `The bend leaves the wall ${marked(laid.exit, 'size')} from the front; the tentacles hang free.`,
  ],
});
