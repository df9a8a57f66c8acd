import type { Static } from '@sinclair/typebox';
import { Type } from '@sinclair/typebox';
import { fieldProperties } from '../kind/field.ts';
import type { FeatureSpec } from './features/index.ts';
import { FEATURES } from './features/index.ts';

const closed = { additionalProperties: false };

/** What a weight can be the weight of. */
export const TARGETS = ['metal', 'total', 'submerged'] as const;
/** What a target weight is the weight of. */
export type TargetOf = (typeof TARGETS)[number];

const share = (minimum: number, maximum: number, description: string) =>
  Type.Number({ minimum, maximum, description });

const FeaturesSchema = Type.Unsafe<FeatureSpec>(
  Type.Object(
    Object.fromEntries(
      FEATURES.map(({ key, does, fields }) => [
        key,
        Type.Optional(Type.Object(fieldProperties(fields), { ...closed, description: does })),
      ]),
    ),
    { ...closed, description: 'Cuts and joins; they take the place of the family’s own of the same name' },
  ),
);

const StationSchema = Type.Object(
  {
    at: share(0, 1, 'Place from the rear, as a share of the length'),
    breadth: share(0, 1, 'Share of the half-breadth'),
    rise: share(0, 1, 'Share of the rise'),
    drop: share(0, 1, 'Share of the drop'),
  },
  closed,
);

/** Most characters of a solid from outside: about 20,000 triangles. */
const SOLID_CHARACTERS = 700_000;

const SolidSchema = Type.Object(
  {
    name: Type.String({ maxLength: 200, description: 'File it came from' }),
    positions: Type.String({
      maxLength: SOLID_CHARACTERS,
      pattern: '^[A-Za-z0-9+/]*={0,2}$',
      description:
        'Corners x, y, z in mm in the body frame: little-endian 32-bit floats in Base64 (RFC 4648)',
    }),
    triangles: Type.String({
      maxLength: SOLID_CHARACTERS,
      pattern: '^[A-Za-z0-9+/]*={0,2}$',
      description: 'Three corner numbers each: little-endian unsigned 32-bit integers in Base64',
    }),
  },
  { ...closed, description: 'A closed solid imported from a file, for the family “imported”' },
);

/** Shape, metal and weight, as part of a design’s document. */
/**
 * What a form offers of a head, and its schema allows: density and paint in g/cm³, paint in mm, weight in g.
 */
export const HEAD_RANGES = {
  density: [1, 23],
  grams: [0.05, 2000],
  paint: { thickness: [0.01, 2], density: [0.5, 4] },
} as const;

/** The schema of the head in a design’s document. */
export const HeadSchema = Type.Object(
  {
    family: Type.String({
      minLength: 1,
      maxLength: 40,
      description: 'Key of the head family',
    }),
    dimensions: Type.Record(
      Type.String({ minLength: 1, maxLength: 40 }),
      Type.Number({ minimum: 0, maximum: 1000 }),
      {
        description: 'Named dimensions of the family: sizes in mm, shares 0..1, exponents as they are',
        maxProperties: 40,
      },
    ),
    metal: Type.String({ minLength: 1, maxLength: 40, description: 'Key of the metal' }),
    density: Type.Optional(
      Type.Number({
        minimum: HEAD_RANGES.density[0],
        maximum: HEAD_RANGES.density[1],
        description: 'g/cm³; replaces the density of the metal',
      }),
    ),
    target: Type.Optional(
      Type.Object(
        {
          grams: Type.Number({
            exclusiveMinimum: 0,
            maximum: HEAD_RANGES.grams[1],
            description: 'The weight to hold, g',
          }),
          of: Type.Union(
            TARGETS.map((of) => Type.Literal(of)),
            {
              description:
                'Whether the weight is that of the metal alone, of the head with its hook, or of all ' +
                'submerged in fresh water of 15 °C',
            },
          ),
        },
        { ...closed, description: 'When present, unlocked sizes are scaled until this weight is met' },
      ),
    ),
    locks: Type.Optional(
      Type.Array(Type.String({ maxLength: 40 }), {
        maxItems: 40,
        description: 'Sizes that the weight target must not change',
      }),
    ),
    features: Type.Optional(FeaturesSchema),
    stations: Type.Optional(
      Type.Array(StationSchema, {
        minItems: 2,
        maxItems: 24,
        description: 'Of an own profile, rear to nose; the first at 0, the last at 1',
      }),
    ),
    symmetric: Type.Optional(
      Type.Boolean({ description: 'Own profile: rise and drop of a station are kept alike' }),
    ),
    solid: Type.Optional(SolidSchema),
    paint: Type.Optional(
      Type.Object(
        {
          thickness: Type.Number({
            minimum: HEAD_RANGES.paint.thickness[0],
            maximum: HEAD_RANGES.paint.thickness[1],
            description: 'mm',
          }),
          density: Type.Number({
            minimum: HEAD_RANGES.paint.density[0],
            maximum: HEAD_RANGES.paint.density[1],
            description: 'g/cm³, cured',
          }),
        },
        { ...closed, description: 'Paint or coating over the whole metal' },
      ),
    ),
    pieces: Type.Optional(
      Type.Union([Type.Literal(1), Type.Literal(2)], {
        description: 'Of a sintered head: pressed in one piece, or two glued',
      }),
    ),
  },
  { ...closed, description: 'Shape, metal and weight' },
);

/** The head in a design’s document. */
export type HeadSpec = Static<typeof HeadSchema>;
/** A station of an own profile, as shares of length and size. */
export type Station = Static<typeof StationSchema>;
/** A solid from outside, as a design’s document keeps it. */
export type SolidSpec = Static<typeof SolidSchema>;

/**
 * How far a facet of a solid in a file may lie from the surface it stands for, mm, where nothing else is
 * asked for.
 */
export const USUAL_CHORD = 0.01;
/** What may be asked for, mm. */
export const CHORD_RANGE = [0.001, 0.5] as const;
