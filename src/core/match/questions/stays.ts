import { keeperInitial } from '../../fitting/keepers/index.ts';
import type { Question } from './question.ts';
import { toDesign } from './question.ts';

/** Whether the plastic stays where it was put. */
export const stays: Question = {
  key: 'stays',
  name: 'Bait stays put',
  asks: 'Does the plastic stay where it was put?',
  mistake: 'a keeper that lets the bait slide in cover',
  isAsked: () => true,
  isDecisive: () => false,
  changes: (_situation, { design }) =>
    (['wire', 'screw', 'collar', 'barbs'] as const)
      .filter((kind) => kind !== design.keeper.kind)
      .map((kind) => toDesign('/keeper', keeperInitial(kind), `keeper: ${kind}`)),
};
