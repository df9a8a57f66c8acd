import type { Static } from '@sinclair/typebox';
import { Type } from '@sinclair/typebox';
import { GuardSchema, KeeperSchema } from './fitting-schema.ts';

export { FIBRES } from './fitting-schema.ts';

/**
 * What a design is: one plain JSON document. Lengths in mm, weights in g, angles in degrees.
 * The schema is the single source of the type, of the server's checks and of docs/schema/design.schema.json.
 * It holds the outer limits of sense; what a family or a hook allows is judged by `checkDesign`.
 */

const closed = { additionalProperties: false };

export const GRADES = ['1X fine', 'standard', '1X strong', '2X strong', '3X strong'] as const;
export const HOOK_STYLES = ['round bend', 'wide gap', 'straight worm', 'short shank', 'long shank'] as const;
export const JOINTS = ['open loop', 'split ring', 'clip'] as const;
/** What a weight can be the weight of. */
export const TARGETS = ['metal', 'total', 'submerged'] as const;

const share = (minimum: number, maximum: number, description: string) =>
  Type.Number({ minimum, maximum, description });

const FeaturesSchema = Type.Object(
  {
    sole: Type.Optional(
      Type.Object(
        {
          cut: share(0.01, 0.95, 'Share of the greatest drop taken off at the middle of the head'),
          tilt: Type.Number({
            minimum: -30,
            maximum: 30,
            description: 'Rise of the sole to the nose, degrees',
          }),
        },
        { ...closed, description: 'A flat below' },
      ),
    ),
    flats: Type.Optional(
      Type.Object(
        {
          cut: share(0.01, 0.9, 'Share of the greatest rise taken off at the ridge'),
          slope: Type.Number({
            minimum: 0,
            maximum: 60,
            description: 'Fall of each flat from the ridge, degrees',
          }),
        },
        { ...closed, description: 'Flats on the crown' },
      ),
    ),
    channel: Type.Optional(
      Type.Object(
        {
          width: share(0.02, 0.9, 'Share of the breadth'),
          depth: share(0.02, 0.9, 'Share of the greatest drop'),
        },
        { ...closed, description: 'A channel along the belly' },
      ),
    ),
    cheeks: Type.Optional(
      Type.Object(
        {
          depth: share(0.02, 0.8, 'Share of the half-breadth'),
          length: share(0.1, 1.5, 'Share of the head’s length'),
          at: share(0, 1, 'Middle of the hollow from the rear, as a share of the length'),
        },
        { ...closed, description: 'Hollow cheeks' },
      ),
    ),
    fins: Type.Optional(
      Type.Object(
        {
          span: share(0.05, 3, 'How far a fin stands out, as a share of the half-breadth'),
          length: share(0.05, 1, 'Length at the root, as a share of the head’s length'),
          thickness: Type.Number({ minimum: 0.3, maximum: 6, description: 'Thickness, mm' }),
          at: share(0, 1, 'Middle of the root from the rear, as a share of the length'),
        },
        { ...closed, description: 'Fins' },
      ),
    ),
    slot: Type.Optional(
      Type.Object(
        {
          open: Type.Union([Type.Literal('below'), Type.Literal('above')], {
            description: 'Side the slot is open to',
          }),
          width: Type.Number({ minimum: 0.3, maximum: 6, description: 'Width, mm' }),
        },
        { ...closed, description: 'A slot for the hook’s shank' },
      ),
    ),
  },
  { ...closed, description: 'Cuts and joins; they take the place of the family’s own of the same name' },
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
  { ...closed, description: 'A closed solid brought in from outside, for the family “imported”' },
);

const HeadSchema = Type.Object(
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
      Type.Number({ minimum: 1, maximum: 23, description: 'g/cm³; replaces the density of the metal' }),
    ),
    target: Type.Optional(
      Type.Object(
        {
          grams: Type.Number({ exclusiveMinimum: 0, maximum: 2000, description: 'The weight to hold, g' }),
          of: Type.Union(
            TARGETS.map((of) => Type.Literal(of)),
            {
              description:
                'Whether the weight is that of the metal alone, of the head as weighed with its hook, or of all submerged in fresh water of 15 °C',
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
          thickness: Type.Number({ minimum: 0.01, maximum: 2, description: 'mm' }),
          density: Type.Number({ minimum: 0.5, maximum: 4, description: 'g/cm³, cured' }),
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

const HookSchema = Type.Object(
  {
    size: Type.String({
      minLength: 1,
      maxLength: 12,
      description: 'Hook size as spoken: #8 … #1, 1/0 … 8/0',
    }),
    grade: Type.Union(
      GRADES.map((grade) => Type.Literal(grade)),
      { description: 'Wire grade' },
    ),
    style: Type.Optional(
      Type.Union(
        HOOK_STYLES.map((style) => Type.Literal(style)),
        { description: 'Shape of the hook; a round bend where absent' },
      ),
    ),
    joint: Type.Optional(
      Type.Object(
        {
          kind: Type.Union(
            JOINTS.map((kind) => Type.Literal(kind)),
            { description: 'What joins the free hook to the head' },
          ),
          size: Type.Number({ minimum: 1, maximum: 15, description: 'Inner diameter of loop or ring, mm' }),
        },
        { ...closed, description: 'A hinged head: the hook swings from a loop behind it' },
      ),
    ),
    measured: Type.Optional(
      Type.Object(
        {
          gap: Type.Number({ minimum: 1, maximum: 60, description: 'Clear gap between shank and point, mm' }),
          shank: Type.Number({
            minimum: 3,
            maximum: 150,
            description: 'Straight shank, from the eye bend to the start of the round bend, mm',
          }),
          wire: Type.Number({ minimum: 0.2, maximum: 4, description: 'Wire diameter, mm' }),
          name: Type.Optional(Type.String({ maxLength: 120, description: 'What the shop calls it' })),
        },
        { ...closed, description: 'Own measured hook, in place of the chart' },
      ),
    ),
  },
  { ...closed, description: 'The hook' },
);

const EyeSchema = Type.Object(
  {
    angle: Type.Number({
      minimum: 0,
      maximum: 90,
      description: 'Between the shank’s forward line and the eye’s leg, degrees',
    }),
    plane: Type.Union([Type.Literal('in line'), Type.Literal('crosswise')], {
      description: 'Plane of the eye: in line with the hook, or across it',
    }),
    setback: Type.Number({
      minimum: -3,
      maximum: 1,
      description:
        'Where the eye’s leg leaves the shank, as a share of the head’s length behind the nose; negative in front of it',
    }),
    size: Type.Optional(
      Type.Number({
        minimum: 0.5,
        maximum: 10,
        description: 'Inner diameter of the eye, mm; from the wire where absent',
      }),
    ),
    recess: Type.Optional(
      Type.Number({ minimum: 0, maximum: 8, description: 'How deep the eye is set into the head, mm' }),
    ),
  },
  { ...closed, description: 'The eye (line tie)' },
);

export const HOOK_RULES = ['keep', 'step', 'proportion'] as const;

const LadderSchema = Type.Object(
  {
    rule: Type.Union(
      HOOK_RULES.map((rule) => Type.Literal(rule)),
      {
        description:
          'How the hook follows the weight: kept, one size for each doubling, or in proportion to the head',
      },
    ),
    rungs: Type.Array(
      Type.Object(
        {
          grams: Type.Number({ exclusiveMinimum: 0, maximum: 2000, description: 'Weight of the rung, g' }),
          hook: Type.Optional(
            Type.String({ maxLength: 12, description: 'Hook size of this rung, in place of the rule’s' }),
          ),
          name: Type.Optional(
            Type.String({ maxLength: 120, description: 'Name of this rung, in place of the usual one' }),
          ),
        },
        closed,
      ),
      { maxItems: 24 },
    ),
  },
  { ...closed, description: 'The series of weights this head is to be made in' },
);

export const DesignSchema = Type.Object(
  {
    format: Type.Literal('fern-anvil/design', { description: 'Marks the document' }),
    version: Type.Literal(1, { description: 'Version of the document format' }),
    name: Type.String({ minLength: 1, maxLength: 120, description: 'What the shop calls it' }),
    notes: Type.Optional(Type.String({ maxLength: 8000, description: 'Anything worth remembering' })),
    head: HeadSchema,
    hook: HookSchema,
    eye: EyeSchema,
    keeper: KeeperSchema,
    guard: GuardSchema,
    ladder: Type.Optional(LadderSchema),
  },
  { ...closed, $id: 'fern-anvil-design-1', title: 'Fern Anvil design, version 1' },
);

export type Design = Static<typeof DesignSchema>;
export type HeadSpec = Design['head'];
export type HookSpec = Design['hook'];
export type EyeSpec = Design['eye'];
export type KeeperSpec = Design['keeper'];
export type GuardSpec = Design['guard'];
export type FeatureSpec = Static<typeof FeaturesSchema>;
export type Station = Static<typeof StationSchema>;
export type SolidSpec = Static<typeof SolidSchema>;
export type LadderSpec = Static<typeof LadderSchema>;
export type TargetOf = (typeof TARGETS)[number];
export type HookStyle = (typeof HOOK_STYLES)[number];
export type CollarSpec = Extract<KeeperSpec, { kind: 'collar' }>;
export type WireKeeperSpec = Extract<KeeperSpec, { kind: 'wire' }>;
export type BarrelSpec = Extract<KeeperSpec, { kind: 'barrel' }>;
export type FibreGuardSpec = Extract<GuardSpec, { kind: 'fibre' }>;

/** Something wrong with a document: where, and what to do about it. */
export interface Problem {
  /** JSON pointer of the field, e.g. `/head/dimensions/breadth` */
  readonly path: string;
  /** A sentence that names the field, what is wrong and the remedy */
  readonly message: string;
}
