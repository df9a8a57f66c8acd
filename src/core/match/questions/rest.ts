import { marked } from '../../quantity/phrase.ts';
import { FAMILIES, familyOf } from '../../head/families/index.ts';
import type { Question } from './question.ts';
import { toDesign } from './question.ts';

/** Rests that are long, s, and that are so long that nobody asks. */
const LONG = 6;
const SURELY = 10;
/** Shares of landings that settle it, whatever is said: under the one it lies, over the other it stands. */
const LIES = 0.2;
const STANDS = 0.75;

export const rest: Question = {
  key: 'rest',
  name: 'Rests well',
  asks: 'Does it rest as wanted, point up, as long as it lies there?',
  mistake: 'a head that lies on its side in a long pause',
  isAsked: ({ touches, rest: still }) => touches && still >= 0.5,
  // Long rests that were asked for decide; those only supposed, where they are very long.
  isDecisive: ({ rest: still, brief, covers, slope }) =>
    still >= (brief.fishing.rest === undefined ? SURELY : LONG) && covers.length === 0 && slope < 30,
  compute: ({ rest: still, slope, bottoms }) => {
    // The shorter it lies, the less it matters how; by degrees.
    const least = Math.max(0, 0.83 - 0.083 * still);
    // On a stepped wall a head lies on a tread.
    const lies = bottoms.includes('stair-step') ? Math.min(slope, 15) : slope;
    return ({ values, design, isSettled }) => {
      const up = values['rest.hookUp'];
      if (up === undefined) return [];
      const held = Math.min(values['rest.slopeNose'] ?? 90, values['rest.slopeTail'] ?? 90);
      const slides = lies > 8 && lies > held;

      // A tail that stands up shows the bait as well as a point that does.
      const tail = values['rest.tailUp'] ?? 0;
      const stands = Math.max(up, Math.min(1, Math.max(0, (tail - 5) / 30)));
      const share = slides ? 0.15 : stands;
      // A weight that lies in the bait rests as the bait does: without it nothing is known.
      const isOpen = !isSettled && familyOf(design.head.family)?.within === true;
      return [
        {
          score: Math.max(least, share),
          isFirm: !isOpen && (stands <= LIES || stands >= STANDS || slides),
          by: slides ? 'rest.slopeNose' : stands > up ? 'rest.tailUp' : 'rest.hookUp',
          says: () =>
            slides
              ? `It rolls over where the bottom falls by ${marked(lies, 'angle')}; it holds ${marked(held, 'angle')}.`
              : stands > up
                ? `It comes to rest with the tail ${marked(tail, 'angle')} over the bottom.`
                : `${Math.round(100 * up)} in a hundred landings end with the point up.`,
        },
      ];
    };
  },
  changes: (_situation, { design }) => [
    ...(design.eye.angle === 60 ? [] : [toDesign('/eye/angle', 60, 'eye to 60°')]),
    ...(['football', 'standup'] as const)
      .filter((key) => key !== design.head.family)
      .map((key) =>
        toDesign(
          '/head/family',
          key,
          `shape: ${FAMILIES.find((family) => family.key === key)?.name.toLowerCase() ?? key}`,
        ),
      ),
  ],
};
