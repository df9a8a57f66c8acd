import type { Question } from './question.ts';
import { toDesign } from './question.ts';

/** Whether the eye leads it as it is fished. */
export const eye: Question = {
  key: 'eye',
  name: 'Eye leads',
  asks: 'Does the eye lead it as it is fished: its angle and its plane?',
  mistake: 'an eye that pulls the head into what it should climb',
  isAsked: () => true,
  // On a line from above the eye alone says how it hangs, and how it falls between snaps.
  isDecisive: ({ retrieve }) => retrieve === 'vertical' || retrieve === 'snap',
  changes: (_situation, { design }) => [
    toDesign(
      '/eye/plane',
      design.eye.plane === 'crosswise' ? 'in line' : 'crosswise',
      design.eye.plane === 'crosswise' ? 'eye in line with the hook' : 'eye crosswise',
    ),
    ...[60, 45, 30, 90, 20]
      .sort((a, b) => Math.abs(a - design.eye.angle) - Math.abs(b - design.eye.angle))
      .filter((angle) => Math.abs(angle - design.eye.angle) >= 5)
      .map((angle) => toDesign('/eye/angle', angle, `eye to ${angle}°`)),
  ],
};
