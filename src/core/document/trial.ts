import { recordOf } from '../kind/keys.ts';
import type { Static } from '@sinclair/typebox';
import { Type } from '@sinclair/typebox';
import { METHODS } from '../rigging/methods/index.ts';
import { idOf } from './ids.ts';
import { choice, closed, day, named, ranged, whole, words } from './parts.ts';

/** What is counted on the water, in the order a cast goes. */
export const COUNTS = [
  'casts',
  'hangUps',
  'freed',
  'lost',
  'touches',
  'hookUps',
  'landed',
  'thrown',
] as const;
/** What is counted on a day. */
export type CountKey = (typeof COUNTS)[number];

/** Most rigs of one day, and most measured drops. */
export const MOST_RIGS = 60;
/** Most timed drops kept of one day. */
export const MOST_DROPS = 200;
/** Ranges of a day's numbers, in stored units: of schema and form alike. */
export const TRIAL_RANGES = {
  grams: [0.01, 2000],
  hours: [0, 48],
  fallen: [0.2, 100],
  seconds: [0.05, 600],
  temperature: [-2, 40],
  ran: [0.1, 100],
  speed: [0.05, 4],
  lineOut: [1, 300],
  test: [0.3, 60],
} as const satisfies Record<string, readonly [number, number]>;

const limited = (key: keyof typeof TRIAL_RANGES, description: string) =>
  ranged(TRIAL_RANGES[key][0], TRIAL_RANGES[key][1], description);
const MOST = 100_000;

const counted = recordOf(COUNTS, (key) => whole(0, MOST, key));

const RigSchema = Type.Object(
  {
    design: Type.Optional(idOf('designs', 'The head on the Rack')),
    head: words(120, 'What it was called that day'),
    grams: Type.Optional(limited('grams', 'Total weight, g')),
    plastic: Type.Optional(words(120, 'What it carried')),
    method: Type.Optional(
      Type.Union(
        METHODS.map(({ key }) => Type.Literal(key)),
        { description: 'How it was put on' },
      ),
    ),
    place: whole(0, 19, 'Which of the day’s places'),
    hours: limited('hours', 'h fished'),
    ...counted,
  },
  closed,
);
/** A head with its bait, tied on at one place of a day. */
export type TrialRig = Static<typeof RigSchema>;

const PlaceSchema = Type.Object(
  {
    name: words(80, 'What it is called'),
    depth: Type.Optional(ranged(0.1, 200, 'm')),
    bottom: Type.Optional(words(40, 'Bottom type')),
    cover: Type.Optional(words(40, 'What stands in it')),
  },
  closed,
);

/** A day on the water, as a document. m, s, h, g. */
export const TrialSchema = Type.Object(
  {
    ...named('fern-anvil/trial'),
    day: day('The day, as 2026-05-30'),
    places: Type.Array(PlaceSchema, { minItems: 1, maxItems: 20 }),
    rigs: Type.Array(RigSchema, { maxItems: MOST_RIGS }),
    drops: Type.Array(
      Type.Object(
        {
          design: idOf('designs', 'The head on the Rack'),
          depth: limited('fallen', 'm fallen from rest'),
          seconds: limited('seconds', 's it took'),
          water: choice(['fresh', 'brackish', 'salt'], 'Water it fell in'),
          temperature: limited('temperature', '°C'),
        },
        closed,
      ),
      { maxItems: MOST_DROPS, description: 'Drops timed beside a measure' },
    ),
    tows: Type.Array(
      Type.Object(
        {
          design: idOf('designs', 'The head on the Rack'),
          depth: limited('ran', 'm it ran at'),
          speed: limited('speed', 'm/s through the water'),
          lineOut: limited('lineOut', 'm'),
          line: words(40, 'Line'),
          test: limited('test', 'kg'),
        },
        closed,
      ),
      { maxItems: MOST_DROPS, description: 'Depths measured on the retrieve' },
    ),
  },
  { ...closed, $id: 'fern-anvil-trial-1', title: 'Fern Anvil day on the water, version 1' },
);
/** A day’s document. */
export type Trial = Static<typeof TrialSchema>;
/** A timed drop: m and s. */
export type Drop = Trial['drops'][number];
/** A depth a lure ran at: m and m/s. */
export type TowDepth = Trial['tows'][number];

/** A rig with nothing counted yet. */
export const freshRig = (head: string, place: number): TrialRig => ({
  head,
  place,
  hours: 0,
  casts: 0,
  hangUps: 0,
  freed: 0,
  lost: 0,
  touches: 0,
  hookUps: 0,
  landed: 0,
  thrown: 0,
});
