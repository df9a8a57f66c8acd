import { marked } from '../../quantity/phrase.ts';
import type { Question } from './question.ts';
import { byRatio, toDesign } from './question.ts';
import { heavier } from './weights.ts';

/** A fall that takes no longer is quick enough for anybody, s (working value, no source). */
const QUICK = 12;

/** Whether it reaches the depth. */
export const depth: Question = {
  key: 'depth',
  name: 'Gets down',
  asks: 'Does it reach the depth?',
  mistake: 'a head that never gets down',
  reads: ['fall.speed', 'fall.timeToDepth', 'mass.submerged', 'rig.submerged'],
  isAsked: () => true,
  isDecisive: ({ water, retrieve }) => water.depth >= 12 || retrieve === 'vertical',
  compute:
    ({ water }) =>
    ({ values, isSettled }) => {
      const sunk = values['rig.submerged'] ?? values['mass.submerged'];
      if (sunk !== undefined && sunk <= 0)
        return [{ score: 0, isFirm: true, by: 'mass.submerged', says: () => 'It floats.' }];
      const speed = values['fall.speed'];
      if (!speed) return [];
      const time = isSettled ? (values['fall.timeToDepth'] ?? water.depth / speed) : water.depth / speed;
      return [
        {
          score: byRatio(time / QUICK, 0.35),
          isFirm: true,
          by: 'fall.timeToDepth',
          says: (side) =>
            side === 'for'
              ? `Down to ${marked(water.depth, 'depth')} in ${marked(time, 'time')}.`
              : `Takes ${marked(time, 'time')} down to ${marked(water.depth, 'depth')}${side === 'care' ? '' : ': too long'}.`,
        },
      ];
    },
  changes: (situation, head) => [
    ...heavier(situation, head),
    toDesign('/head/metal', 'tungsten', 'tungsten'),
  ],
};
