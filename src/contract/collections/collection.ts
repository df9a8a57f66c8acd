import type { TSchema } from '@sinclair/typebox';
import type { Checked } from '../checker.ts';

/** The little every kept document has. */
export interface Named {
  readonly name: string;
}

/** Steps a collection keeps of each document, with words for what each changed. */
export interface Steps<T> {
  /** most steps kept of one document; older ones fall away */
  readonly most: number;
  /** what a save changed, in words; empty where nothing did */
  readonly words: (before: T, after: T) => string;
  /**
   * whether two saves in a row, each in words, are about the same, so that the second goes on with the step
   * of the first
   */
  readonly isAlike: (before: string, after: string) => boolean;
}

/**
 * A collection of documents the server keeps. Addresses, checks, history, backup, damage check, vacuum, shop
 * file, published schema and the table in docs/formats.md are made from it; besides its file and its line of
 * the index it needs its table in the server's schema.
 */
export interface CollectionKind<K extends string, T extends Named, H extends boolean> {
  /** its address below /api, its table, and its list in a shop file */
  readonly key: K;
  /** what one of its documents is called in a sentence */
  readonly noun: string;
  readonly schema: TSchema;
  /** Returns a document as the present version holds it, or what is wrong with it. */
  readonly check: (data: unknown) => Checked<T>;
  /** whether every save is a step to be gone back and forth on, and states can be given names */
  readonly keepsHistory: H;
  readonly steps: H extends true ? Steps<T> : undefined;
}

/** Returns a collection that keeps its documents as they were last saved. */
export const plainCollection = <const K extends string, T extends Named>(
  kind: Omit<CollectionKind<K, T, false>, 'keepsHistory' | 'steps'>,
): CollectionKind<K, T, false> => ({ ...kind, keepsHistory: false, steps: undefined });

/** Returns a collection that keeps the steps of its documents. */
export const steppedCollection = <const K extends string, T extends Named>(
  kind: Omit<CollectionKind<K, T, true>, 'keepsHistory'>,
): CollectionKind<K, T, true> => ({ ...kind, keepsHistory: true });
