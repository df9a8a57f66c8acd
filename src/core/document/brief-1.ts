import type { Static } from '@sinclair/typebox';
import { Type } from '@sinclair/typebox';
import { keySchema } from '../kind/registry.ts';
import type { PlasticKey } from '../plastic/kinds/index.ts';
import { PLASTIC_KINDS } from '../plastic/kinds/index.ts';
import type { Brief } from './brief.ts';

const closed = { additionalProperties: false };
const choice = <const T extends string>(values: readonly T[]) =>
  Type.Union(values.map((value) => Type.Literal(value)));

/** A brief as version 1 had it: still read, and taken over. */
export const BriefSchema1 = Type.Object(
  {
    format: Type.Literal('fern-anvil/brief'),
    version: Type.Literal(1),
    name: Type.String({ minLength: 1, maxLength: 120, pattern: '^$|\\S' }),
    water: Type.Object(
      {
        kind: choice(['fresh', 'brackish', 'sea']),
        temperature: Type.Number({ minimum: 0, maximum: 38 }),
        depth: Type.Number({ minimum: 0.2, maximum: 120 }),
        current: Type.Number({ minimum: 0, maximum: 4 }),
        clarity: choice(['clear', 'stained', 'murky']),
      },
      closed,
    ),
    bottom: Type.Object(
      {
        kind: choice(['flat clean', 'gravel', 'broken rock', 'ledges', 'mud', 'sand']),
        slope: Type.Number({ minimum: 0, maximum: 85 }),
      },
      closed,
    ),
    cover: choice([
      'none',
      'sparse weed',
      'grass or reeds',
      'matted weed',
      'brush and wood',
      'posts and docks',
    ]),
    retrieve: choice(['drag', 'crawl', 'hop', 'stroke', 'swim', 'snap', 'slow troll', 'vertical', 'pitch']),
    line: Type.Object(
      {
        material: choice(['nylon', 'fluorocarbon', 'braid']),
        test: Type.Number({ minimum: 0.5, maximum: 60 }),
      },
      closed,
    ),
    bait: Type.Object(
      {
        kind: Type.Unsafe<PlasticKey>(keySchema(PLASTIC_KINDS, 'Body shape of the plastic')),
        length: Type.Number({ minimum: 20, maximum: 400 }),
      },
      closed,
    ),
    mood: choice(['willing', 'wary', 'short-striking', 'aggressive']),
    schools: Type.Optional(
      Type.Object(
        {
          'eye plane': Type.Optional(choice(['crosswise', 'in line'])),
          'guard trim': Type.Optional(choice(['trimmed', 'as bought'])),
          'weedless keeper': Type.Optional(choice(['by cover', 'plain'])),
        },
        closed,
      ),
    ),
    notes: Type.Optional(Type.String({ maxLength: 8000 })),
  },
  { ...closed, $id: 'fern-anvil-brief-1', title: 'Fern Anvil brief, version 1' },
);

/** A brief of version 1. */
export type Brief1 = Static<typeof BriefSchema1>;

/** How far one sees where version 1 said no more than a word, m (common practice, no source). */
const SIGHT = { clear: 3, stained: 1, murky: 0.3 } as const;

/** A brief of version 1 as one of version 2: nothing it says is lost, and nothing is said for it. */
export function upgradeBrief(old: Brief1): Brief {
  const { clarity, ...water } = old.water;
  return {
    format: 'fern-anvil/brief',
    version: 2,
    name: old.name,
    water: { ...water, sight: SIGHT[clarity] },
    bottom: { kinds: [old.bottom.kind], slope: old.bottom.slope },
    cover: { kinds: old.cover === 'none' ? [] : [old.cover] },
    fishing: { retrieve: old.retrieve },
    line: old.line,
    bait: old.bait,
    fish: { mood: old.mood },
    ...(old.schools ? { schools: old.schools } : {}),
    ...(old.notes === undefined ? {} : { notes: old.notes }),
  };
}
