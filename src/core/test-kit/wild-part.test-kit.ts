import fc from 'fast-check';
import { expect, it } from 'vitest';
import { isWhole } from './runs.ts';
import { drawingOf } from '../plate/drawing.ts';
import { evaluate, PLAIN_WATER } from '../judge/evaluate.ts';
import { anyDesign } from './wild.test-kit.ts';

/** Whether every number in plain data is a finite one. */
function isSound(value: unknown): boolean {
  if (typeof value === 'number') return Number.isFinite(value);
  if (Array.isArray(value)) return value.every(isSound);
  return typeof value !== 'object' || value === null || Object.values(value).every(isSound);
}

/** Random specifications in one check: few enough that none nears its time limit on a busy machine. */
const PART = 250;
/**
 * Parts of each of the two files they run in side by side: 4,000 specifications before a change lands, drawn
 * anew each time, 500 every day.
 */
const PARTS = isWhole ? 8 : 1;

/** Random specifications give readings and a drawing without NaN, or a reason: half of them. */
export function wildHalf(): void {
  const parts = Array.from({ length: PARTS }, (_, i) => i + 1);
  it.each(parts)(
    `${PART} random specifications give readings and a drawing without NaN, or a reason: part %i of ${PARTS}`,
    () => {
      let [readable, hinged, featured] = [0, 0, 0];
      fc.assert(
        fc.property(anyDesign, (design) => {
          // As while it is dragged: what is asked here is only that figures are figures.
          const result = evaluate(design, { ...PLAIN_WATER, isShort: true });
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
        { numRuns: PART },
      );
      // The ranges are such that a fair share can be built; all-refused would prove nothing.
      expect(readable).toBeGreaterThan(PART / 12);
      expect(hinged).toBeGreaterThan(0);
      expect(featured).toBeGreaterThan(0);
    },
  );
}
