import type { Static } from '@sinclair/typebox';
import { Type } from '@sinclair/typebox';

/**
 * What a design is: one plain JSON document. Lengths in mm, weights in g, angles in degrees.
 * The schema is the single source of the type, of the server's checks and of docs/schema/design.schema.json.
 * It holds the outer limits of sense; what a family or a hook allows is judged by `checkDesign`.
 */

const closed = { additionalProperties: false };

export const GRADES = ['standard', '1X fine', '2X strong'] as const;

const HeadSchema = Type.Object(
  {
    family: Type.String({
      minLength: 1,
      maxLength: 40,
      description: 'Key of the head family: ball, football or pointed',
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
          of: Type.Union([Type.Literal('metal'), Type.Literal('total')], {
            description:
              'Whether the weight is that of the metal alone or of the head as weighed, with its hook',
          }),
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
      minimum: 0,
      maximum: 1,
      description: 'Where the eye’s leg leaves the shank, as a share of the head’s length behind the nose',
    }),
  },
  { ...closed, description: 'The eye (line tie)' },
);

const KeeperSchema = Type.Union(
  [
    Type.Object({ kind: Type.Literal('none') }, closed),
    Type.Object(
      {
        kind: Type.Literal('collar'),
        length: Type.Number({ minimum: 1, maximum: 40, description: 'Behind the rear face, mm' }),
        diameter: Type.Number({ minimum: 0.8, maximum: 20, description: 'Core of the collar, mm' }),
        barb: Type.Number({ minimum: 0, maximum: 6, description: 'Height of each barb above the core, mm' }),
        barbs: Type.Integer({ minimum: 0, maximum: 6, description: 'Number of barbs' }),
      },
      closed,
    ),
    Type.Object(
      {
        kind: Type.Literal('wire'),
        length: Type.Number({ minimum: 2, maximum: 40, description: 'Behind the rear face, mm' }),
        wire: Type.Number({ minimum: 0.2, maximum: 2, description: 'Wire diameter, mm' }),
        flare: Type.Number({ minimum: 0, maximum: 45, description: 'Angle away from the shank, degrees' }),
      },
      closed,
    ),
  ],
  { description: 'What holds the plastic' },
);

const GuardSchema = Type.Union(
  [
    Type.Object({ kind: Type.Literal('none') }, closed),
    Type.Object(
      {
        kind: Type.Literal('fibre'),
        count: Type.Integer({ minimum: 1, maximum: 120, description: 'Number of fibres' }),
        fibre: Type.Number({ minimum: 0.1, maximum: 1.5, description: 'Diameter of one fibre, mm' }),
        length: Type.Number({ minimum: 2, maximum: 80, description: 'Free length as bought, mm' }),
        lean: Type.Number({
          minimum: 15,
          maximum: 90,
          description: 'Above the shank, leaning back to the point, degrees',
        }),
        setback: Type.Number({
          minimum: 0,
          maximum: 1,
          description: 'Base behind the nose, as a share of the head’s length',
        }),
        fan: Type.Number({
          minimum: 0,
          maximum: 90,
          description: 'Spread sideways from edge to edge, degrees',
        }),
        trimmed: Type.Boolean({ description: 'Cut so that the ends line up with the hook point' }),
      },
      closed,
    ),
  ],
  { description: 'What guards the point' },
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
  },
  { ...closed, $id: 'fern-anvil-design-1', title: 'Fern Anvil design, version 1' },
);

export type Design = Static<typeof DesignSchema>;
export type HeadSpec = Design['head'];
export type HookSpec = Design['hook'];
export type EyeSpec = Design['eye'];
export type KeeperSpec = Design['keeper'];
export type GuardSpec = Design['guard'];
export type CollarSpec = Extract<KeeperSpec, { kind: 'collar' }>;
export type WireKeeperSpec = Extract<KeeperSpec, { kind: 'wire' }>;
export type FibreGuardSpec = Extract<GuardSpec, { kind: 'fibre' }>;

/** Something wrong with a document: where, and what to do about it. */
export interface Problem {
  /** JSON pointer of the field, e.g. `/head/dimensions/breadth` */
  readonly path: string;
  /** A sentence that names the field, what is wrong and the remedy */
  readonly message: string;
}
