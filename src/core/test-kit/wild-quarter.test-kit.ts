import fc from 'fast-check';
import { expect } from 'vitest';
import { drawingOf } from '../plate/drawing.ts';
import { evaluate } from '../judge/evaluate.ts';
import { anyDesign } from './wild.test-kit.ts';

/** Whether every number in plain data is a finite one. */
function isSound(value: unknown): boolean {
  if (typeof value === 'number') return Number.isFinite(value);
  if (Array.isArray(value)) return value.every(isSound);
  return typeof value !== 'object' || value === null || Object.values(value).every(isSound);
}

/** Time for a quarter on a machine busy with other things, ms: it is against hanging, not a claim of speed. */
export const UNHURRIED = 1_200_000;

/** A quarter of 10,000 random specifications: four files, so that they run side by side and none nears its time limit. */
export function wildQuarter(): void {
  let [readable, hinged, featured] = [0, 0, 0];
  fc.assert(
    fc.property(anyDesign, (design) => {
      const result = evaluate(design);
      if (!result.ok) {
        return result.problems.length > 0 && result.problems.every(({ message }) => message.length > 20);
      }
      readable++;
      if (design.hook.joint) hinged++;
      if (Object.keys(design.head.features ?? {}).length > 0) featured++;
      return (
        Object.values(result.readings).every(({ value }) => Number.isFinite(value)) &&
        isSound(drawingOf(result.rig, 12))
      );
    }),
    { numRuns: 2500 },
  );
  // The ranges are such that a fair share can be built; all-refused would prove nothing.
  expect(readable).toBeGreaterThan(250);
  expect(hinged).toBeGreaterThan(25);
  expect(featured).toBeGreaterThan(25);
}
