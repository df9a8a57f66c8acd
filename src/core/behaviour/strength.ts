import { about, behaviour } from './behaviour.ts';
import { fishingOf, hookSet, hookSets } from './fishing.ts';
import { guardForce } from './guard-force.ts';
import { COVER } from '../rigging/limits.ts';
import type { LaidMeasures } from '../rigging/method.ts';
import { coversPoint } from '../rigging/method.ts';
import { methodOf } from '../rigging/methods/index.ts';

/** Pull that a soft plastic over a buried point takes, N for each mm of it (working value, no source). */
const PLASTIC_DRAG = 0.6;
/**
 * Pull over wire section that drives a sharp point home, N/mm²: an index of 1. A medium 4/0 is known to go in
 * on 6 lb line and a medium rod, which is what this comes to (common practice, no source).
 */
export const DRIVES_HOME = 3;

/**
 * Plastic a covered point is pulled through, mm: what of the body fills the gap, for it must give way before
 * the point stands clear; a tip under the skin alone is through most of what a buried one still has over it.
 */
const throughPlastic = ({ fill, cover }: LaidMeasures, gap: number): number =>
  Math.max(0, fill * gap - Math.max(0, COVER.buried - Math.max(0, cover)));

/** What of the hook-set reaches the point. */
export const strength = behaviour({
  key: 'strength',
  needs: 'at once',
  readings: {
    'hook.setPull': {
      name: 'Pull of the hook-set',
      quantity: 'pull',
      unit: 'N',
      kind: 'model',
      group: 'Hook',
      formula: 's / (L/EA + 1/k), at most the drag setting',
      note:
        'A sweep of a metre stretches line and rod in series; the drag slips at its setting. ' +
        'Stiffness of line and power of rod from memory: the span is a quarter either way, of the ' +
        'drag a tenth (working values).',
    },
    'hook.penetration': {
      name: 'Drives home',
      quantity: 'number',
      unit: '1',
      decimals: 2,
      kind: 'index',
      group: 'Hook',
      formula: '(F_set − F_guard − F_plastic) / (A · 3 N/mm²)',
      note:
        'What guard and plastic leave of the pull of the hook-set, over the wire’s section. 1 or ' +
        'more drives a sharp point home, as a medium 4/0 on {6 lb} line and a medium rod does ' +
        '(common practice, no source): compares, does not promise.',
      compared: true,
    },
  },
  read(rig, around) {
    const fishing = fishingOf(around);
    const { measures, hook, bait } = rig;
    const gap = hook.tip[2] - hook.shankLevel - hook.wire;
    const pull = hookSet(fishing);
    const guarded = guardForce(rig)?.force ?? 0;
    const covered =
      bait && coversPoint(methodOf(bait.method)) ? PLASTIC_DRAG * throughPlastic(bait.laid, gap) : 0;
    const left = Math.max(0, pull - guarded - covered);
    const section = (Math.PI / 4) * measures.wire ** 2;
    return {
      'hook.setPull': about(pull, hookSets(fishing)),
      'hook.penetration': left / (section * DRIVES_HOME),
    };
  },
});
