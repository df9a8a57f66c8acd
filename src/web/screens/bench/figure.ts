import type { Vec2 } from '../../../core/numeric/index.ts';
import type { Dimension } from '../../../core/plate/index.ts';

/**
 * Breadth of a figure's character and height of its line, px: the plate's 12 px figures, a little generous.
 */
const CHARACTER = 5.7;
const LINE = 13;

/**
 * Lines a dimension's figure is written in: beside an upright line the second unit system goes below the
 * first.
 */
export const figureLines = (text: string, upright: boolean): string[] =>
  upright ? text.split(/ (?=\[)/) : [text];

/** Room a figure takes, px. */
export function figureSize(text: string, upright: boolean): { readonly wide: number; readonly high: number } {
  const lines = figureLines(text, upright);
  return { wide: Math.max(...lines.map((line) => line.length)) * CHARACTER, high: lines.length * LINE };
}

/** A dimension's line on the sheet, px: between a and b, running at a y (level) or an x (upright). */
export interface Run {
  readonly a: Vec2;
  readonly b: Vec2;
  readonly at: number;
  readonly upright: boolean;
  readonly stands: Dimension['stands'];
  /** the figure is too long to stand in it */
  readonly short: boolean;
}

/** Where a figure stands, px: `x` of its anchor, `y` of its middle. */
export interface Figure {
  readonly x: number;
  readonly y: number;
  readonly anchor: 'start' | 'middle' | 'end';
}

/** Distance of a figure from an upright line it stands beside, px. */
export const BESIDE = 6;

/**
 * A figure stands in the middle of its line; of one too short for it, past the right end, or beside an
 * upright line, away from the view.
 */
export function figureAt({ a, b, at, upright, stands, short }: Run): Figure {
  if (!upright)
    return short
      ? { x: Math.max(a[0], b[0]) + 10, y: at, anchor: 'start' }
      : { x: (a[0] + b[0]) / 2, y: at, anchor: 'middle' };
  const y = (a[1] + b[1]) / 2;
  if (!short) return { x: at, y, anchor: 'middle' };
  return stands === 'left' ? { x: at - BESIDE, y, anchor: 'end' } : { x: at + BESIDE, y, anchor: 'start' };
}
