import { marked } from '../../quantity/phrase.ts';
import { COVER } from '../limits.ts';
import { COVERED, cutStep, layOver, toDesign } from '../laying.ts';
import { methodKind } from '../method.ts';

/**
 * The nose is turned on to a screw that stands off from the head; the point is buried. It holds and
 * streamlines best, and stands the bait back.
 */
export const screwed = methodKind({
  key: 'screwed',
  name: 'on a screw',
  does: 'The nose turned on to a screw behind the head, the point buried.',
  point: 'buried',
  ...COVERED,
  wants: 'a screw keeper',
  obstacle: ({ keeping }) =>
    keeping.isTurnedOn
      ? undefined
      : {
          text: 'This head has no screw to turn the nose on to.',
          remedies: [
            toDesign(
              '/keeper',
              { kind: 'screw', length: 9, diameter: 4, wire: 0.6, turns: 5, standoff: 3 },
              'Give it a screw keeper',
            ),
          ],
        },
  lay: (ground) => ({ ...layOver(ground, COVER.buried), start: 0 }),
  steps: (laid, { keeper }) => [
    ...cutStep(laid),
    `Turn the nose on to the screw, straight, ${marked((keeper?.insertion ?? 0) - laid.standOff, 'size')} ` +
      `deep; it stands ${marked(laid.standOff, 'size')} off the head.`,
    'Lay the body along the hook and push the point in at the belly, ' +
      `${marked(Number.isNaN(laid.entry) ? laid.exit : laid.entry, 'size')} from the nose.`,
    `Draw it back until the point lies in the body, ${marked(laid.exit, 'size')} from the nose.`,
    'Sight along it: turned on askew it spins.',
  ],
});
