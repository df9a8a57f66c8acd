import type { QueryClient } from '@tanstack/react-query';
import type { Kept } from '../../contract/api.ts';
import type { Collection, Documents } from '../../contract/collections/index.ts';
import { backupsOf, unsavedIds, UNSENT } from './draft-backup.ts';
import { draftOf } from './draft.ts';

/** A document as it stands where no server has it. */
const unsentKept = <T>(id: string, document: T): Kept<T> => ({
  id,
  version: UNSENT,
  updatedAt: new Date().toISOString(),
  document,
});

/**
 * Begins a document here, whether or not a server answers; returns its id, undefined where this browser keeps
 * nothing. It is sent as soon as a draft of it is opened.
 */
export function beginHere<C extends Collection>(
  collection: C,
  document: Documents[C],
  id: string = crypto.randomUUID(),
): string | undefined {
  return backupsOf<Documents[C]>(collection, id).keep({ document, version: UNSENT }) ? id : undefined;
}

/** The document of an id that was begun here and that no server has yet; undefined where there is none. */
export function begunHere<C extends Collection>(collection: C, id: string): Kept<Documents[C]> | undefined {
  const backup = backupsOf<Documents[C]>(collection, id).read();
  return backup?.version === UNSENT ? unsentKept(id, backup.document) : undefined;
}

/** Every document of a collection that was begun here and that no server has yet. */
export const allBegunHere = <C extends Collection>(collection: C): Kept<Documents[C]>[] =>
  unsavedIds(collection).flatMap((id) => begunHere(collection, id) ?? []);

/**
 * Sends what this browser keeps unsaved of a collection, also of documents that are not on screen; tried
 * again for as long as the page is open.
 */
export function sendUnsaved<C extends Collection>(
  client: QueryClient,
  collection: C,
  known: readonly Kept<Documents[C]>[],
): void {
  for (const id of unsavedIds(collection)) {
    const kept = begunHere(collection, id) ?? known.find((one) => one.id === id);
    // What is not known here was deleted elsewhere: what was typed stays kept, and its own screen tells of
    // it.
    if (kept) draftOf(client, collection, kept);
  }
}
