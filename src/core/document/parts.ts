import { Type } from '@sinclair/typebox';
import type { Design } from './design.ts';
import { DesignSchema } from './design.ts';

/** What every document of the shop begins with. */
export const closed = { additionalProperties: false };

/** Returns the fields every document begins with: its format, version and name. */
export const named = <const F extends string>(format: F) => ({
  format: Type.Literal(format, { description: 'Marks the document' }),
  version: Type.Literal(1, { description: 'Version of the document format' }),
  name: Type.String({
    minLength: 1,
    maxLength: 120,
    pattern: '^$|\\S',
    description: 'What the shop calls it',
  }),
  notes: Type.Optional(Type.String({ maxLength: 8000, description: 'Anything worth remembering' })),
});

/** Returns the schema of a number from `minimum` to `maximum`. */
export const ranged = (minimum: number, maximum: number, description: string) =>
  Type.Number({ minimum, maximum, description });
/** Returns the schema of a whole number from `minimum` to `maximum`. */
export const whole = (minimum: number, maximum: number, description: string) =>
  Type.Integer({ minimum, maximum, description });
/** Returns the schema of one of some words. */
export const choice = <T extends string>(values: readonly T[], description: string) =>
  Type.Union(
    values.map((value) => Type.Literal(value)),
    { description },
  );
/** Returns the schema of a text of at most so many characters. */
export const words = (maxLength: number, description: string) => Type.String({ maxLength, description });
/** A day, as ISO 8601 writes it. */
export const day = (description: string) =>
  Type.String({ pattern: '^\\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\\d|3[01])$', description });

/**
 * A design inside another document, whole: it stays as it was, whatever becomes of the one it was copied
 * from.
 */
export const HeldDesign = (description: string) => {
  const { $id: _, title: __, ...schema } = DesignSchema;
  return Type.Unsafe<Design>({ ...schema, description });
};
