import { HOOK_CHART } from '../../hook/chart.ts';
import { chartIndex } from '../../hook/chart.ts';
import { marked } from '../../quantity/phrase.ts';
import type { Plastic } from '../../plastic/schema.ts';
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

/**
 * Gap of the largest hook that leaves a bait its life, mm, by its length, mm: a little less than in proportion, since small baits are fished on
 * hooks that are larger for them. It passes through what is said of single kinds: a 2/0 and no larger in short sticks, a 3/0 a squeeze in 3 in, a
 * 4/0 in 4 in and a 5/0 barely (common practice, no source).
 */
const largestGap = ({ length, height }: Plastic): number =>
  // A deep body takes the hook that goes round it.
  Math.max(0.155 * length * (100 / length) ** 0.25, height);
/** Worth lost with every doubling of the gap beyond that. */
const DEADENS = 2.5;

/** From this on it goes on well. */
const WELL = 0.8;

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
    ({ worn, design, values }) => {
      if (!worn) return [];
      // The size the hook is sold by: a wide gap is wide for other reasons.
      const gap = design.hook.measured
        ? values['hook.gap']
        : HOOK_CHART.find(({ size }) => size === design.hook.size)?.gap;
      const large = gap === undefined ? 0 : gap / largestGap(worn.plastic);
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
              ? `A ${design.hook.size} leaves a bait of ${marked(worn.plastic.length, 'size')} its life.`
              : `A ${design.hook.size} is ${side === 'care' ? 'large' : 'too large'} for a bait of ${marked(worn.plastic.length, 'size')}: it deadens it.`,
        },
      ];
    },
  changes: (_situation, head) => nearHooks(head),
};
