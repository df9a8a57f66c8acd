import { fishingOf } from '../../behaviour/fishing.ts';
import { GRAVITY } from '../../material/water.ts';
import { GRADES } from '../../hook/chart.ts';
import { JOINTS } from '../../hook/joints/index.ts';
import { clamp } from '../../numeric/vec.ts';
import { YES } from '../engine/marks.ts';
import { marked } from '../../quantity/phrase.ts';
import { surroundingsOf } from '../engine/situation.ts';
import { nearHooks } from './bait.ts';
import type { Question } from './question.ts';
import { toDesign } from './question.ts';

/**
 * A hook that opens for good just where the drag slips is a fair answer; by so much it gains with every
 * doubling (working value).
 */
const STEEP = 0.36;

/** Whether the hook bears the fish. */
export const lands: Question = {
  key: 'lands',
  name: 'Lands the fish',
  asks: 'Does the hook bear the drag, and does the fish get no leverage to throw it?',
  mistake: 'a hook that opens before the drag slips',
  reads: ['hook.openingLoad'],
  isAsked: () => true,
  isDecisive: ({ size }) => size === 'large',
  isBoth: true,
  compute: (situation) => {
    const { brake } = fishingOf(surroundingsOf(situation));
    const slips = brake * situation.hookTest * GRAVITY;
    return ({ values }) => {
      const opens = values['hook.openingLoad'];
      if (opens === undefined) return [];
      return [
        {
          score: clamp(YES + STEEP * Math.log2(opens / slips), 0, 1),
          isFirm: true,
          by: 'hook.openingLoad',
          says: (side) =>
            side === 'for'
              ? `The drag, set to three tenths of that line, slips at ${marked(slips, 'pull')}, before the ` +
                `hook opens at ${marked(opens, 'pull')}.`
              : `The hook opens at ${marked(opens, 'pull')}${side === 'care' ? ', somewhat' : ', well'} ` +
                `before the drag slips at ${marked(slips, 'pull')}, three tenths of that line.`,
        },
      ];
    };
  },
  changes: (_situation, head) => {
    const { hook } = head.design;
    const at = GRADES.indexOf(hook.grade);
    const stronger = GRADES[at + 1];
    return [
      ...(stronger === undefined ? [] : [toDesign('/hook/grade', stronger, `${stronger} wire`)]),
      ...nearHooks(head),
      ...(hook.joint ? [] : [toDesign('/hook/joint', { kind: JOINTS[0]?.key, size: 4 }, 'a hinge')]),
    ];
  },
};
