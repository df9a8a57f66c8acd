import { guardInitial } from '../../fitting/guards/index.ts';
import { pointState } from '../engine/head.ts';
import type { Question } from './question.ts';
import { toDesign, toMethod } from './question.ts';

/** Fan that is tried where a guard is too stiff, degrees. */
const FANNED = 45;

/** Whether the point is guarded or buried where it must be. */
export const point: Question = {
  key: 'point',
  name: 'Point kept',
  asks: 'Is the point guarded or buried where it must be, and bare where it can be?',
  mistake: 'a bare point in cover, or a guarded one in open water',
  isAsked: () => true,
  isDecisive: ({ covers, density }) =>
    density !== 'thin' &&
    covers.some((kind) => ['grass or reeds', 'matted weed', 'brush and wood'].includes(kind)),
  changes: (_situation, head) => {
    const { design } = head;
    if (pointState(head) === 'bare')
      return [
        toMethod('skin', 'only the tip under the skin'),
        toMethod('buried', 'bury the point'),
        toDesign('/guard', guardInitial('fibre'), 'a fibre guard'),
        toDesign('/guard', guardInitial('twin wire'), 'a guard of two wires'),
      ];
    if (design.guard.kind === 'none') return [toMethod('threaded', 'leave the point bare')];
    return [
      ...('fan' in design.guard ? [toDesign('/guard/fan', FANNED, `fan the guard to ${FANNED}°`)] : []),
      ...('trimmed' in design.guard ? [toDesign('/guard/trimmed', true, 'trim the guard to the point')] : []),
      toDesign('/guard', guardInitial('none'), 'no guard'),
    ];
  },
};
