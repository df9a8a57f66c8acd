import { clamp } from '../../numeric/vec.ts';
import { marked } from '../../quantity/phrase.ts';
import { outside, usualWindow } from '../engine/window.ts';
import type { Found, Question } from './question.ts';
import { byRatio } from './question.ts';
import { leastFor } from './least.ts';
import { fitting, soldFrom, soldWithin } from './weights.ts';

/**
 * A head that weighs just what holds is a fair answer; a tenth more is a good one, and a doubling counts for
 * more than a whole step.
 */
const JUST = 0.7;
const STEEP = 1.1;
/** Times the weight that just holds from which it holds with ease: then the figure tells nobody anything. */
const AMPLE = 3;

/** Whether it keeps the bottom or the depth, and is no heavier than it need be. */
export const hold: Question = {
  key: 'hold',
  name: 'Right weight',
  asks: 'Does it keep the bottom or hold the depth, and is it no heavier than it must be?',
  mistake: 'a weight that does not hold, or is far more than it must be',
  reads: ['mass.metal', 'mass.submerged', 'rig.submerged', 'retrieve.dragArea'],
  isAsked: () => true,
  isDecisive: () => true,
  compute: (situation) => {
    const usual = usualWindow(situation);
    const least = leastFor(situation);
    const keeps = situation.touches ? 'the bottom' : 'its place';
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
          says: (side) =>
            side === 'for'
              ? metal > AMPLE * held
                ? `Keeps ${keeps} with weight to spare.`
                : `Keeps ${keeps}: ${marked(soldFrom(held), 'mass')} of this shape would do, it has ` +
                  `${marked(metal, 'mass')}.`
              : `${side === 'care' ? 'Just lifts off' : 'Lifts off'}: at this speed and current it takes ` +
                `${marked(soldFrom(held), 'mass')} of this shape, it has ${marked(metal, 'mass')}.`,
        });
      // What the water asks goes before what is usual: the window is raised to it, never cut by it.
      const window = {
        least: Math.max(usual.least, (held ?? 0) * 0.9),
        most: Math.max(usual.most, (held ?? 0) * 2.2),
      };
      const ratio = outside(metal, window);
      found.push({
        score: byRatio(ratio, 0.7),
        isFirm: true,
        by: 'mass.metal',
        says: (side) => {
          const [from, to] = soldWithin(window);
          const isOne = from === to;
          if (ratio <= 1 && isOne) return `${marked(metal, 'mass')} is what is usual ${usual.what}.`;
          const span = isOne
            ? `${marked(from, 'mass')} that is usual ${usual.what}`
            : `${marked(from, 'mass')} to ${marked(to, 'mass')} that are usual ${usual.what}`;
          if (ratio <= 1) return `${marked(metal, 'mass')} lies in the ${span}.`;
          const much = metal < window.least ? 'lighter' : 'heavier';
          return side === 'for'
            ? `${marked(metal, 'mass')} is close to the ${span}.`
            : `${marked(metal, 'mass')} is ${side === 'care' ? 'somewhat ' : 'far '}${much} than the ${span}.`;
        },
      });
      return found;
    };
  },
  changes: fitting,
};
