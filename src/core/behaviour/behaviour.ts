import type { Rig } from '../assembly/rig.ts';
import type { Metal } from '../material/metals/metal.ts';
import type { Water } from '../material/water.ts';
import type { QuantityKind } from '../quantity/units.ts';
import type { Fishing } from './fishing.ts';

/** What a reading is based on; see docs/readings.md. */
export type ReadingKind = 'measured' | 'geometry' | 'model' | 'index' | 'practice';

/** Where a reading stands on the screens, in their order. */
export const READING_GROUPS = [
  'Weight',
  'In the water',
  'On the bottom',
  'On the line',
  'Hook',
  'Keeper',
  'Guard',
  'Head',
  'Rig',
] as const;
/** A group of readings on the Bench. */
export type ReadingGroup = (typeof READING_GROUPS)[number];

/** What a reading is, whatever its value. It stands once, in the file of the behaviour that gives it. */
export interface ReadingSpec {
  readonly name: string;
  readonly quantity: QuantityKind;
  /** the unit it is stored in */
  readonly unit: string;
  readonly kind: ReadingKind;
  readonly group: ReadingGroup;
  /** formula, in the words of the trade or of the field */
  readonly formula: string;
  /** inputs, assumptions and source */
  readonly note: string;
  /** decimals a plain number bears; other quantities are shown as their unit is */
  readonly decimals?: number;
  /** true where it is worth a line side by side */
  readonly compared?: boolean;
  /** true of the few that decide for or against a head at first sight: they stand first on the Bench */
  readonly decides?: boolean;
}

/** What surrounds a design while it is judged. */
export interface Surroundings {
  readonly water: Water;
  /** depth fallen to, m */
  readonly depth: number;
  /** how it is fished; what is left out takes the usual value */
  readonly fishing?: Partial<Fishing> | undefined;
  /** the metals store; the reference list where absent */
  readonly metals?: readonly Metal[];
  /**
   * leaves out the behaviours that take a moment: while a value is dragged, and for who wants shape and
   * weight alone
   */
  readonly isShort?: boolean;
  /**
   * keys of the only behaviours that are asked; all where absent: for who knows which readings will be looked
   * at
   */
  readonly only?: ReadonlySet<string>;
}

/** Something a maker or buyer should know at once. */
export interface Flag {
  readonly level: 'stop' | 'care' | 'note';
  /** stable name of what is flagged, for code that must know */
  readonly code: string;
  readonly path: string;
  readonly text: string;
  /** the same in a few words, for a narrow place */
  readonly brief?: string;
}

/** A value alone, or with its plausible span, or resting on something else than it usually does. */
export type Value =
  | number
  | {
      readonly value: number;
      readonly range?: readonly [number, number] | undefined;
      readonly kind?: ReadingKind | undefined;
    };

/** A value with the span about it that others of it make: what it would be were its assumptions off. */
export function about(value: number, others: readonly number[]): Exclude<Value, number> {
  const all = [value, ...others.filter(Number.isFinite)];
  return { value, range: [Math.min(...all), Math.max(...all)] };
}

/** Values by reading; one that does not apply is absent. */
export type ValuesOf<R> = { readonly [K in keyof R]?: Value | undefined };

/**
 * One thing a head does, or is, in one file: its readings and how they are found. `needs` says what it costs:
 * what is there at once is computed with every change, the rest a moment later.
 */
export interface Behaviour<
  R extends Readonly<Record<string, ReadingSpec>> = Readonly<Record<string, ReadingSpec>>,
> {
  /** the file's name without its ending */
  readonly key: string;
  readonly readings: R;
  readonly needs: 'at once' | 'a moment later';
  read(rig: Rig, around: Surroundings): ValuesOf<R>;
  /** What is to be said of it; `value` gives any reading found so far, NaN where there is none. */
  flags?(rig: Rig, value: (id: string) => number, around: Surroundings): Flag[];
}

/** Returns a behaviour as it is, its readings’ ids kept as types. */
export const behaviour = <const R extends Readonly<Record<string, ReadingSpec>>>(
  description: Behaviour<R>,
): Behaviour<R> => description;
