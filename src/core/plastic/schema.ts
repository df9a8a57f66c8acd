import type { Static } from '@sinclair/typebox';
import { Type } from '@sinclair/typebox';
import { keySchema } from '../kind/registry.ts';
import type { PlasticKey } from './kinds/index.ts';
import { PLASTIC_KINDS } from './kinds/index.ts';

const closed = { additionalProperties: false };

/** One of some words. */
const oneOf = <const T extends string>(values: readonly T[], description: string) =>
  Type.Union(
    values.map((value) => Type.Literal(value)),
    { description },
  );

/** How tough a plastic is. */
export const TOUGHNESS = ['soft', 'standard', 'stretchy'] as const;
/** What a colour is to a fish; the colour itself has a name of its own. */
export const COLOUR_CLASSES = ['natural', 'dark', 'bright', 'reactive', 'matched'] as const;
/** Sizes a plastic may have, mm, and its density, g/cm³: of schema and form alike. */
export const PLASTIC_RANGES = {
  length: [20, 400],
  breadth: [2, 80],
  height: [2, 80],
  density: [0.5, 1.6],
  /** g */
  weighed: [0.05, 500],
  wall: [0.3, 20],
  cut: [0, 240],
  /** share of the greatest height or breadth */
  station: [0.01, 1],
} as const;

const station = Type.Object(
  {
    at: Type.Number({ minimum: 0, maximum: 1, description: 'Share of the length from the nose' }),
    height: Type.Number({
      minimum: PLASTIC_RANGES.station[0],
      maximum: PLASTIC_RANGES.station[1],
      description: 'Share of the greatest height',
    }),
    breadth: Type.Number({
      minimum: PLASTIC_RANGES.station[0],
      maximum: PLASTIC_RANGES.station[1],
      description: 'Share of the greatest breadth',
    }),
  },
  closed,
);

/** A soft plastic as a document: what a shop measures with a ruler and a scale. Lengths in mm. */
export const PlasticSchema = Type.Object(
  {
    format: Type.Literal('fern-anvil/plastic'),
    version: Type.Literal(1),
    name: Type.String({ minLength: 1, maxLength: 120, pattern: '^$|\\S' }),
    kind: Type.Unsafe<PlasticKey>(keySchema(PLASTIC_KINDS, 'Body shape')),
    length: Type.Number({
      minimum: PLASTIC_RANGES.length[0],
      maximum: PLASTIC_RANGES.length[1],
      description: 'Nose to tail as bought, mm',
    }),
    breadth: Type.Number({
      minimum: PLASTIC_RANGES.breadth[0],
      maximum: PLASTIC_RANGES.breadth[1],
      description: 'Widest part of the body, mm',
    }),
    height: Type.Number({
      minimum: PLASTIC_RANGES.height[0],
      maximum: PLASTIC_RANGES.height[1],
      description: 'Highest part of the body, mm',
    }),
    density: Type.Number({
      minimum: PLASTIC_RANGES.density[0],
      maximum: PLASTIC_RANGES.density[1],
      description: 'g/cm³: salted 1.1-1.25, plain 1.0-1.1, floating 0.87-0.95 (common practice, no source)',
    }),
    toughness: oneOf(TOUGHNESS, 'How far it can be pushed over a collar'),
    weighed: Type.Optional(
      Type.Number({
        minimum: PLASTIC_RANGES.weighed[0],
        maximum: PLASTIC_RANGES.weighed[1],
        description: 'Weight as bought on a scale, g; it goes before the density, and says what that must be',
      }),
    ),
    wall: Type.Optional(
      Type.Number({
        minimum: PLASTIC_RANGES.wall[0],
        maximum: PLASTIC_RANGES.wall[1],
        description: 'Wall of a hollow body or a tube, mm',
      }),
    ),
    cut: Type.Optional(
      Type.Number({
        minimum: PLASTIC_RANGES.cut[0],
        maximum: PLASTIC_RANGES.cut[1],
        description: 'Cut off the nose before it is rigged, mm',
      }),
    ),
    stations: Type.Optional(
      Type.Array(station, { minItems: 3, maxItems: 16, description: 'Own outline, from nose to tail' }),
    ),
    colour: Type.Optional(Type.String({ maxLength: 60, description: 'What the packet calls it' })),
    colourClass: Type.Optional(oneOf(COLOUR_CLASSES, 'What the colour is to a fish')),
    spot: Type.Optional(Type.Boolean({ description: 'Has a bright spot to aim at' })),
    scent: Type.Optional(Type.Boolean({ description: 'Scented' })),
    rattle: Type.Optional(Type.Boolean({ description: 'Carries a rattle' })),
    skirt: Type.Optional(Type.Boolean({ description: 'Has a skirt' })),
    notes: Type.Optional(Type.String({ maxLength: 8000 })),
  },
  { ...closed, $id: 'fern-anvil-plastic-1', title: 'Fern Anvil plastic, version 1' },
);

/** A plastic’s document. */
export type Plastic = Static<typeof PlasticSchema>;
/** How tough a plastic is, as its document stores it. */
export type Toughness = Plastic['toughness'];
