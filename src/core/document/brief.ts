import type { Static } from '@sinclair/typebox';
import { Type } from '@sinclair/typebox';
import { keySchema } from '../kind/registry.ts';
import type { PlasticKey } from '../plastic/kinds/index.ts';
import { PLASTIC_KINDS } from '../plastic/kinds/index.ts';

const closed = { additionalProperties: false };
const choice = <T extends string>(values: readonly T[], description: string) =>
  Type.Union(
    values.map((value) => Type.Literal(value)),
    { description },
  );

export const WATERS = ['fresh', 'brackish', 'sea'] as const;
export const CLARITIES = ['clear', 'stained', 'murky'] as const;
export const BOTTOMS = ['flat clean', 'gravel', 'broken rock', 'ledges', 'mud', 'sand'] as const;
export const COVERS = [
  'none',
  'sparse weed',
  'grass or reeds',
  'matted weed',
  'brush and wood',
  'posts and docks',
] as const;
export const RETRIEVES = [
  'drag',
  'crawl',
  'hop',
  'stroke',
  'swim',
  'snap',
  'slow troll',
  'vertical',
  'pitch',
] as const;
export const LINES = ['nylon', 'fluorocarbon', 'braid'] as const;
export const MOODS = ['willing', 'wary', 'short-striking', 'aggressive'] as const;

/**
 * Matters on which practitioners are of two minds. The first school of each is the default; a brief may choose the other.
 * Common practice, no source.
 */
export const SCHOOLS = {
  'eye plane': {
    title: 'Plane of the eye on stone',
    sides: {
      crosswise: 'A crosswise eye climbs over a rock edge; an in-line eye rolls aside and catches.',
      'in line': 'An in-line eye slips through grass and stone more easily on slim heads.',
    },
  },
  'guard trim': {
    title: 'Fibre guards',
    sides: {
      trimmed: 'Trim the fibres so that their ends line up with the point.',
      'as bought': 'Leave the fibres as they were bought.',
    },
  },
  'weedless keeper': {
    title: 'Keeper for weedless rigging',
    sides: {
      'by cover': 'A firm keeper in dense cover, a plain seat where the cover allows.',
      plain: 'Keep the bait tight to a plain wire keeper: more hook-ups, above all on light line.',
    },
  },
} as const;
export type SchoolTopic = keyof typeof SCHOOLS;

/** A situation on the water, as a document. m, m/s, °C, kg, mm. */
export const BriefSchema = Type.Object(
  {
    format: Type.Literal('fern-anvil/brief'),
    version: Type.Literal(1),
    name: Type.String({ minLength: 1, maxLength: 120, pattern: '^$|\\S' }),
    water: Type.Object(
      {
        kind: choice(WATERS, 'Salt in the water'),
        temperature: Type.Number({ minimum: 0, maximum: 38, description: '°C' }),
        depth: Type.Number({ minimum: 0.2, maximum: 120, description: 'm' }),
        current: Type.Number({ minimum: 0, maximum: 4, description: 'm/s' }),
        clarity: choice(CLARITIES, 'How far one sees'),
      },
      closed,
    ),
    bottom: Type.Object(
      {
        kind: choice(BOTTOMS, 'What lies below'),
        slope: Type.Number({ minimum: 0, maximum: 85, description: 'degrees' }),
      },
      closed,
    ),
    cover: choice(COVERS, 'What the head must come through'),
    retrieve: choice(RETRIEVES, 'How it is fished'),
    line: Type.Object(
      {
        material: choice(LINES, 'Line'),
        test: Type.Number({ minimum: 0.5, maximum: 60, description: 'kg' }),
      },
      closed,
    ),
    bait: Type.Object(
      {
        kind: Type.Unsafe<PlasticKey>(keySchema(PLASTIC_KINDS, 'Body shape of the plastic')),
        length: Type.Number({ minimum: 20, maximum: 400, description: 'mm' }),
      },
      closed,
    ),
    mood: choice(MOODS, 'How the fish take'),
    schools: Type.Optional(
      Type.Object(
        {
          'eye plane': Type.Optional(choice(['crosswise', 'in line'], SCHOOLS['eye plane'].title)),
          'guard trim': Type.Optional(choice(['trimmed', 'as bought'], SCHOOLS['guard trim'].title)),
          'weedless keeper': Type.Optional(choice(['by cover', 'plain'], SCHOOLS['weedless keeper'].title)),
        },
        { ...closed, description: 'Which school to follow where practitioners disagree' },
      ),
    ),
    notes: Type.Optional(Type.String({ maxLength: 8000 })),
  },
  { ...closed, $id: 'fern-anvil-brief-1', title: 'Fern Anvil brief, version 1' },
);

export type Brief = Static<typeof BriefSchema>;
