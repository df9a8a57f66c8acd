import type { Question } from './question.ts';
import { toDesign } from './question.ts';

/**
 * Decibels over a ball of its size from which a head stands out, and which is the least one sees (working
 * values, no source).
 */
const STANDS_OUT = 6;

/** Whether it is seen on the sounder. */
export const sounder: Question = {
  key: 'sounder',
  name: 'Seen on sounder',
  asks: 'Is it seen on the sounder?',
  mistake: 'a head the sounder hardly shows',
  reads: ['sonar.hanging', 'sonar.index'],
  isAsked: ({ sounder: isWatched }) => isWatched,
  isDecisive: ({ retrieve }) => retrieve === 'vertical',
  compute:
    () =>
    ({ values }) => {
      const index = values['sonar.hanging'] ?? values['sonar.index'];
      if (index === undefined) return [];
      return [
        {
          score: Math.min(1, 0.45 + (0.4 * index) / STANDS_OUT),
          isFirm: false,
          isSame: true,
          by: values['sonar.hanging'] === undefined ? 'sonar.index' : 'sonar.hanging',
          says: (side) =>
            side === 'for'
              ? `As it hangs it shows ${index.toFixed(0)} dB over a ball of its size.`
              : `As it hangs it shows ${index < 0 ? `${(-index).toFixed(0)} dB less than` : `hardly more than`} ` +
                'a ball of its size.',
        },
      ];
    },
  changes: () => [toDesign('/head/family', 'drop', 'shape: flat-spotted drop')],
};
