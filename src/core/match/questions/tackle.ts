import { MM_PER_INCH } from '../../quantity/units.ts';
import { lineDiameter } from '../../material/lines.ts';
import { plasticMass } from '../../plastic/body.ts';
import { usualPlastic } from '../../plastic/usual.ts';
import { marked } from '../../quantity/phrase.ts';
import type { Found, Question } from './question.ts';
import { byRatio } from './question.ts';
import { heavier, lighter } from './weights.ts';

/**
 * What is thrown, g, for each kg a line bears, from which it is too much for it; and for each mm² of its
 * thickness, below which it is too little to draw it off the reel: limp braid goes lighter (working values
 * after the common pairings, no source).
 */
const MOST_PER_KG = 9;
const LEAST_PER_MM2 = { nylon: 70, fluorocarbon: 80, braid: 40 } as const;
/** Wind takes a heavier head to cast. */
const WINDS = { calm: 1, breeze: 1.4, strong: 2.2 } as const;
/** What a rod throws, g, from and to (usual labels, from memory). */
const THROWS = {
  'ultra light': [0.6, 8],
  light: [1.5, 12],
  'medium light': [3, 18],
  medium: [5, 28],
  'medium heavy': [8, 45],
  heavy: [12, 90],
} as const;

/** Whether it suits line and rod, and casts. */
export const tackle: Question = {
  key: 'tackle',
  name: 'Suits the tackle',
  asks: 'Does it suit line and rod, and can it be cast?',
  mistake: 'a head the line or the rod cannot throw',
  reads: ['mass.total', 'rig.mass'],
  isAsked: ({ retrieve }) => retrieve !== 'vertical' && retrieve !== 'slow troll',
  isDecisive: () => false,
  compute: (situation) => {
    const { line, hookTest, wind, brief, rod, bait, cast } = situation;
    const grown = plasticMass(usualPlastic(bait.kind, bait.length / MM_PER_INCH));
    const thick = lineDiameter(line.material, line.test);
    const least = LEAST_PER_MM2[line.material] * thick * thick * WINDS[wind] * Math.max(1, cast / 25);
    const most = MOST_PER_KG * hookTest;
    const [rodLeast, rodMost] = THROWS[rod];
    return ({ values }) => {
      const thrown = values['rig.mass'] ?? (values['mass.total'] ?? NaN) + grown;
      if (!Number.isFinite(thrown)) return [];
      const light = least / thrown;
      const heavy = thrown / most;
      const found: Found[] = [
        {
          score: Math.min(byRatio(light, 0.5), byRatio(heavy, 0.5)),
          isFirm: true,
          by: 'rig.mass',
          says: (side) =>
            side !== 'for' && light > heavy
              ? `${marked(thrown, 'mass')} with the bait are little to throw on that line${wind === 'calm' ? '' : ' in that wind'}.`
              : side !== 'for'
                ? `${marked(thrown, 'mass')} with the bait are much for that line.`
                : `${marked(thrown, 'mass')} with the bait go well on that line.`,
        },
      ];
      // A rod is judged only where the brief names one.
      if (brief.rod?.power !== undefined)
        found.push({
          score: Math.min(byRatio(rodLeast / thrown, 0.5), byRatio(thrown / rodMost, 0.5)),
          isFirm: true,
          by: 'mass.total',
          says: (side) =>
            `A ${rod} rod throws ${marked(rodLeast, 'mass')} to ${marked(rodMost, 'mass')}; with the ` +
            `bait it is ${marked(thrown, 'mass')}${side === 'for' ? '' : thrown > rodMost ? ', too much' : ', too little'}.`,
        });
      return found;
    };
  },
  changes: (situation, head) => [...heavier(situation, head).slice(0, 2), ...lighter(head).slice(0, 2)],
};
