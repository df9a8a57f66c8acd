import type { Static } from '@sinclair/typebox';
import { Type } from '@sinclair/typebox';
import { keySchema } from '../kind/registry.ts';
import type { PlasticKey } from '../plastic/kinds/index.ts';
import { PLASTIC_KINDS } from '../plastic/kinds/index.ts';
import { NAMES } from './ids.ts';
import {
  BOTTOMS,
  COVERS,
  DENSITIES,
  FISH_SIZES,
  LINES,
  MOODS,
  PLACES,
  QUESTION_KEYS,
  RETRIEVES,
  ROD_ACTIONS,
  WANTS,
  WATERS,
  WINDS,
} from './brief-words.ts';
import type { QuestionKey } from './brief-words.ts';
import type { Schools } from './schools.ts';
import { SCHOOL_TOPICS, SCHOOLS } from './schools.ts';

const closed = { additionalProperties: false };
const choice = <T extends string>(values: readonly T[], description: string) =>
  Type.Union(
    values.map((value) => Type.Literal(value)),
    { description },
  );
const number = (minimum: number, maximum: number, description: string) =>
  Type.Number({ minimum, maximum, description });
const several = <T extends string>(values: readonly T[], description: string, minItems: number) =>
  Type.Array(choice(values, description), { minItems, maxItems: 4, uniqueItems: true, description });

/** Rods by power, as a brief names them; what each gives is known to the computation of the hook-set. */
export const RODS = ['ultra light', 'light', 'medium light', 'medium', 'medium heavy', 'heavy'] as const;

/** Ranges of the numbers of a brief, in stored units: of schema and form alike. */
export const BRIEF_RANGES = {
  temperature: [-1, 38],
  depth: [0.2, 120],
  current: [0, 4],
  sight: [0.05, 30],
  slope: [0, 85],
  crack: [0, 200],
  stone: [1, 1000],
  stem: [0.5, 60],
  speed: [0, 4],
  rest: [0, 120],
  cast: [2, 120],
  test: [0.3, 60],
  length: [0.1, 12],
  rod: [0.6, 4.5],
  perTurn: [0.2, 1.5],
  bait: [20, 400],
  price: [0, 100],
} as const satisfies Record<string, readonly [number, number]>;

/** A number of a brief that has a range. */
export type BriefRange = keyof typeof BRIEF_RANGES;

const ranged = (key: BriefRange, description: string) =>
  number(BRIEF_RANGES[key][0], BRIEF_RANGES[key][1], description);

const LineSchema = Type.Object(
  { material: choice(LINES, 'Line'), test: ranged('test', 'kg') },
  { ...closed, description: 'The line on the reel' },
);

/**
 * A situation on the water, as a document. m, m/s, °C, kg, mm, s, degrees. Six things must be said: water and
 * depth, bottom, cover, way of fishing, bait, line. All else has usual values, which the computation tells.
 */
export const BriefSchema = Type.Object(
  {
    format: Type.Literal('fern-anvil/brief'),
    version: Type.Literal(2),
    name: Type.String({ minLength: 1, maxLength: 120, pattern: '^$|\\S' }),
    water: Type.Object(
      {
        kind: choice(WATERS, 'Salt in the water'),
        depth: ranged('depth', 'm'),
        temperature: Type.Optional(ranged('temperature', '°C')),
        current: Type.Optional(ranged('current', 'm/s')),
        sight: Type.Optional(ranged('sight', 'How far one sees into it, m')),
      },
      closed,
    ),
    bottom: Type.Object(
      {
        kinds: several(BOTTOMS, 'Bottom type', 1),
        slope: Type.Optional(ranged('slope', 'degrees; on a stair-step that of a tread')),
        crack: Type.Optional(ranged('crack', 'Width of cracks in stone, mm')),
        stone: Type.Optional(ranged('stone', 'Size of stones, mm')),
      },
      closed,
    ),
    cover: Type.Object(
      {
        kinds: several(COVERS, 'What the head must come through; none is open water', 0),
        density: Type.Optional(choice(DENSITIES, 'How thick it stands')),
        stem: Type.Optional(ranged('stem', 'Stems or branches across, mm')),
      },
      closed,
    ),
    fishing: Type.Object(
      {
        retrieve: choice(RETRIEVES, 'How it is fished'),
        speed: Type.Optional(ranged('speed', 'Over the ground, m/s')),
        rest: Type.Optional(ranged('rest', 'How long it lies still, s')),
        cast: Type.Optional(ranged('cast', 'Length of a cast, m')),
        from: Type.Optional(choice(PLACES, 'Where it is fished from')),
        wind: Type.Optional(choice(WINDS, 'Wind on the cast')),
        sounder: Type.Optional(Type.Boolean({ description: 'The head is watched on a sounder' })),
      },
      closed,
    ),
    line: LineSchema,
    leader: Type.Optional(
      Type.Object(
        {
          material: choice(LINES, 'Leader'),
          test: ranged('test', 'kg'),
          length: Type.Optional(ranged('length', 'm')),
        },
        { ...closed, description: 'Between line and head; the hook is judged by it' },
      ),
    ),
    rod: Type.Optional(
      Type.Object(
        {
          power: Type.Optional(choice(RODS, 'Power of the rod')),
          action: Type.Optional(choice(ROD_ACTIONS, 'Where it bends')),
          length: Type.Optional(ranged('rod', 'm')),
          perTurn: Type.Optional(ranged('perTurn', 'Line the reel winds in a turn, m')),
        },
        closed,
      ),
    ),
    bait: Type.Object(
      {
        kind: Type.Unsafe<PlasticKey>(keySchema(PLASTIC_KINDS, 'Body shape of the plastic')),
        length: ranged('bait', 'mm'),
        plastic: Type.Optional(
          Type.String({ maxLength: 60, description: 'Its id on the shop’s shelf', [NAMES]: 'plastics' }),
        ),
        skirt: Type.Optional(Type.Boolean({ description: 'It trails behind a skirt' })),
      },
      closed,
    ),
    fish: Type.Optional(
      Type.Object(
        {
          mood: Type.Optional(choice(MOODS, 'How the fish take')),
          size: Type.Optional(choice(FISH_SIZES, 'What is fished for')),
          wants: Type.Optional(choice(WANTS, 'Many, or the largest')),
        },
        closed,
      ),
    ),
    lead: Type.Optional(Type.Boolean({ description: 'Lead is allowed here' })),
    price: Type.Optional(ranged('price', 'The most a lost head may cost, in the shop’s money')),
    decisive: Type.Optional(
      Type.Unsafe<{ readonly [Q in QuestionKey]?: boolean }>(
        Type.Object(Object.fromEntries(QUESTION_KEYS.map((key) => [key, Type.Optional(Type.Boolean())])), {
          ...closed,
          description: 'Questions made decisive, or not, whatever follows from the situation',
        }),
      ),
    ),
    schools: Type.Optional(
      Type.Unsafe<Schools>(
        Type.Object(
          Object.fromEntries(
            SCHOOL_TOPICS.map((topic) => [
              topic,
              Type.Optional(choice(Object.keys(SCHOOLS[topic].sides), SCHOOLS[topic].title)),
            ]),
          ),
          { ...closed, description: 'Which school to follow where practitioners disagree' },
        ),
      ),
    ),
    notes: Type.Optional(Type.String({ maxLength: 8000 })),
  },
  { ...closed, $id: 'fern-anvil-brief-2', title: 'Fern Anvil brief, version 2' },
);

/** A brief’s document, of the present version. */
export type Brief = Static<typeof BriefSchema>;
