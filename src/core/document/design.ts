import type { Static } from '@sinclair/typebox';
import { Type } from '@sinclair/typebox';
import type { GuardSpec } from '../fitting/guards/index.ts';
import { GUARDS } from '../fitting/guards/index.ts';
import type { KeeperSpec } from '../fitting/keepers/index.ts';
import { KEEPERS } from '../fitting/keepers/index.ts';
import { SkirtSchema } from '../fitting/skirt.ts';
import { HeadSchema } from '../head/schema.ts';
import { EyeSchema, HookSpecSchema } from '../hook/schema.ts';
import { kindSchema } from '../kind/registry.ts';
import { idOf } from './ids.ts';
import { ArticleSchema } from './article.ts';

/**
 * What a design is: one plain JSON document. Lengths in mm, weights in g, angles in degrees. The schema is
 * the single source of the type, of the server's checks and of docs/schema/design.schema.json; each part of
 * it stands with the noun it describes. It holds the outer limits of sense; what a family or a hook allows is
 * judged by `checkDesign`.
 */

const closed = { additionalProperties: false };

/** How hooks of a ladder follow its weights. */
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

const pixel = (description: string) =>
  Type.Tuple(
    [Type.Number({ minimum: -4000, maximum: 8000 }), Type.Number({ minimum: -4000, maximum: 8000 })],
    {
      description,
    },
  );
const PlacedPhotoSchema = Type.Object(
  {
    id: idOf('photos', 'Of the photograph'),
    rear: pixel('Where the rear face meets the shank’s line, px'),
    nose: pixel('Where the nose meets the shank’s line, px'),
    length: Type.Number({ minimum: 0.5, maximum: 500, description: 'From one to the other, mm' }),
    flipped: Type.Optional(Type.Boolean({ description: 'Turned upside down about that line' })),
  },
  { ...closed, description: 'A photograph under the side view' },
);

const DragSchema = Type.Object(
  {
    factor: Type.Number({
      minimum: 0.1,
      maximum: 10,
      description: 'What the drag reckoned is multiplied by',
    }),
    low: Type.Number({ minimum: 0.01, maximum: 100, description: 'Least it may be, at 95%' }),
    high: Type.Number({ minimum: 0.01, maximum: 100, description: 'Most it may be, at 95%' }),
    count: Type.Integer({ minimum: 1, maximum: 10_000, description: 'Drops and tows it was found from' }),
  },
  { ...closed, description: 'Drag measured on the water: fall and retrieve follow it' },
);
/** A drag factor found from timed drops or tows. */
export type MeasuredDrag = Static<typeof DragSchema>;

/** The schema of a design’s document. */
export const DesignSchema = Type.Object(
  {
    format: Type.Literal('fern-anvil/design', { description: 'Marks the document' }),
    version: Type.Literal(1, { description: 'Version of the document format' }),
    name: Type.String({
      minLength: 1,
      maxLength: 120,
      pattern: '^$|\\S',
      description: 'What the shop calls it',
    }),
    notes: Type.Optional(Type.String({ maxLength: 8000, description: 'Anything worth remembering' })),
    head: HeadSchema,
    hook: HookSpecSchema,
    eye: EyeSchema,
    keeper: Type.Unsafe<KeeperSpec>(kindSchema(KEEPERS, 'What holds the plastic')),
    guard: Type.Unsafe<GuardSpec>(kindSchema(GUARDS, 'What guards the point')),
    skirt: Type.Optional(SkirtSchema),
    drag: Type.Optional(DragSchema),
    photo: Type.Optional(PlacedPhotoSchema),
    ladder: Type.Optional(LadderSchema),
    article: Type.Optional(ArticleSchema),
  },
  { ...closed, $id: 'fern-anvil-design-1', title: 'Fern Anvil design, version 1' },
);

/** A design’s document. */
export type Design = Static<typeof DesignSchema>;
/** A ladder as a design keeps it. */
export type LadderSpec = Static<typeof LadderSchema>;
