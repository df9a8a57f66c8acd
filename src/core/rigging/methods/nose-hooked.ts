import { marked } from '../../quantity/phrase.ts';
import { FREE_GAP, NOSE_AT } from '../limits.ts';
import { methodKind } from '../method.ts';

/** How far ahead of the bend's rear the nose reaches, mm (working value). */
const AHEAD = 4;

/** The hook through the nose alone: the body hangs free behind the bend. */
export const noseHooked = methodKind({
  key: 'nose-hooked',
  name: 'hooked through the nose',
  does: 'The hook through the nose alone; the body moves as it will.',
  point: 'bare',
  exitName: 'Hook goes through at',
  gapName: 'Free gap over the plastic',
  exit: NOSE_AT,
  isApart: true,
  freeGap: FREE_GAP.bare,
  wants: 'a bait that can bear to be held by its nose',
  obstacle: ({ family }) =>
    family.within
      ? {
          text:
            'The weight of this head is made to lie inside a bait: hooked by its nose alone it would ' +
            'hang bare before it.',
          remedies: [],
        }
      : undefined,
  seat: ({ hook }) => hook.bendRear[0] + AHEAD,
  lay({ hook, section }) {
    const level = hook.bendRear[2];
    const { halfHeight } = section(AHEAD);
    return {
      rise: () => level,
      exit: AHEAD,
      // The nose sits in the bend, behind the point: the gap before it is as it was.
      freeGap: hook.pointHeight - hook.shankLevel - hook.wire,
      filling: 0,
      bend: 0,
      cover: -(hook.pointHeight - level - halfHeight),
      start: 0,
      entry: NaN,
    };
  },
  steps: (laid) => [
    `Point up through the middle of the nose, ${marked(laid.exit, 'size')} from its end.`,
    'Slide it round into the bend. It should swing freely there.',
    'It is thrown off by a hard cast: swing it out, or put a bead of rubber on the hook behind it.',
  ],
});
