import type { Static } from '@sinclair/typebox';
import { Type } from '@sinclair/typebox';
import { keySchema } from '../kind/registry.ts';
import type { PlasticKey } from './kinds/index.ts';
import { PLASTIC_KINDS } from './kinds/index.ts';

const closed = { additionalProperties: false };

export const TOUGHNESS = ['soft', 'standard', 'stretchy'] as const;

/** A soft plastic as a document: what a shop measures with a ruler and a scale. Lengths in mm. */
export const PlasticSchema = Type.Object(
  {
    format: Type.Literal('fern-anvil/plastic'),
    version: Type.Literal(1),
    name: Type.String({ minLength: 1, maxLength: 120, pattern: '^$|\\S' }),
    kind: Type.Unsafe<PlasticKey>(keySchema(PLASTIC_KINDS, 'Body shape')),
    length: Type.Number({ minimum: 20, maximum: 400, description: 'Nose to tail, mm' }),
    breadth: Type.Number({ minimum: 2, maximum: 80, description: 'Widest part of the body, mm' }),
    height: Type.Number({ minimum: 2, maximum: 80, description: 'Highest part of the body, mm' }),
    density: Type.Number({
      minimum: 0.5,
      maximum: 1.6,
      description: 'g/cm³: salted 1.1-1.25, plain 1.0-1.1, floating 0.87-0.95 (common practice, no source)',
    }),
    toughness: Type.Union(
      TOUGHNESS.map((value) => Type.Literal(value)),
      {
        description: 'How far it can be pushed over a collar',
      },
    ),
    notes: Type.Optional(Type.String({ maxLength: 8000 })),
  },
  { ...closed, $id: 'fern-anvil-plastic-1', title: 'Fern Anvil plastic, version 1' },
);

export type Plastic = Static<typeof PlasticSchema>;
export type Toughness = Plastic['toughness'];
