import { marked } from '../../quantity/phrase.ts';
import { familyOf } from '../../head/families/index.ts';
import { shapeOf } from '../engine/shapes.ts';
import type { Question } from './question.ts';
import { toDesign } from './question.ts';

/** A score from which on it surely comes free, and under which it surely does not. */
const SURELY = 0.7;
const NO = 0.35;
/** Cracks that hold a head at all, mm. */
const HOLDS = 6;
/**
 * Angles of the line at which four fifths of a front comes free: at the one anybody frees it, at the other
 * hardly (working values).
 */
const EASY = 55;
const HARD = 95;

/** Whether it stays out of cracks and comes free. */
export const cracks: Question = {
  key: 'cracks',
  name: 'Out of cracks',
  asks: 'Does it stay out of cracks in the stone, and come free?',
  mistake: 'a pointed head on broken rock',
  reads: ['pull.crackWidth', 'pull.jams', 'pull.popFree'],
  isAsked: ({ touches, crack }) => touches && crack >= HOLDS,
  isOfShape: true,
  isDecisive: () => true,
  compute: ({ crack }) => {
    return (head) => {
      const { values } = head;
      const width = values['pull.crackWidth'];
      const frees = values['pull.popFree'];
      if (width === undefined || frees === undefined) return [];
      // Metal within a bait meets no stone. A hinge changes nothing of it: the shape jams as it did.
      const isFirm = familyOf(shapeOf(head))?.within !== true;
      if (values['pull.jams'] === 1 && width < crack)
        return [
          {
            score: 0.1,
            isFirm,
            by: 'pull.jams',
            isSame: true,
            says: () =>
              `Its nose enters cracks from ${marked(width, 'size')} and wedges there; those here are ` +
              `some ${marked(crack, 'size')}.`,
          },
        ];
      const score = Math.min(1, Math.max(0, 1 - (frees - EASY) / (HARD - EASY)));
      return [
        {
          score,
          // Between, the model cannot tell, and what is usual decides.
          isFirm: isFirm && (score >= SURELY || score < NO),
          by: 'pull.popFree',
          isSame: true,
          says: (side) =>
            side === 'for'
              ? `It slides free of what holds it with the line from ${marked(frees, 'angle')} up.`
              : `Held, it slides free only with the line from ${marked(frees, 'angle')} up${side === 'care' ? '' : ', which hardly anybody reaches'}.`,
        },
      ];
    };
  },
  changes: (_situation, { design }) => [
    ...[60, 90]
      .filter((angle) => angle !== design.eye.angle)
      .map((angle) => toDesign('/eye/angle', angle, `eye to ${angle}°`)),
    toDesign('/head/family', 'football', 'shape: football'),
    toDesign('/head/family', 'ball', 'shape: round ball'),
  ],
};
