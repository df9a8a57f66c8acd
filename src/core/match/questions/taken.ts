import { marked } from '../../quantity/phrase.ts';
import type { Found, Question } from './question.ts';
import { byRatio, toDesign } from './question.ts';
import { lighter } from './weights.ts';

/** A fall that wary or cold fish follow, m/s (working value after common practice, no source). */
const SLOW = 0.95;
/**
 * Height of a head that fish in clear shallow water still take in, mm, at the surface and for each metre
 * under it (working values).
 */
const UNSEEN = 6;
const DEEPER = 0.35;

/** Whether fish will take it. */
export const taken: Question = {
  key: 'taken',
  name: 'Is taken',
  asks: 'Will they take it: its size, its fall, its look?',
  mistake: 'too large in shallow clear water',
  reads: ['fall.speed', 'head.height'],
  isAsked: () => true,
  isDecisive: ({ mood }) => mood === 'wary',
  isBoth: true,
  compute: (situation) => {
    const { mood, cold, clarity, size, water, retrieve } = situation;
    // A slow fall is asked for by degrees: wholly by wary fish, half by cold ones; nobody asks it of what
    // hangs deep.
    const slow =
      retrieve === 'vertical'
        ? 0
        : Math.min(1, (mood === 'wary' ? 1 : 0) + 0.5 * cold) / Math.max(1, water.depth / 6);
    const most = UNSEEN + DEEPER * water.depth;
    const isWatched = clarity === 'clear' && (size === 'panfish' || mood === 'wary');
    return ({ values }) => {
      const found: Found[] = [];
      const fall = values['fall.speed'];
      if (slow > 0 && fall !== undefined)
        found.push({
          score: byRatio(fall / SLOW, 0.75 * slow),
          isFirm: true,
          by: 'fall.speed',
          says: (side) =>
            side !== 'for'
              ? `Falls at ${marked(fall, 'speed')}: ${mood === 'wary' ? 'wary' : 'cold'} fish follow a slower one.`
              : `Falls at ${marked(fall, 'speed')}: slow enough for ${mood === 'wary' ? 'wary' : 'cold'} fish.`,
        });
      const height = values['head.height'];
      if (isWatched && size === 'panfish' && height !== undefined)
        found.push({
          score: byRatio(height / most, 1),
          isFirm: true,
          by: 'head.height',
          says: (side) =>
            side !== 'for'
              ? `A head ${marked(height, 'size')} high is large for clear water of ${marked(water.depth, 'depth')}.`
              : `A head ${marked(height, 'size')} high is small enough for clear water.`,
        });
      return found;
    };
  },
  changes: (_situation, head) => [
    ...lighter(head),
    ...(head.design.head.metal === 'tungsten' ? [] : [toDesign('/head/metal', 'tungsten', 'tungsten')]),
  ],
};
