import type { Static } from '@sinclair/typebox';
import { Type } from '@sinclair/typebox';
import type { ReadingId } from '../core/behaviour/index.ts';
import type { Problem, RuleSet } from '../core/document/index.ts';
import type { ChartRow } from '../core/hook/index.ts';
import type { Metal } from '../core/material/index.ts';
import type { Drawing } from '../core/plate/index.ts';
import type { MethodKey } from '../core/rigging/index.ts';
import { METHODS } from '../core/rigging/index.ts';
import type { Collection, Documents } from './collections/index.ts';

/** Base of every address below. */
export const API = '/api';

/** What the list of designs carries besides the document, so that the Rack draws without computing. */
export interface DesignSummary {
  readonly ok: true;
  /** the making of the summary, see the server */
  readonly revision: number;
  readonly readings: Partial<Record<ReadingId, number>>;
  /** plausible spans, where a reading has one */
  readonly ranges: Partial<Record<ReadingId, readonly [number, number]>>;
  readonly drawing: Drawing;
}
/** Why a design kept on the Rack has no figures. */
export interface BrokenSummary {
  readonly ok: false;
  readonly revision: number;
  readonly problems: readonly Problem[];
}

/** A kept document. `version` counts saves and is the entity tag. */
export interface Kept<T> {
  readonly id: string;
  readonly version: number;
  readonly updatedAt: string;
  /** put away; absent when it hangs on the Rack */
  readonly archived?: true;
  readonly document: T;
  readonly summary?: DesignSummary | BrokenSummary;
}

/** One page of a list. */
export interface Page<T> {
  readonly items: readonly Kept<T>[];
  readonly total: number;
  /** hand back as `after` to get the next page; absent on the last */
  readonly next?: string;
}

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

/** A kind of water in the stores: °C and grams of salt in a kilogram. */
export interface WaterRow {
  readonly key: string;
  readonly name: string;
  readonly temperature: number;
  readonly salinity: number;
  readonly source: string;
}

/** A kind of line in the stores: density in g/cm³. */
export interface LineRow {
  readonly key: string;
  readonly material: string;
  readonly density: number;
  readonly source: string;
}

/** The reference stores. */
export interface Stores {
  readonly metals: readonly (Metal & { readonly version: number; readonly reference: number })[];
  readonly hooks: readonly ChartRow[];
  readonly waters: readonly WaterRow[];
  readonly lines: readonly LineRow[];
}

/** The rules of the match a shop judges by. Version 0 is the reference set. */
export interface RulesInForce {
  readonly version: number;
  readonly document: RuleSet;
  /** why the shop’s own set is not used; the reference set stands in for it */
  readonly problems: readonly Problem[];
}

/** What the Rack knows of a design before its outline is asked for: all it searches, filters and sorts by. */
export interface RackCard {
  readonly id: string;
  readonly version: number;
  readonly name: string;
  readonly archived: boolean;
  /** its figures are of a metal’s older density or price, or of an older version, and being made anew */
  readonly isStale: boolean;
  readonly family: string;
  /** the family’s name, so that the Rack need not know the families */
  readonly shape: string;
  readonly metal: string;
  readonly hook: string;
  readonly style: string;
  readonly hinged: boolean;
  readonly angle: number;
  readonly plane: string;
  readonly keeper: string;
  readonly guard: string;
  /** first words of the notes, for the search */
  readonly notes: string;
  /** metal as built, g, and fall, m/s; null when it cannot be built */
  readonly grams: number | null;
  readonly fall: number | null;
  /** nose down on a tight line, degrees */
  readonly hang: number;
  /** reach from the eye when hanging: left, right and below, mm */
  readonly reach: readonly [left: number, right: number, below: number];
  /** its figures are still to be worked out */
  readonly pending?: true;
  readonly problem?: string;
}

/** A card as it is kept, checked where it comes from outside. */
export const KeptCardSchema = Type.Object({
  name: Type.String(),
  family: Type.String(),
  shape: Type.String(),
  metal: Type.String(),
  hook: Type.String(),
  style: Type.String(),
  hinged: Type.Boolean(),
  angle: Type.Number(),
  plane: Type.String(),
  keeper: Type.String(),
  guard: Type.String(),
  notes: Type.String(),
  grams: Type.Union([Type.Number(), Type.Null()]),
  fall: Type.Union([Type.Number(), Type.Null()]),
  hang: Type.Number(),
  reach: Type.Array(Type.Number(), { minItems: 3, maxItems: 3 }),
  pending: Type.Optional(Type.Literal(true)),
  problem: Type.Optional(Type.String()),
});

const Path = Type.Array(Type.Array(Type.Number(), { minItems: 2, maxItems: 2 }));
/** A summary as it is kept, checked where it comes from outside: its figures, and of its drawing what every outline is made from. */
export const KeptSummarySchema = Type.Union([
  Type.Object({
    ok: Type.Literal(true),
    revision: Type.Integer(),
    readings: Type.Record(Type.String(), Type.Number()),
    ranges: Type.Record(Type.String(), Type.Array(Type.Number(), { minItems: 2, maxItems: 2 })),
    drawing: Type.Object({
      length: Type.Number(),
      breadth: Type.Number(),
      height: Type.Number(),
      rise: Type.Number(),
      drop: Type.Number(),
      wire: Type.Number(),
      side: Path,
      top: Path,
      front: Path,
      hook: Path,
      keeper: Type.Array(Type.Object({})),
      eye: Type.Object({ at: Path.items, along: Path.items, radius: Type.Number(), wire: Type.Number() }),
      edges: Type.Object({ side: Type.Array(Type.Object({})), top: Type.Array(Type.Object({})) }),
    }),
  }),
  Type.Object({
    ok: Type.Literal(false),
    revision: Type.Integer(),
    problems: Type.Array(Type.Object({ path: Type.String(), message: Type.String() })),
  }),
]);

/** Names of what designs on the Rack are made of and with, by key. */
export type RackNames = Readonly<Record<'metal' | 'keeper' | 'guard', Readonly<Record<string, string>>>>;

/** The Rack: every design's card, and the outlines of those it begins with. */
export interface RackIndex {
  readonly names: RackNames;
  /** how many heads there are, and of how many the figures are up to date */
  readonly figures: { readonly done: number; readonly of: number };
  readonly cards: readonly RackCard[];
  readonly outlines: Readonly<Record<string, Drawing>>;
}

/** Most outlines asked for at once. */
export const OUTLINES_AT_ONCE = 120;
/** Which designs outlines are asked for. */
export const OutlinesQuerySchema = Type.Object(
  { ids: Type.String({ maxLength: OUTLINES_AT_ONCE * 60, description: 'Design ids, with commas between' }) },
  { additionalProperties: false },
);
/** A question for outlines. */
export type OutlinesQuery = Static<typeof OutlinesQuerySchema>;

/** One step of a design's history. */
export interface HistoryStep {
  readonly step: number;
  readonly words: string;
  readonly at: string;
}
/** A state of a document that was given a name; `at` is an ISO 8601 date. */
export interface NamedVersion {
  readonly id: string;
  readonly name: string;
  readonly at: string;
}
/** The steps of a document and its named versions. */
export interface History {
  /** the step the design stands at; later ones can be redone */
  readonly now: number;
  readonly steps: readonly HistoryStep[];
  readonly versions: readonly NamedVersion[];
}

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

/** A whole shop as one document. */
export type Shop = { readonly format: 'fern-anvil/shop'; readonly version: 1 } & {
  readonly [C in Collection]: readonly { readonly id: string; readonly document: Documents[C] }[];
};

/** What taking in a file would do, or did, document by document. */
export interface Intake {
  readonly done: boolean;
  readonly rows: readonly {
    readonly collection: Collection;
    readonly id: string;
    readonly name: string;
    readonly does: 'adds' | 'changes' | 'same';
  }[];
  readonly problems: readonly Problem[];
  /** stands for what was looked at; handed back with the file, it keeps what was saved since from being overwritten */
  readonly seen: string;
}

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

/** A backup in the shop's folder of them. */
export interface BackupRow {
  readonly name: string;
  /** when it was begun, ISO 8601 */
  readonly at: string;
  readonly bytes: number;
}

/** The shop's backups: where they go, what is there, and what is being done. */
export interface BackupsState {
  readonly folder: string;
  /** whether one is made every day */
  readonly isOn: boolean;
  readonly isDemo: boolean;
  /** the folder lies inside the shop's data: a lost disk takes both */
  readonly isInside: boolean;
  /** none is younger than a week */
  readonly isOld: boolean;
  /** newest first */
  readonly items: readonly BackupRow[];
  /** what is being done, or was done last: the name of the backup or the folder it was given back into, or why it failed */
  readonly job?: {
    readonly kind: 'backup' | 'restore';
    readonly isRunning: boolean;
    readonly result?: string;
    readonly problem?: string;
  };
}

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

/** What reading a backup whole has found. */
export interface BackupChecked {
  readonly rows: number;
  /** documents that do not fit, in sentences */
  readonly misfits: readonly string[];
}

/** RFC 9457 problem details with our own list of fields. */
export interface ProblemDetails {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  readonly detail: string;
  readonly errors?: readonly Problem[];
}

/** Entity tag of a version. */
export const etagOf = (version: number): string => `"v${version}"`;
