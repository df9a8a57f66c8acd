import { chartIndex, HOOK_CHART } from '../../hook/chart.ts';
import { methodOf } from '../../rigging/methods/index.ts';
import { carries } from '../engine/carries.ts';
import type { Head } from '../engine/head.ts';
import type { Question } from './question.ts';
import { toDesign } from './question.ts';

/** The next hook sizes of the chart, nearest first. */
export function nearHooks({ design }: Head) {
  const own = chartIndex(design.hook.size);
  return [-1, 1, -2, 2, -3, 3].flatMap((step) => {
    const size = HOOK_CHART[own + step]?.size;
    return size === undefined ? [] : [toDesign('/hook/size', size, `hook ${design.hook.size} → ${size}`)];
  });
}

/** From this on it goes on well. */
const WELL = 0.8;

/** Whether the bait goes on, by the best method. */
export const bait: Question = {
  key: 'bait',
  name: 'Carries the bait',
  asks: 'Does the bait go on it, by the best method, with the right hook?',
  mistake: 'a hook too large or too small for the bait',
  isAsked: () => true,
  isDecisive: () => true,
  isBoth: true,
  isFit: true,
  compute:
    () =>
    ({ worn }) => {
      if (!worn) return [];
      const { score, why } = carries(worn.pairing);
      const way = methodOf(worn.pairing.method).name;
      return [
        {
          score,
          isFirm: true,
          by: 'fit',
          says: (side) =>
            side === 'for'
              ? `${worn.plastic.name} goes on${score >= WELL ? ' well' : ''}, ${way}.`
              : side === 'care'
                ? `${worn.plastic.name}, ${way}: ${why ?? 'a way it is seldom put on.'}`
                : `${worn.plastic.name} does not go on it; the nearest is ${way}: ${why ?? 'a way it is seldom put on.'}`,
        },
      ];
    },
  changes: (_situation, head) => nearHooks(head),
};
