import { fishingOf } from '../../behaviour/fishing.ts';
import { GRAVITY } from '../../material/water.ts';
import { GRADES } from '../../hook/chart.ts';
import { JOINTS } from '../../hook/joints/index.ts';
import { marked } from '../../quantity/phrase.ts';
import { surroundingsOf } from '../situation.ts';
import { nearHooks } from './bait.ts';
import type { Question } from './question.ts';
import { toDesign } from './question.ts';

/** The brake over what opens the hook at which a fish is even; a yes is from twice as much on. */
const EVEN = 0.5;

export const lands: Question = {
  key: 'lands',
  name: 'Lands the fish',
  asks: 'Does the hook bear the brake, and the fish get no lever to throw it?',
  mistake: 'a hook that opens before the brake slips',
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
          score: Math.min(1, Math.max(0, 0.4 + 0.36 * Math.log2(opens / slips / EVEN))),
          isFirm: true,
          by: 'hook.openingLoad',
          says: () =>
            `The hook opens at ${marked(opens, 'pull')}; the brake at three tenths of that line slips at ${marked(slips, 'pull')}.`,
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
