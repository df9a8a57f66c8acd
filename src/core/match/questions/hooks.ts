import { sureBite } from '../../hook/bite.ts';
import { fishingOf, hookSet } from '../../behaviour/fishing.ts';
import { DRIVES_HOME } from '../../behaviour/strength.ts';
import { GRADES } from '../../hook/chart.ts';
import { surroundingsOf } from '../situation.ts';
import { nearHooks } from './bait.ts';
import { marked } from '../../quantity/phrase.ts';
import type { Found, Question } from './question.ts';
import { toDesign } from './question.ts';

/** Index of penetration from which hooks are known to go in: that of a medium 4/0 on 6 lb (common practice, no source). */
const GOES_IN = 0.24;

export const hooks: Question = {
  key: 'hooks',
  name: 'Hooks up',
  asks: 'Does the point find its hold and go in, on that line and rod?',
  mistake: 'a heavy hook on light line',
  isAsked: () => true,
  isDecisive: () => false,
  isBoth: true,
  compute: (situation) => {
    const pull = hookSet(fishingOf(surroundingsOf(situation)));
    return ({ values, isSettled }) => {
      const found: Found[] = [];
      const wire = values['hook.wire'];
      const guard = values['guard.force'] ?? 0;
      if (wire !== undefined) {
        const reckoned = (pull - guard) / ((Math.PI / 4) * wire * wire * DRIVES_HOME);
        const index = Math.max(0, (isSettled ? values['hook.penetration'] : undefined) ?? reckoned);
        found.push({
          score: Math.min(1, (0.65 * index) / GOES_IN),
          isFirm: true,
          by: 'hook.penetration',
          says: () =>
            index >= GOES_IN
              ? `${marked(pull, 'pull')} at the hook drive wire of ${marked(wire, 'size')} home.`
              : `${marked(pull, 'pull')} at the hook${guard > 0.1 * pull ? `, of which the guard takes ${marked(Math.min(guard, pull), 'pull')},` : ''} are little for wire of ${marked(wire, 'size')}.`,
        });
      }
      const bite = (isSettled ? values['rig.bite'] : undefined) ?? values['hook.biteAboveEye'];
      const gap = values['hook.gap'];
      if (bite !== undefined && gap !== undefined) {
        const ratio = bite / sureBite(gap);
        found.push({
          score: Math.min(1, Math.max(0, 0.15 + 0.75 * ratio)),
          isFirm: true,
          by: isSettled && values['rig.bite'] !== undefined ? 'rig.bite' : 'hook.biteAboveEye',
          says: () =>
            `The point stands ${marked(bite, 'size')} over the eye${ratio < 0.75 ? ': a poor bite' : ''}.`,
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
