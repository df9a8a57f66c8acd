import { itemAt } from '../numeric/at.ts';
import type { TProperties, TSchema } from '@sinclair/typebox';
import { Type } from '@sinclair/typebox';
import type { QuantityKind } from '../quantity/units.ts';

/**
 * A field of a kind, with its range. It stands here once: document schema, form, history in words and
 * published documents are made from it.
 */
export type Field = NumberField | ChoiceField | FlagField;

interface FieldBase {
  /** what a form and the history call it */
  readonly label: string;
  readonly note?: string;
  /** a document may leave it out */
  readonly optional?: boolean;
}

/** A field that holds a number. */
export interface NumberField extends FieldBase {
  readonly type: 'number';
  readonly quantity: QuantityKind;
  /** in the quantity's stored unit */
  readonly min: number;
  readonly max: number;
  readonly initial: number;
  readonly step: number;
  /** whole numbers only */
  readonly whole: boolean;
}

/** A field that holds one of some words. */
export interface ChoiceField<C extends string = string> extends FieldBase {
  readonly type: 'choice';
  readonly options: readonly C[];
  readonly initial: C;
}

/** A field that holds yes or no. */
export interface FlagField extends FieldBase {
  readonly type: 'flag';
  readonly initial: boolean;
}

/** Fields of a kind by their keys. */
export type Fields = Readonly<Record<string, Field>>;

type ValueOf<F> = F extends NumberField ? number : F extends ChoiceField<infer C> ? C : boolean;
type Optional<F extends Fields> = {
  [K in keyof F]: F[K] extends { readonly optional: true } ? K : never;
}[keyof F];

/** The part of a document that these fields describe. */
export type Values<F extends Fields> = { -readonly [K in Exclude<keyof F, Optional<F>>]: ValueOf<F[K]> } & {
  -readonly [K in Optional<F>]?: ValueOf<F[K]>;
};

/** Least, first and greatest value. */
type Span = readonly [min: number, initial: number, max: number];

interface More {
  readonly step?: number;
  readonly note?: string;
}

const number =
  (quantity: QuantityKind, usualStep: number, whole = false) =>
  (label: string, [min, initial, max]: Span, { step = usualStep, note }: More = {}): NumberField => ({
    type: 'number',
    quantity,
    label,
    min,
    max,
    initial,
    step,
    whole,
    ...(note === undefined ? {} : { note }),
  });

/** A length, mm. */
export const size = number('size', 0.1);
/** A share, 0..1, shown in per cent. */
export const share = number('share', 0.01);
/** An angle, degrees. */
export const angle = number('angle', 1);
/** How many of something, whole. */
export const count = number('count', 1, true);
/** A plain number, such as turns, which may be half ones. */
export const figure = number('number', 0.5);

/** Returns a field of some words, the first taken at first. */
export const choice = <const C extends string>(
  label: string,
  options: readonly C[],
  note?: string,
): ChoiceField<C> => ({
  type: 'choice',
  label,
  options,
  initial: itemAt(options, 0),
  ...(note === undefined ? {} : { note }),
});

/** Returns a field of yes or no. */
export const flag = (label: string, initial: boolean, note?: string): FlagField => ({
  type: 'flag',
  label,
  initial,
  ...(note === undefined ? {} : { note }),
});

/** The same field, which a document may leave out. */
export const optional = <F extends Field>(field: F): F & { readonly optional: true } => ({
  ...field,
  optional: true,
});

const UNIT: Partial<Record<QuantityKind, string>> = { size: 'mm', angle: 'degrees', share: 'a share of 1' };

/** A field's meaning as the published schema tells it. */
function described(field: Field): string {
  const unit = field.type === 'number' ? UNIT[field.quantity] : undefined;
  const said = field.note === undefined ? field.label : `${field.label}: ${field.note}`;
  return unit === undefined ? said : `${said.replace(/\.$/, '')}; ${unit}`;
}

/** The schema of one field. */
export function fieldSchema(field: Field): TSchema {
  const description = described(field);
  if (field.type === 'flag') return Type.Boolean({ description });
  if (field.type === 'choice')
    return Type.Union(
      field.options.map((option) => Type.Literal(option)),
      { description },
    );
  const range = { minimum: field.min, maximum: field.max, description };
  return field.whole ? Type.Integer(range) : Type.Number(range);
}

/** The properties of a document that fields describe, in their order. */
export const fieldProperties = (fields: Fields): TProperties =>
  Object.fromEntries(
    Object.entries(fields).map(([key, field]) => [
      key,
      field.optional ? Type.Optional(fieldSchema(field)) : fieldSchema(field),
    ]),
  );

/** Every field that must be there at its first value. */
export function initialValues<F extends Fields>(fields: F): Values<F> {
  const values = Object.entries(fields)
    .filter(([, field]) => !field.optional)
    .map(([key, field]) => [key, field.initial]);
  return Object.fromEntries(values) as Values<F>;
}
