import type { Static } from '@sinclair/typebox';
import { Type } from '@sinclair/typebox';
import { idOf } from './ids.ts';
import { choice, closed, day, HeldDesign, named, ranged, whole } from './parts.ts';

/** Where a weight came from. */
export const WEIGHED_BY = ['scale', 'typed', 'file'] as const;
/** Most weighings of one batch. */
export const MOST_WEIGHINGS = 1500;

/** Ranges of a batch's numbers, in stored units: of schema and form alike. */
export const BATCH_RANGES = {
  cavities: [1, 40],
  heads: [1, 100_000],
  grams: [0.01, 2000],
  room: [0.001, 500],
  watts: [50, 20_000],
  efficiency: [0.05, 1],
  pot: [50, 100_000],
  celsius: [-20, 900],
  seconds: [1, 36_000],
  inOven: [0, 86_400],
  share: [0, 0.9],
  money: [0, 100_000],
  sprue: [0, 500],
} as const satisfies Record<string, readonly [number, number]>;
/** A number of a batch that has a range. */
export type BatchRange = keyof typeof BATCH_RANGES;

const limited = (key: BatchRange, description: string) =>
  ranged(BATCH_RANGES[key][0], BATCH_RANGES[key][1], description);

const WeighingSchema = Type.Object(
  {
    cavity: whole(1, BATCH_RANGES.cavities[1], 'Counted from the sprue’s left'),
    piece: whole(1, 100_000, 'Which piece of that cavity; the same again is a repeat weighing'),
    grams: limited('grams', 'g, as the scale showed it'),
    by: choice(WEIGHED_BY, 'Read from a scale, typed, or from a file'),
  },
  closed,
);
/** One weight that was read, g, of one piece of one cavity. */
export type Weighing = Static<typeof WeighingSchema>;

/** What a head is priced from, in the shop's own money. */
const CostSchema = Type.Object(
  {
    hook: limited('money', 'One hook'),
    wire: limited('money', 'Keeper wire of one head'),
    guard: limited('money', 'Guard of one head'),
    paint: limited('money', 'Paint on one head'),
    energy: limited('money', 'A kilowatt-hour'),
    wage: limited('money', 'An hour of work'),
    price: limited('money', 'What one sells for'),
  },
  closed,
);

/** A batch that is poured, weighed, painted and cured, as a document. g, °C, s, W. */
export const BatchSchema = Type.Object(
  {
    ...named('fern-anvil/batch'),
    day: day('The day it was poured, as 2026-05-30'),
    design: HeldDesign('The exact version that was poured, for ever'),
    of: Type.Optional(idOf('designs', 'The design on the Rack it was poured from')),
    ofVersion: Type.Optional(whole(1, 2_147_483_647, 'How often that had been saved by then')),
    mould: Type.Optional(idOf('moulds', 'The mould it was poured in')),
    cavities: whole(BATCH_RANGES.cavities[0], BATCH_RANGES.cavities[1], 'Heads of one shot'),
    heads: whole(BATCH_RANGES.heads[0], BATCH_RANGES.heads[1], 'Sound heads needed'),
    wanted: Type.Object(
      {
        target: limited('grams', 'Target weight, with hook, g'),
        room: limited('room', 'How far off is still sold, g either way'),
      },
      closed,
    ),
    pour: Type.Object(
      {
        heater: Type.String({ maxLength: 40, description: 'What heats the pot' }),
        watts: limited('watts', 'W'),
        efficiency: limited('efficiency', 'Share of it that reaches the metal'),
        pot: limited('pot', 'What the pot holds, g'),
        room: limited('celsius', 'Cold metal, °C'),
        at: limited('celsius', 'Poured at, °C'),
        perShot: limited('seconds', 'From shot to shot, s'),
        sprue: limited('sprue', 'Sprue of one head, g'),
        loss: limited('share', 'Dross and spill loss'),
        rejects: limited('share', 'Share expected as rejects'),
      },
      closed,
    ),
    cost: CostSchema,
    weighings: Type.Array(WeighingSchema, { maxItems: MOST_WEIGHINGS }),
    cure: Type.Optional(
      Type.Object(
        {
          celsius: limited('celsius', 'By the maker, of the heads themselves, °C'),
          seconds: limited('seconds', 'By the maker, s'),
          log: Type.Array(
            Type.Object(
              {
                at: limited('inOven', 's since they went in'),
                celsius: limited('celsius', 'Measured on a head, °C'),
              },
              closed,
            ),
            { maxItems: 200 },
          ),
        },
        { ...closed, description: 'Powder paint by the maker’s schedule' },
      ),
    ),
    done: Type.Optional(
      Type.Array(Type.String({ maxLength: 20 }), {
        maxItems: 20,
        description: 'Steps of the work that are done',
      }),
    ),
  },
  { ...closed, $id: 'fern-anvil-batch-1', title: 'Fern Anvil batch, version 1' },
);
/** A batch’s document. */
export type Batch = Static<typeof BatchSchema>;
