import { clamp } from '../../numeric/vec.ts';
import { marked } from '../../quantity/phrase.ts';
import { FAMILIES, familyOf } from '../../head/families/index.ts';
import { YES } from '../engine/marks.ts';
import { shapeOf } from '../engine/shapes.ts';
import type { Question } from './question.ts';
import { toDesign } from './question.ts';

/** Cover in which nobody wants a head to stand: it is to come through, and lies where it comes to lie. */
const DENSE = new Set(['grass or reeds', 'matted weed', 'brush and wood']);
/**
 * How much it matters how a head lies that lies for no time, and how much more with every second, up to all
 * of it (working values).
 */
const MATTERS = { at: 0.35, second: 0.065 } as const;
/** Landings with the point up that are no longer a reason. */
const HALF = 0.5;
/** A slope from which a head that does not hold it slides, degrees. */
const SLOPES = 8;
/**
 * Degrees of slope over which it turns from staying to rolling, half of them before what it holds; and what a
 * head is worth that rolls (working values).
 */
const NEARLY = 4;
const ROLLS = 0.15;
/** A slope on which metal slips whatever its shape, degrees: friction on stone and gravel (working value). */
const SLIPS = 40;

/** Rests that are long, s, and that are so long that nobody asks. */
const LONG = 6;
const SURELY = 10;
/** Shares of landings that settle it, whatever is said: under the one it lies, over the other it stands. */
const LIES = 0.2;
const STANDS = 0.75;

/** Whether it rests point up as long as it lies. */
export const rest: Question = {
  key: 'rest',
  name: 'Rests well',
  asks: 'Does it rest as wanted, point up, as long as it lies there?',
  mistake: 'a head that lies on its side in a long pause',
  reads: ['rest.hookUp', 'rest.slopeNose', 'rest.slopeSide', 'rest.slopeTail', 'rest.tailUp'],
  // In cover a head is asked to stand only where the brief wants long rests, and never in what it must come
  // through.
  isAsked: ({ touches, rest: still, covers, brief }) =>
    touches &&
    still >= 0.5 &&
    (covers.length === 0 || ((brief.fishing.rest ?? 0) >= LONG && !covers.some((kind) => DENSE.has(kind)))),
  // Long rests that were asked for decide; those only supposed, where they are very long.
  isOfShape: true,
  isDecisive: ({ rest: still, brief, covers, slope }) =>
    still >= (brief.fishing.rest === undefined ? SURELY : LONG) && covers.length === 0 && slope < 30,
  compute: ({ rest: still, slope, bottoms }) => {
    // The shorter it lies, the less it matters how; by degrees.
    const matters = Math.min(1, MATTERS.at + MATTERS.second * still);
    // On a stepped wall a head lies on a tread.
    const lies = bottoms.includes('stair-step') ? Math.min(slope, 15) : slope;
    return (head) => {
      const { values, design, isSettled } = head;
      const up = values['rest.hookUp'];
      if (up === undefined) return [];
      const held = Math.min(values['rest.slopeNose'] ?? 90, values['rest.slopeTail'] ?? 90);
      // A sole is to stand whichever way it lies on the bank.
      const falls =
        shapeOf(head) === 'standup' && lies > Math.min(held, values['rest.slopeSide'] ?? 90, SLIPS);
      const stays = lies > SLOPES ? clamp(0.5 + (held - lies) / (2 * NEARLY), ROLLS, 1) : 1;

      // A tail that stands up shows the bait as well as a point that does.
      const tail = values['rest.tailUp'] ?? 0;
      const stands = Math.max(up, clamp((tail - 5) / 30, 0, 1));
      // A weight that lies in the bait rests as the bait does: without it nothing is known.
      const isOpen = !isSettled && familyOf(design.head.family)?.within === true;
      const rolls = stays < stands;
      const lain = Math.min(stands, stays);
      const score = falls ? 0 : 1 - matters * (1 - lain);
      return [
        {
          score,
          // A head that is made to stand is nothing where it cannot, however short it lies there.
          isOut: falls,
          isSame: score < YES || lain >= HALF,
          isFirm: !isOpen && (stands <= LIES || stands >= STANDS || rolls),
          by: rolls ? 'rest.slopeNose' : stands > up ? 'rest.tailUp' : 'rest.hookUp',
          says: (side) => {
            if (falls) return `It cannot stand where the bottom falls by ${marked(lies, 'angle')}.`;
            if (side === 'for' && lain < HALF)
              return `It lies still for ${marked(still, 'time')} only: how it lies matters little.`;
            const only = side === 'for' ? '' : 'only ';
            if (rolls)
              return side === 'for'
                ? `It stays where the bottom falls by ${marked(lies, 'angle')}: it holds ${marked(held, 'angle')}.`
                : `It rolls where the bottom falls by ${marked(lies, 'angle')}; it holds ` +
                    `${only}${marked(held, 'angle')}.`;
            return stands > up
              ? `It comes to rest with the tail ${only}${marked(tail, 'angle')} over the bottom.`
              : up < 0.005
                ? 'Hardly a landing in a hundred ends with the point up.'
                : `${side === 'for' ? '' : 'Only '}${Math.round(100 * up)} in a hundred landings end with ` +
                  'the point up.';
          },
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
