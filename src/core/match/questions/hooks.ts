import { leftLength } from '../../plastic/body.ts';
import { sureBite } from '../../hook/bite.ts';
import { fishingOf, hookSet } from '../../behaviour/fishing.ts';
import { DRIVES_HOME } from '../../behaviour/strength.ts';
import { GRADES } from '../../hook/chart.ts';
import { surroundingsOf } from '../engine/situation.ts';
import { nearHooks } from './bait.ts';
import { clamp } from '../../numeric/vec.ts';
import { marked } from '../../quantity/phrase.ts';
import { NO, YES } from '../engine/marks.ts';
import type { Found, Question } from './question.ts';
import { byRatio, toDesign } from './question.ts';

/**
 * Size of a head’s face over the gap of its hook up to which the point reaches past its face, and what is
 * lost with every doubling beyond (working values).
 */
const BLUNT = 1.3;
const DULLS = 0.5;
/**
 * Share of a bait from its face back to the point at which fish that strike short still meet it, and what
 * more or less of it is worth (working values, no source): they take the last of a bait, which a point far
 * forward misses.
 */
const BACK = 0.18;
const FARTHER = 2.5;
/**
 * Line on which a blunt face costs hook-ups wholly, and from which it does not, kg: 6 and 12 lb (common
 * practice, no source).
 */
const LIGHT = 2.7;
const NOT_LIGHT = 5.4;

/** Whether the point finds its hold on that line and rod. */
export const hooks: Question = {
  key: 'hooks',
  name: 'Hooks up',
  asks: 'Does the point find its hold and go in, on that line and rod?',
  mistake: 'a heavy hook on light line',
  reads: [
    'guard.force',
    'hook.biteAboveEye',
    'hook.gap',
    'hook.penetration',
    'hook.wire',
    'rig.bite',
    'rig.reach',
    'head.height',
    'head.breadth',
  ],
  isAsked: () => true,
  isDecisive: () => false,
  isBoth: true,
  compute: (situation) => {
    const pull = hookSet(fishingOf(surroundingsOf(situation)));
    const strikesShort = situation.mood === 'short-striking';
    // On light line a blunt face costs more, by degrees: wholly on 6 lb, not at all on 12.
    const light = clamp((NOT_LIGHT - situation.hookTest) / (NOT_LIGHT - LIGHT), 0, 1);
    return ({ design, values, worn, isSettled }) => {
      const found: Found[] = [];
      const wire = values['hook.wire'];
      const guard = values['guard.force'] ?? 0;
      if (wire !== undefined) {
        const reckoned = (pull - guard) / ((Math.PI / 4) * wire * wire * DRIVES_HOME);
        const index = Math.max(0, (isSettled ? values['hook.penetration'] : undefined) ?? reckoned);
        found.push({
          score: Math.min(1, YES * index),
          isFirm: true,
          by: 'hook.penetration',
          says: (side) =>
            side === 'for'
              ? `${marked(pull, 'pull')} at the hook drive wire of ${marked(wire, 'size')} home.`
              : `${marked(pull, 'pull')} at the hook${guard > 0.1 * pull ? `, of which the guard takes ${marked(Math.min(guard, pull), 'pull')},` : ''} ` +
                `are little for wire of ${marked(wire, 'size')}.`,
        });
      }
      const bite = (isSettled ? values['rig.bite'] : undefined) ?? values['hook.biteAboveEye'];
      const gap = values['hook.gap'];
      // A swinging hook turns on its joint: where the eye of the head stands says nothing of it.
      if (bite !== undefined && gap !== undefined && !design.hook.joint) {
        const ratio = bite / sureBite(gap);
        found.push({
          // A point no higher than the eye is barely one; below it the line is in its way.
          score: Math.min(1, Math.max(0, NO + 0.45 * ratio)),
          isFirm: true,
          by: isSettled && values['rig.bite'] !== undefined ? 'rig.bite' : 'hook.biteAboveEye',
          says: (side) =>
            `The point stands ${side === 'for' ? '' : 'only '}${marked(bite, 'size')} over the ` +
            `eye${side === 'against' ? ': a poor bite' : ''}.`,
        });
      }
      const [height, breadth] = [values['head.height'], values['head.breadth']];
      if (light > 0 && height !== undefined && breadth !== undefined && gap !== undefined) {
        const face = Math.sqrt(height * breadth);
        found.push({
          score: 1 - light * (1 - byRatio(face / (BLUNT * gap), DULLS)),
          isFirm: true,
          by: 'head.breadth',
          says: (side) =>
            side === 'for'
              ? `A face about ${marked(face, 'size')} across lets the point reach on light line.`
              : `A face about ${marked(face, 'size')} across before a gap of ${marked(gap, 'size')} costs ` +
                'hook-ups on light line.',
        });
      }
      const reach = isSettled ? values['rig.reach'] : undefined;
      if (strikesShort && worn && reach !== undefined) {
        const length = leftLength(worn.plastic);
        found.push({
          score: clamp(YES + FARTHER * (reach / length - BACK), 0, 1),
          isFirm: true,
          by: 'rig.reach',
          says: (side) =>
            side === 'for'
              ? `The point stands ${marked(reach, 'size')} behind the bait’s face, of ${marked(length, 'size')}: ` +
                'far enough back for fish that strike short.'
              : `The point stands ${marked(reach, 'size')} behind the bait’s face, of ${marked(length, 'size')}: ` +
                'fish that strike short take what is behind it.',
        });
      }
      return found;
    };
  },
  changes: (_situation, head) => {
    const at = GRADES.indexOf(head.design.hook.grade);
    const finer = GRADES[at - 1];
    return [
      ...(finer === undefined ? [] : [toDesign('/hook/grade', finer, `${finer} wire`)]),
      ...('fan' in head.design.guard ? [toDesign('/guard/fan', 45, 'fan the guard to 45°')] : []),
      ...('trimmed' in head.design.guard
        ? [toDesign('/guard/trimmed', true, 'trim the guard to the point')]
        : []),
      ...nearHooks(head),
    ];
  },
};
