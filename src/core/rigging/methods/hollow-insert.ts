import { marked } from '../../quantity/phrase.ts';
import { MADE } from '../../plastic/kinds/kind.ts';
import { plasticKindOf } from '../../plastic/kinds/index.ts';
import { FREE_GAP } from '../limits.ts';
import { layBare, toDesign, toMethod } from '../laying.ts';
import { methodKind } from '../method.ts';

/** Whether a body has a room that is not open behind. */
const isClosedRoom = (kind: string): boolean => {
  const { room, open } = MADE[plasticKindOf(kind).make];
  return room === true && !open;
};

/** The head lies in the room of a hollow body, put in through its slit or its mouth. */
export const hollowInsert = methodKind({
  key: 'hollow-insert',
  name: 'inside a hollow body',
  does: 'The head in the room of a hollow body, through its slit or its mouth.',
  point: 'bare',
  exitName: 'Hook leaves the back at',
  gapName: 'Free gap over the plastic',
  freeGap: FREE_GAP.folding,
  within: true,
  suits: ({ kind }) => isClosedRoom(kind),
  wants: 'a hollow or slit body, and a head made to lie inside it',
  obstacle({ family, hook }, plastic) {
    if (!isClosedRoom(plastic.kind))
      return {
        text: 'This plastic has no room for a head to lie in.',
        remedies: [
          MADE[plasticKindOf(plastic.kind).make].open
            ? toMethod('tube-insert', 'Push it into the tube')
            : toMethod('threaded', 'Thread it instead'),
        ],
      };
    if (hook.hinge) return { text: 'A hinged hook cannot lie in a bait with its head.', remedies: [] };
    if (family.within) return undefined;
    return {
      text: 'This head is made to sit before the bait, not in it.',
      remedies: [toDesign('/head/family', 'core', 'Take a hollow-body core')],
    };
  },
  // The front of the metal lies half way into what is full of the nose.
  seat: ({ profile }, _usual, fullNose) => profile.length + fullNose / 2,
  lay: (ground) => layBare(ground, () => 0, 0),
  steps: (laid) => [
    'Wet the head and fold the body open at its slit, or its mouth.',
    'Point first, lead the hook in and out through the back on the seam.',
    `It should come out ${marked(laid.exit, 'size')} from the nose; ease the head in behind ` +
      'it until it fills the room.',
    'Press the eye out through the top of the nose. The slit must close over the metal.',
  ],
});
