import type { Kept } from '../contract/api.ts';
import type { Database } from './database.ts';
import type { CardBody } from './summary.ts';

/** What a save was made against: the version it saw, or nothing in particular. */
export type Expected = number | undefined;

/** What a save makes besides the document itself: columns of its row. */
export interface Made {
  readonly summary: Kept<unknown>['summary'] | null;
  readonly card: CardBody | null;
  /** the summary’s revision, and the metal it follows */
  readonly revision: number;
  readonly metal: string;
}

/** What documents without a summary are saved with. */
export const PLAIN: Made = { summary: null, card: null, revision: 0, metal: '' };

/** A transaction, or the database itself. */
export type Writer = Pick<Database, 'select' | 'insert' | 'update' | 'delete'>;

/** Something to read with: a transaction, or the database itself. */
export type Reader = Pick<Database, 'select'>;

/** A document as it is gone through: without what only its own screen asks. */
export interface Stored<T> {
  readonly id: string;
  readonly version: number;
  readonly document: T;
  readonly summary: Kept<T>['summary'] | null;
}

/** How a replaced document stands in its history. */
export interface Replacing {
  /** goes to this step instead of adding one */
  readonly step?: number;
  /** makes a step of its own, whatever came just before it */
  readonly isFresh?: boolean;
}

/**
 * What goes with a save besides the document: the step of its history it then stands at, and what writes that
 * in the save's transaction.
 */
export interface Recorded {
  readonly step: number;
  readonly write: (writer: Writer) => Promise<void>;
}

/**
 * Asked before every save of a document what is to be recorded of it. It only reads; what it found counts as
 * long as the document's version does.
 */
export type OnSave<T> = (
  reader: Reader,
  saved: { id: string; before: T | undefined; after: T; step: number; isFresh?: boolean },
) => Promise<Recorded>;
