import type { Brief } from '../../document/brief.ts';
import { KILOGRAMS_PER_POUND, METRES_PER_FOOT, MM_PER_INCH, GRAMS_PER_OUNCE } from '../../quantity/units.ts';
import type { Expected } from './expected.test-kit.ts';
import type { Head } from '../engine/head.ts';
import { shapeOf } from '../engine/shapes.ts';

/** A situation of the trade, what leads in it, and what must not. */
export interface Practice extends Expected {
  readonly key: string;
  readonly brief: Brief;
  /** what no head among the first ten may be */
  readonly not?: (head: Head) => boolean;
}

export interface Said extends Expected {
  readonly not?: Practice['not'];
}

export const water = (feet: number, more: Partial<Brief['water']> = {}): Brief['water'] => ({
  kind: 'fresh',
  depth: feet * METRES_PER_FOOT,
  ...more,
});
export const line = (material: Brief['line']['material'], pounds: number): Brief['line'] => ({
  material,
  test: pounds * KILOGRAMS_PER_POUND,
});
export const bait = (kind: Brief['bait']['kind'], inches: number): Brief['bait'] => ({
  kind,
  length: inches * MM_PER_INCH,
});
export const on = (...kinds: Brief['bottom']['kinds']): Brief['bottom'] => ({ kinds });
export const through = (
  kinds: Brief['cover']['kinds'],
  density?: NonNullable<Brief['cover']['density']>,
): Brief['cover'] => ({ kinds, ...(density ? { density } : {}) });
export const OPEN = through([]);

export const practice = (
  key: string,
  brief: Omit<Brief, 'format' | 'version' | 'name'>,
  said: Said,
): Practice => ({
  key,
  brief: { format: 'fern-anvil/brief', version: 2, name: key, ...brief },
  ...said,
});

const oz = ({ values }: Head) => (values['mass.metal'] ?? NaN) / GRAMS_PER_OUNCE;
/** A weight in ounces, a fifth either way: the next that is sold. */
export const ounces = (from: number, to: number) => (head: Head) =>
  oz(head) >= from * 0.8 && oz(head) <= to * 1.25;
export const isHinged = ({ design }: Head) => design.hook.joint !== undefined;
export const isHeavyWire = ({ design }: Head) => /^[23]X strong/.test(design.hook.grade);
export const is =
  (...shapes: readonly string[]) =>
  (head: Head) =>
    shapes.includes(shapeOf(head));
export const both =
  (...tests: readonly ((head: Head) => boolean)[]) =>
  (head: Head) =>
    tests.every((test) => test(head));

export const SLIM = ['oval', 'pointed', 'hooded', 'wedge'];
export const ODD = ['drop', 'glider', 'dart', 'roller'];
