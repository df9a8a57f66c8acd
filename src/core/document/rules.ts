import type { Static } from '@sinclair/typebox';
import { Type } from '@sinclair/typebox';
import { QUESTION_KEYS } from './brief-words.ts';

const closed = { additionalProperties: false };

/** How good a usual choice is, from the best there is to what must not be offered. */
export const SHADES = ['best', 'good', 'fair', 'poor', 'never'] as const;
/** How strongly a rule speaks. */
export type Shade = (typeof SHADES)[number];

/** What a rule is based on. */
export const RULE_KINDS = ['practice', 'model', 'published'] as const;

/**
 * What must hold for a rule to speak: a fact that is one of some words, or a number within a span (either end
 * may be left open); all, or any, of several; or not.
 */
export type Condition =
  | { readonly fact: string; readonly in: readonly string[] }
  | { readonly fact: string; readonly min?: number | undefined; readonly max?: number | undefined }
  | { readonly all: readonly Condition[] }
  | { readonly any: readonly Condition[] }
  | { readonly not: Condition };

/** Its schema, nested as deep as one likes; how deep a set may go is said by `checkRuleFacts`. */
const conditionSchema = ($id: string) =>
  Type.Unsafe<Condition>(
    Type.Recursive(
      (Self) =>
        Type.Union([
          Type.Object({ fact: Type.String(), in: Type.Array(Type.String(), { minItems: 1 }) }, closed),
          Type.Object(
            { fact: Type.String(), min: Type.Optional(Type.Number()), max: Type.Optional(Type.Number()) },
            closed,
          ),
          Type.Object({ all: Type.Array(Self, { minItems: 1 }) }, closed),
          Type.Object({ any: Type.Array(Self, { minItems: 1 }) }, closed),
          Type.Object({ not: Self }, closed),
        ]),
      { $id },
    ),
  );

/** A rule of the trade as data: the usual answer to one question for such heads in such a situation. */
export const RuleSchema = Type.Object(
  {
    id: Type.String({ pattern: '^[a-z0-9-]+$', maxLength: 80 }),
    question: Type.Union(
      QUESTION_KEYS.map((key) => Type.Literal(key)),
      { description: 'The question it answers' },
    ),
    when: Type.Array(conditionSchema('fern-anvil-condition'), {
      description: 'All of these must hold; empty means always',
    }),
    claim: Type.Optional(
      Type.Array(conditionSchema('fern-anvil-claim'), {
        description:
          'What its words say of a head: where a reading is known and says otherwise, the rule is not spoken',
      }),
    ),
    grade: Type.Union(
      SHADES.map((shade) => Type.Literal(shade)),
      { description: 'The answer; “never” is a hard stop that nothing outranks' },
    ),
    strength: Type.Integer({
      minimum: 1,
      maximum: 5,
      description: 'Of several rules on a question the strongest speaks; 3 is usual, a special case more',
    }),
    says: Type.String({
      minLength: 10,
      maxLength: 400,
      description: 'The reason in words; {fact} is replaced by its value',
    }),
    kind: Type.Union(
      RULE_KINDS.map((kind) => Type.Literal(kind)),
      { description: 'What it is based on' },
    ),
    school: Type.Optional(
      Type.Object(
        { topic: Type.String(), side: Type.String() },
        { ...closed, description: 'Holds only for those who follow this school' },
      ),
    ),
    source: Type.String({ minLength: 5, maxLength: 400 }),
    off: Type.Optional(Type.Boolean({ description: 'Kept, and not asked' })),
  },
  closed,
);

/** The schema of a set of rules. */
export const RulesSchema = Type.Object(
  {
    format: Type.Literal('fern-anvil/rules'),
    version: Type.Literal(2),
    schools: Type.Optional(
      Type.Record(Type.String(), Type.String(), {
        description: 'Schools the shop follows where a brief says nothing',
      }),
    ),
    rules: Type.Array(RuleSchema, { minItems: 1, maxItems: 1500 }),
  },
  { ...closed, $id: 'fern-anvil-rules-2', title: 'Fern Anvil rules, version 2' },
);

/** One rule of the match. */
export type Rule = Static<typeof RuleSchema>;
/** A set of rules. */
export type RuleSet = Static<typeof RulesSchema>;
