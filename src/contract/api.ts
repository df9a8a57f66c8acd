import type { Money } from '../core/quantity/index.ts';
import type { ReadingId } from '../core/behaviour/index.ts';
import type { Article, Problem, RuleSet } from '../core/document/index.ts';
import type { ChartRow } from '../core/hook/index.ts';
import type { Metal } from '../core/material/index.ts';
import type { Drawing } from '../core/plate/index.ts';
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
  /** archived; absent when it is on the Rack */
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

/** What the shop's prices are in. Version 0 is where nobody has said. */
export interface MoneyInForce {
  readonly version: number;
  readonly document: Money;
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
  /** how it is bought, kept and sold, where the shop says so */
  readonly article?: Omit<Article, 'photo'>;
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

/** A document that was archived or deleted, with what brings it back. */
export interface ArchivedRow {
  readonly collection: Collection;
  /** what one of it is called */
  readonly noun: string;
  readonly id: string;
  readonly name: string;
  /** it is at now, which bringing it back asks for */
  readonly version: number;
  readonly is: 'archived' | 'deleted';
  /** when, ISO 8601 */
  readonly at: string;
}

/** One step of a design's history. */
export interface HistoryStep {
  readonly step: number;
  readonly words: string;
  readonly at: string;
  /** who saved it, where people have accounts */
  readonly by?: string;
}

/** A state of a document that was given a name; `at` is an ISO 8601 date. */
export interface NamedVersion {
  readonly id: string;
  readonly name: string;
  readonly at: string;
  /** who gave it the name, where people have accounts */
  readonly by?: string;
}

/** The steps of a document and its named versions. */
export interface History {
  /** the step the design stands at; later ones can be redone */
  readonly now: number;
  readonly steps: readonly HistoryStep[];
  readonly versions: readonly NamedVersion[];
}

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
  /**
   * stands for what was looked at; handed back with the file, it keeps what was saved since from being
   * overwritten
   */
  readonly seen: string;
}

/** A backup in the shop's folder of them. */
export interface BackupRow {
  readonly name: string;
  /** when it was begun, ISO 8601 */
  readonly at: string;
  readonly bytes: number;
}

/** A document that names another. */
export interface UsedIn {
  readonly collection: Collection;
  /** what one of its kind is called */
  readonly noun: string;
  readonly id: string;
  readonly name: string;
}

/** The shop's backups: where they go, what is there, and what is being done. */
export interface BackupsState {
  /** of what may be set: the folder, and whether one is made every day */
  readonly version: number;
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
  /**
   * what is being done, or was done last: the name of the backup or the folder it was given back into, or why
   * it failed
   */
  readonly job?: {
    readonly kind: 'backup' | 'restore';
    readonly isRunning: boolean;
    readonly result?: string;
    readonly problem?: string;
  };
}

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
