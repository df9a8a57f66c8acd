import { chartIndex, HOOK_CHART, soldGap } from '../../hook/chart.ts';
import { marked } from '../../quantity/phrase.ts';
import { hookSizeLimits } from '../../rigging/limits.ts';
import { methodOf } from '../../rigging/methods/index.ts';
import { carries } from '../carries.ts';
import type { Head } from '../head.ts';
import type { Question } from './question.ts';
import { byRatio, toDesign } from './question.ts';

/** The next hook sizes of the chart, nearest first. */
export function nearHooks({ design }: Head) {
  const own = chartIndex(design.hook.size);
  return [-1, 1, -2, 2, -3, 3].flatMap((step) => {
    const size = HOOK_CHART[own + step]?.size;
    return size === undefined ? [] : [toDesign('/hook/size', size, `hook ${design.hook.size} → ${size}`)];
  });
}

/** Worth lost with every doubling of the gap beyond that. */
const DEADENS = 2.5;

/** From this on it goes on well. */
const WELL = 0.8;

export const bait: Question = {
  key: 'bait',
  name: 'Carries the bait',
  asks: 'Does the bait go on it, by the best method, with the right hook?',
  mistake: 'a hook too large or too small for the bait',
  reads: ['hook.gap'],
  isAsked: () => true,
  isDecisive: () => true,
  isBoth: true,
  isFit: true,
  compute:
    () =>
    ({ worn, design, values }) => {
      if (!worn) return [];
      const gap = soldGap(design.hook) ?? values['hook.gap'];
      const { length } = worn.plastic;
      const large = gap === undefined ? 0 : gap / length / hookSizeLimits(worn.plastic).good[1];
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
        {
          score: byRatio(large, DEADENS),
          isFirm: true,
          by: 'hook.gap',
          says: (side) =>
            side === 'for'
              ? `A ${design.hook.size} leaves a bait of ${marked(length, 'size')} its life.`
              : `A ${design.hook.size} is ${side === 'care' ? 'large' : 'too large'} for a bait of ${marked(length, 'size')}: it deadens it.`,
        },
      ];
    },
  changes: (_situation, head) => nearHooks(head),
};
