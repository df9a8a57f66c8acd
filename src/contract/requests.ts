import type { Static } from '@sinclair/typebox';
import { Type } from '@sinclair/typebox';
import { CHORD_RANGE } from '../core/head/index.ts';
import { TAXES } from '../core/quantity/index.ts';
import type { MethodKey } from '../core/rigging/index.ts';
import { METHODS } from '../core/rigging/index.ts';

/** Most documents on one page of a list. */
export const PAGE_LIMIT = 500;

/** What a list may be asked for: how many, after which mark, with what in the name. */
export const ListQuerySchema = Type.Object(
  {
    limit: Type.Optional(Type.Integer({ minimum: 1, maximum: PAGE_LIMIT })),
    after: Type.Optional(Type.String({ maxLength: 400 })),
    q: Type.Optional(Type.String({ maxLength: 120 })),
  },
  { additionalProperties: false },
);

/** A question to a list. */
export type ListQuery = Static<typeof ListQuerySchema>;

/** What a shop may set of a metal: its density and its price. */
export const MetalEditSchema = Type.Object(
  {
    density: Type.Optional(Type.Number({ minimum: 1, maximum: 23, description: 'g/cm³' })),
    price: Type.Optional(
      Type.Number({ minimum: 0, maximum: 100_000, description: 'of a kilogram, in the shop’s own money' }),
    ),
  },
  { additionalProperties: false, minProperties: 1 },
);

/** A density or price a shop has found for itself. */
export type MetalEdit = Static<typeof MetalEditSchema>;

/** Most outlines asked for at once. */
export const OUTLINES_AT_ONCE = 120;

/** Which designs outlines are asked for. */
export const OutlinesQuerySchema = Type.Object(
  { ids: Type.String({ maxLength: OUTLINES_AT_ONCE * 60, description: 'Design ids, with commas between' }) },
  { additionalProperties: false },
);

/** A question for outlines. */
export type OutlinesQuery = Static<typeof OutlinesQuerySchema>;

/** The step a document is to stand at. */
export const GoSchema = Type.Object(
  { step: Type.Integer({ minimum: 0, maximum: 2_147_483_647 }) },
  { additionalProperties: false },
);

/** A move along a document’s history. */
export type Go = Static<typeof GoSchema>;

/** The name of a version. */
export const NameSchema = Type.Object(
  { name: Type.String({ minLength: 1, maxLength: 120 }) },
  { additionalProperties: false },
);

/** A name for the present state. */
export type Naming = Static<typeof NameSchema>;

/** How a file of a design is to be made. */
export const ExportQuerySchema = Type.Object(
  {
    shrink: Type.Optional(
      Type.Number({ minimum: 0, maximum: 10, description: 'Shrinkage the solid is enlarged by, per cent' }),
    ),
    chord: Type.Optional(
      Type.Number({
        minimum: CHORD_RANGE[0],
        maximum: CHORD_RANGE[1],
        description:
          'How far a facet of a solid may lie from the surface it stands for, mm; 0.01 where absent',
      }),
    ),
    arrangement: Type.Optional(Type.Union([Type.Literal('third'), Type.Literal('first')])),
    units: Type.Optional(
      Type.Union([Type.Literal('imperial'), Type.Literal('metric'), Type.Literal('both')]),
    ),
  },
  { additionalProperties: false },
);

/** A question for a file. */
export type ExportQuery = Static<typeof ExportQuerySchema>;

/** What a rigging card is asked for with. */
export const CardQuerySchema = Type.Object(
  {
    plastic: Type.String({ minLength: 1, maxLength: 100, description: 'Id of the plastic' }),
    method: Type.Unsafe<MethodKey>(
      Type.Union(
        METHODS.map(({ key }) => Type.Literal(key)),
        { description: 'How it is put on' },
      ),
    ),
    cut: Type.Optional(Type.Number({ minimum: 0, maximum: 240, description: 'Cut off its nose, mm' })),
    units: Type.Optional(Type.Union([Type.Literal('imperial'), Type.Literal('metric')])),
    sheet: Type.Optional(Type.Boolean({ description: 'The spec sheet before it' })),
  },
  { additionalProperties: false },
);

/** A question for a rigging card. */
export type CardQuery = Static<typeof CardQuerySchema>;

/** What a counter card is asked for with. */
export const CounterQuerySchema = Type.Object(
  {
    units: Type.Optional(Type.Union([Type.Literal('imperial'), Type.Literal('metric')])),
    plastic: Type.Optional(
      Type.String({ minLength: 1, maxLength: 100, description: 'Id of the plastic of a pair' }),
    ),
    method: Type.Optional(CardQuerySchema.properties.method),
  },
  { additionalProperties: false },
);

/** A question for a counter card. */
export type CounterQuery = Static<typeof CounterQuerySchema>;

/** What a customer’s card is asked for with. */
export const CustomerCardQuerySchema = Type.Object(
  {
    units: Type.Optional(Type.Union([Type.Literal('imperial'), Type.Literal('metric')])),
    heads: Type.String({
      minLength: 1,
      maxLength: 400,
      description: 'Ids of one to three designs with commas between, the best first',
    }),
  },
  { additionalProperties: false },
);

/** A question for a customer’s card. */
export type CustomerCardQuery = Static<typeof CustomerCardQuerySchema>;

/** Heads of a series that are taken back, each at the version it was made as. */
export const SeriesRemovalSchema = Type.Object(
  {
    heads: Type.Array(
      Type.Object(
        { id: Type.String({ minLength: 1, maxLength: 100 }), version: Type.Integer({ minimum: 1 }) },
        { additionalProperties: false },
      ),
      { minItems: 1, maxItems: 1000, description: 'Ids with the versions they were made as' },
    ),
  },
  { additionalProperties: false },
);

/** Heads of a series that are taken back. */
export type SeriesRemoval = Static<typeof SeriesRemovalSchema>;

/** What is done to the simulated scale. */
export const ScaleActSchema = Type.Union([
  Type.Object(
    {
      act: Type.Literal('put'),
      grams: Type.Number({ minimum: 0, maximum: 2000, description: 'g on the pan' }),
    },
    { additionalProperties: false },
  ),
  Type.Object({ act: Type.Literal('take') }, { additionalProperties: false }),
  Type.Object({ act: Type.Literal('tare') }, { additionalProperties: false }),
  Type.Object({ act: Type.Literal('unit') }, { additionalProperties: false }),
  Type.Object({ act: Type.Literal('plug'), in: Type.Boolean() }, { additionalProperties: false }),
]);

/** How long lines of the scale are asked for, s; one second where nothing is said. */
export const ScaleQuerySchema = Type.Object(
  { seconds: Type.Optional(Type.Integer({ minimum: 1, maximum: 86_400 })) },
  { additionalProperties: false },
);

/** A question to the simulated scale. */
export type ScaleQuery = Static<typeof ScaleQuerySchema>;

/** Whether a shop file is only looked at, and what that look answered. */
export const ShopQuerySchema = Type.Object(
  {
    trial: Type.Optional(Type.String({ maxLength: 10 })),
    seen: Type.Optional(Type.String({ maxLength: 100 })),
  },
  { additionalProperties: false },
);

/** A question that goes with a shop file. */
export type ShopQuery = Static<typeof ShopQuerySchema>;

/** What the shop's prices are in. */
export const MoneySchema = Type.Object(
  {
    currency: Type.String({
      pattern: '^(?:[A-Z]{3})?$',
      description: 'Currency, by its code of ISO 4217; empty where it is not said',
    }),
    tax: Type.Union(
      TAXES.map((one) => Type.Literal(one)),
      { description: 'Tax' },
    ),
  },
  { additionalProperties: false },
);

/** What may be set of the daily backups. */
export const BackupsEditSchema = Type.Object(
  {
    folder: Type.Optional(Type.String({ minLength: 1, maxLength: 1000, description: 'Folder' })),
    isOn: Type.Optional(Type.Boolean()),
  },
  { additionalProperties: false, minProperties: 1 },
);

/** A change of the daily backups. */
export type BackupsEdit = Static<typeof BackupsEditSchema>;
