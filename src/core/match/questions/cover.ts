import type { Question } from './question.ts';
import { toDesign } from './question.ts';

/** Cover of upright stems, which the sweep of a face sheds. */
const STEMS = ['sparse weed', 'grass or reeds', 'matted weed'];
/** Share of the face that sheds under which it gathers whatever stands there. */
const GATHERS = 0.5;

/** Whether it comes through the cover. */
export const cover: Question = {
  key: 'cover',
  name: 'Comes through',
  asks: 'Does it come through the cover?',
  mistake: 'a broad head in weed or branches',
  reads: ['pull.shedding'],
  isAsked: ({ covers }) => covers.length > 0,
  isOfShape: true,
  isDecisive: () => true,
  compute: ({ covers }) => {
    if (!covers.some((kind) => STEMS.includes(kind))) return () => [];
    return ({ values }) => {
      const share = values['pull.shedding'];
      if (share === undefined) return [];
      return [
        {
          score: share < GATHERS ? 0.15 : Math.min(0.95, 0.35 + (share - GATHERS) * 1.2),
          isFirm: share < GATHERS,
          by: 'pull.shedding',
          isSame: true,
          says: (side) =>
            `${side === 'for' ? '' : 'Only '}${Math.round(100 * share)} in a hundred of its breadth ` +
            `lets a stem slide off${side === 'for' ? '' : ': the rest gathers it'}.`,
        },
      ];
    };
  },
  changes: ({ covers }) =>
    covers.includes('brush and wood')
      ? [
          toDesign('/head/family', 'oval', 'shape: slim oval'),
          toDesign('/head/family', 'wedge', 'shape: rounded wedge'),
        ]
      : [
          toDesign('/head/family', 'pointed', 'shape: pointed cone'),
          toDesign('/head/family', 'oval', 'shape: slim oval'),
        ],
};
