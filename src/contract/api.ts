import type { Static } from '@sinclair/typebox';
import { Type } from '@sinclair/typebox';
import type { Brief, ChartRow, Design, Drawing, Metal, Plastic, Problem, ReadingId } from '../core/index.ts';

/** Base of every address below. */
export const API = '/api';

/** Collections of documents the server keeps; each has list, create, read, replace, delete and restore. */
export const COLLECTIONS = ['designs', 'plastics', 'briefs'] as const;
export type Collection = (typeof COLLECTIONS)[number];

export interface Documents {
  designs: Design;
  plastics: Plastic;
  briefs: Brief;
}

/** What the list of designs carries besides the document, so that the Rack draws without computing. */
export interface DesignSummary {
  readonly ok: true;
  /** the making of the summary, see the server */
  readonly revision: number;
  readonly readings: Partial<Record<ReadingId, number>>;
  readonly drawing: Drawing;
}
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
  readonly document: T;
  readonly summary?: DesignSummary | BrokenSummary;
}

export interface Page<T> {
  readonly items: readonly Kept<T>[];
  readonly total: number;
  /** hand back as `after` to get the next page; absent on the last */
  readonly next?: string;
}

export const PAGE_LIMIT = 500;

export const ListQuerySchema = Type.Object(
  {
    limit: Type.Optional(Type.Integer({ minimum: 1, maximum: PAGE_LIMIT })),
    after: Type.Optional(Type.String({ maxLength: 400 })),
    q: Type.Optional(Type.String({ maxLength: 120 })),
  },
  { additionalProperties: false },
);
export type ListQuery = Static<typeof ListQuerySchema>;

export const MetalEditSchema = Type.Object(
  { density: Type.Number({ minimum: 1, maximum: 23, description: 'g/cm³' }) },
  { additionalProperties: false },
);
export type MetalEdit = Static<typeof MetalEditSchema>;

export interface WaterRow {
  readonly key: string;
  readonly name: string;
  readonly temperature: number;
  readonly salinity: number;
  readonly source: string;
}

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
