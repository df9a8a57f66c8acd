import type { TSchema } from '@sinclair/typebox';
import { Type } from '@sinclair/typebox';
import type { Fields, Values } from './field.ts';
import { fieldProperties } from './field.ts';

/** What every kind has, whatever it is a kind of. */
export interface Kind {
  readonly key: string;
  /** as it stands in a sentence */
  readonly name: string;
  /** other words of the trade for it, by which a table may call it (common practice, no source) */
  readonly alsoCalled?: readonly string[];
}

/** A kind of thing a document says by `kind` and the fields of it. */
export interface FieldedKind extends Kind {
  readonly fields: Fields;
}

/** What a document says of such a thing. */
export type Spec<K extends string, F extends Fields> = { kind: K } & Values<F>;

/**
 * The kind of a key. Throws where there is none: a document was checked against the schema made from this
 * very list, so an unknown key here is a mistake of the program, and taking another kind for it would be a
 * silent wrong answer.
 */
export function kindOf<T extends Kind>(kinds: readonly T[], key: string, what: string): T {
  const found = kinds.find((kind) => kind.key === key);
  if (!found)
    throw new Error(
      `${what}: “${key.slice(0, 40)}” is not one of ${kinds.map((kind) => kind.key).join(', ')}.`,
    );
  return found;
}

/** The schema of a thing of any of these kinds. */
export const kindSchema = (
  kinds: readonly (FieldedKind & { readonly does?: string })[],
  description: string,
): TSchema =>
  Type.Union(
    kinds.map(({ key, does, fields }) =>
      Type.Object(
        { kind: Type.Literal(key), ...fieldProperties(fields) },
        { additionalProperties: false, ...(does === undefined ? {} : { description: does }) },
      ),
    ),
    { description },
  );

/** The schema of one of these keys. */
export const keySchema = (kinds: readonly Kind[], description: string): TSchema =>
  Type.Union(
    kinds.map(({ key }) => Type.Literal(key)),
    { description },
  );
