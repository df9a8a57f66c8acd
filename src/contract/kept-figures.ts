import { Type } from '@sinclair/typebox';

/** A card as it is kept, checked where it comes from outside. */
export const KeptCardSchema = Type.Object({
  name: Type.String(),
  family: Type.String(),
  shape: Type.String(),
  metal: Type.String(),
  hook: Type.String(),
  style: Type.String(),
  hinged: Type.Boolean(),
  angle: Type.Number(),
  plane: Type.String(),
  keeper: Type.String(),
  guard: Type.String(),
  notes: Type.String(),
  grams: Type.Union([Type.Number(), Type.Null()]),
  fall: Type.Union([Type.Number(), Type.Null()]),
  hang: Type.Number(),
  reach: Type.Array(Type.Number(), { minItems: 3, maxItems: 3 }),
  pending: Type.Optional(Type.Literal(true)),
  problem: Type.Optional(Type.String()),
});

const Path = Type.Array(Type.Array(Type.Number(), { minItems: 2, maxItems: 2 }));

/**
 * A summary as it is kept, checked where it comes from outside: its figures, and of its drawing what every
 * outline is made from.
 */
export const KeptSummarySchema = Type.Union([
  Type.Object({
    ok: Type.Literal(true),
    revision: Type.Integer(),
    readings: Type.Record(Type.String(), Type.Number()),
    ranges: Type.Record(Type.String(), Type.Array(Type.Number(), { minItems: 2, maxItems: 2 })),
    drawing: Type.Object({
      length: Type.Number(),
      breadth: Type.Number(),
      height: Type.Number(),
      rise: Type.Number(),
      drop: Type.Number(),
      wire: Type.Number(),
      side: Path,
      top: Path,
      front: Path,
      hook: Path,
      keeper: Type.Array(Type.Object({})),
      eye: Type.Object({ at: Path.items, along: Path.items, radius: Type.Number(), wire: Type.Number() }),
      edges: Type.Object({ side: Type.Array(Type.Object({})), top: Type.Array(Type.Object({})) }),
    }),
  }),
  Type.Object({
    ok: Type.Literal(false),
    revision: Type.Integer(),
    problems: Type.Array(Type.Object({ path: Type.String(), message: Type.String() })),
  }),
]);
