import fc from 'fast-check';
import { expect, it } from 'vitest';
import { drawingOf } from './drawing.ts';
import { evaluate } from './evaluate.ts';
import { anyDesign } from './wild.test-kit.ts';

/** Whether every number in plain data is a finite one. */
function isSound(value: unknown): boolean {
  if (typeof value === 'number') return Number.isFinite(value);
  if (Array.isArray(value)) return value.every(isSound);
  return typeof value !== 'object' || value === null || Object.values(value).every(isSound);
}

// Two lots of 5,000, so that each can be given its own seed when one fails.
it.each([1, 2])('10,000 random specifications give readings and a drawing without NaN, or a reason: lot %s', () => {
  let readable = 0;
  fc.assert(
    fc.property(anyDesign, (design) => {
      const result = evaluate(design);
      if (!result.ok) {
        return result.problems.length > 0 && result.problems.every(({ message }) => message.length > 20);
      }
      readable++;
      return Object.values(result.readings).every(({ value }) => Number.isFinite(value)) && isSound(drawingOf(result.assembly, 12));
    }),
    { numRuns: 5000 },
  );
  // The ranges are such that a fair share can be built; all-refused would prove nothing.
  expect(readable).toBeGreaterThan(500);
});
