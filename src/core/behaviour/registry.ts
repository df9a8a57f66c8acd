import { isKeyOf } from '../kind/keys.ts';
import type { Behaviour, ReadingKind, ReadingSpec, Value } from './behaviour.ts';
import { cost } from './cost.ts';
import { eye } from './eye.ts';
import { falling } from './fall.ts';
import { fit } from './fit.ts';
import { guard } from './guard.ts';
import { hang } from './hang.ts';
import { hold } from './hold.ts';
import { hook } from './hook.ts';
import { making } from './making.ts';
import { opening } from './opening.ts';
import { pull } from './pull.ts';
import { rest } from './rest.ts';
import { retrieve } from './retrieve.ts';
import { roll } from './roll.ts';
import { shape } from './shape.ts';
import { sonar } from './sonar.ts';
import { strength } from './strength.ts';
import { surface } from './surface.ts';
import { thrown } from './throw.ts';
import { weight } from './weight.ts';

const ALL = [
  shape,
  surface,
  weight,
  roll,
  hook,
  opening,
  strength,
  thrown,
  making,
  eye,
  hold,
  guard,
  falling,
  hang,
  rest,
  pull,
  retrieve,
  sonar,
  cost,
  fit,
] as const;

/**
 * Every behaviour, in the order its readings stand in tables and files; a new one is one file and one line
 * here.
 */
export const BEHAVIOURS: readonly Behaviour[] = ALL;

type Keys<T> = T extends Behaviour<infer R> ? keyof R & string : never;
/** The id of a reading. */
export type ReadingId = Keys<(typeof ALL)[number]>;

/** What a reading is, and the behaviour that gives it. */
export interface KnownReading extends ReadingSpec {
  readonly behaviour: string;
  /** comes a moment after the rest */
  readonly isSlow: boolean;
}

const specs = BEHAVIOURS.flatMap(({ key, readings, needs }) =>
  Object.entries(readings).map(
    ([id, spec]) =>
      [id as ReadingId, { ...spec, behaviour: key, isSlow: needs === 'a moment later' }] as const,
  ),
);

/** Every reading by its stable id, in the order of tables and files. */
export const READINGS = Object.fromEntries(specs) as Readonly<Record<ReadingId, KnownReading>>;

/** The ids, in the same order. */
export const READING_IDS: readonly ReadingId[] = specs.map(([id]) => id);

/** Keys of the behaviours that give some readings; names that are none are passed over. */
export const behavioursOf = (ids: Iterable<string>): Set<string> =>
  new Set([...ids].flatMap((id) => (isKeyOf(READINGS, id) ? READINGS[id].behaviour : [])));

/** A reading as it leaves the core: a value in a fixed unit with what it is based on. */
export interface Reading {
  readonly value: number;
  readonly unit: string;
  readonly kind: ReadingKind;
  /** plausible span, same unit */
  readonly range?: readonly [number, number];
  readonly note: string;
}

/** Readings of a head by their ids; what does not apply is absent. */
export type Readings = Partial<Record<ReadingId, Reading>>;

/** Wraps a value with the unit, kind and note of its id. */
export function reading(id: ReadingId, given: Value): Reading {
  const { unit, note, kind: usual } = READINGS[id];
  const { value, range, kind = usual } = typeof given === 'number' ? { value: given } : given;
  return { value, unit, kind, ...(range ? { range } : {}), note };
}
