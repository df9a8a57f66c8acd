import type { Checked } from '../checker.ts';
import { batches } from './batches.ts';
import { briefs } from './briefs.ts';
import type { CollectionKind, Steps } from './collection.ts';
import { designs } from './designs.ts';
import { hooks } from './hooks.ts';
import { moulds } from './moulds.ts';
import { photos } from './photos.ts';
import { plastics } from './plastics.ts';
import { ranges } from './ranges.ts';
import { trials } from './trials.ts';

/** Every collection, in the order of backup and shop file. */
const ALL = [designs, plastics, briefs, hooks, moulds, batches, ranges, trials, photos] as const;

type Kind = (typeof ALL)[number];
/** The key of a collection. */
export type Collection = Kind['key'];
/** Collections whose documents keep their steps, to be gone back and forth on. */
export type WithHistory = Extract<Kind, { readonly keepsHistory: true }>['key'];
/** What each collection keeps. */
export type Documents = {
  [K in Kind as K['key']]: K extends CollectionKind<string, infer T, boolean> ? T : never;
};

/** Keys of all collections, in the order of backup and shop file. */
export const COLLECTIONS: readonly Collection[] = ALL.map(({ key }) => key);

/** Returns whether a collection keeps the steps of its documents. */
export const keepsHistory = (collection: Collection): collection is WithHistory =>
  kindOf(collection).keepsHistory;

/** Keys of the collections that keep steps. */
export const WITH_HISTORY: readonly WithHistory[] = COLLECTIONS.filter(keepsHistory);

/** The record of a collection. */
export function kindOf(collection: Collection): Kind {
  const kind = ALL.find(({ key }) => key === collection);
  if (!kind) throw new Error(`There is no collection “${collection}”.`);
  return kind;
}

/** What a collection's documents are called in a sentence. */
export const nounOf = (collection: Collection): string => kindOf(collection).noun;

// The list knows each by its own type; asked by a key that is only known as one of them, the compiler no
// longer does.
/** What is asked of a document of a collection at every door. */
export const checkOf = <C extends Collection>(collection: C): ((data: unknown) => Checked<Documents[C]>) =>
  kindOf(collection).check as (data: unknown) => Checked<Documents[C]>;

/** How a collection keeps its steps; undefined where it keeps none. */
export const stepsOf = <C extends Collection>(collection: C): Steps<Documents[C]> | undefined =>
  kindOf(collection).steps as Steps<Documents[C]> | undefined;
