import { clamp } from '../../numeric/vec.ts';
import { marked } from '../../quantity/phrase.ts';
import { outside, usualWindow } from '../window.ts';
import type { Found, Question } from './question.ts';
import { byRatio } from './question.ts';
import { leastFor } from './least.ts';
import { fitting, nearestSold } from './weights.ts';

/** A head that weighs just what holds is a fair answer; a tenth more is a good one, and a doubling counts for more than a whole step. */
const JUST = 0.7;
const STEEP = 1.1;

export const hold: Question = {
  key: 'hold',
  name: 'Right weight',
  asks: 'Does it keep the bottom or hold the depth, and is it no heavier than it must be?',
  mistake: 'a weight that does not hold, or is far more than it must be',
  isAsked: () => true,
  isDecisive: () => true,
  compute: (situation) => {
    const usual = usualWindow(situation);
    const least = leastFor(situation);
    return (head) => {
      const metal = head.values['mass.metal'];
      if (metal === undefined) return [];
      const held = least(head);
      const found: Found[] = [];
      if (held !== undefined && held > 0.02)
        found.push({
          score: clamp(JUST + STEEP * Math.log2(metal / held), 0, 1),
          isFirm: true,
          by: 'retrieve.leastWeight',
          says: () =>
            metal >= held
              ? `Keeps the bottom: ${marked(held, 'mass')} of this shape would just do, it has ${marked(metal, 'mass')}.`
              : `Lifts off: at this speed and current it takes ${marked(held, 'mass')} of this shape, it has ${marked(metal, 'mass')}.`,
        });
      // What the water asks goes before what is usual: the window is raised to it, never cut by it.
      const window = {
        least: Math.max(usual.least, (held ?? 0) * 0.9),
        most: Math.max(usual.most, (held ?? 0) * 2.2),
      };
      const ratio = outside(metal, window);
      found.push({
        score: byRatio(ratio, 0.62),
        isFirm: true,
        by: 'mass.metal',
        says: () => {
          const span = `${marked(nearestSold(window.least), 'mass')} to ${marked(nearestSold(window.most), 'mass')}`;
          // A weight that is sold as the end of a window is in it.
          if (ratio <= 1.06)
            return `${marked(metal, 'mass')} lies in the ${span} that are usual ${usual.what}.`;
          const much = metal < window.least ? 'lighter' : 'heavier';
          return `${marked(metal, 'mass')} is ${much} than the ${span} that are usual ${usual.what}.`;
        },
      });
      return found;
    };
  },
  changes: fitting,
};
