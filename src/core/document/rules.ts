import type { Static } from '@sinclair/typebox';
import { Type } from '@sinclair/typebox';

const closed = { additionalProperties: false };

/** One fact that must hold: one of a list, or a number within a span (either end may be left open). */
const ConditionSchema = Type.Union([
  Type.Object({ fact: Type.String(), in: Type.Array(Type.String(), { minItems: 1 }) }, closed),
  Type.Object(
    { fact: Type.String(), min: Type.Optional(Type.Number()), max: Type.Optional(Type.Number()) },
    closed,
  ),
]);

/** A rule of the trade as data: in such a brief, for such a design, this speaks for or against, or forbids. */
export const RuleSchema = Type.Object(
  {
    id: Type.String({ pattern: '^[a-z0-9-]+$' }),
    when: Type.Array(ConditionSchema, { description: 'About the brief; empty means always' }),
    if: Type.Array(ConditionSchema, { minItems: 1, description: 'About the design and its readings' }),
    verdict: Type.Union([Type.Literal('for'), Type.Literal('against'), Type.Literal('never')]),
    weight: Type.Integer({ minimum: 1, maximum: 5, description: '1 a nicety, 5 decides' }),
    says: Type.String({ minLength: 10, description: 'The reason in words; {fact} is replaced by its value' }),
    school: Type.Optional(
      Type.Object(
        { topic: Type.String(), side: Type.String() },
        { ...closed, description: 'Holds only for those who follow this school' },
      ),
    ),
    source: Type.String({ minLength: 5 }),
  },
  closed,
);

export const RulesSchema = Type.Object(
  {
    format: Type.Literal('fern-anvil/rules'),
    version: Type.Literal(1),
    rules: Type.Array(RuleSchema, { minItems: 1 }),
  },
  { ...closed, $id: 'fern-anvil-rules-1', title: 'Fern Anvil rules, version 1' },
);

export type Condition = Static<typeof ConditionSchema>;
export type Rule = Static<typeof RuleSchema>;
export type RuleSet = Static<typeof RulesSchema>;
