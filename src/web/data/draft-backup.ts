import type { Kept } from '../../contract/api.ts';
import type { Collection } from '../../contract/collections/index.ts';

/** An edit that the server has not acknowledged. */
interface Backup<T> {
  readonly document: T;
  readonly version: number;
  /** what was sent of late and not answered: the server may hold it without this browser having been told */
  readonly sent?: readonly T[];
}

const PREFIX = 'fern-anvil.draft.';
/** The version of a document that no server has yet. */
export const UNSENT = 0;

/** Ids of documents of a collection that this browser keeps something unsaved of. */
export function unsavedIds(collection: Collection): string[] {
  const start = `${PREFIX}${collection}.`;
  return Object.keys(localStorage).flatMap((key) => (key.startsWith(start) ? [key.slice(start.length)] : []));
}

/** Where this browser keeps the unsaved edit of one document, so that a reload finds it. */
export function backupsOf<T>(collection: Collection, id: string) {
  const key = `${PREFIX}${collection}.${id}`;
  let isClosed = false;
  const read = (): Backup<T> | undefined => {
    try {
      const text = localStorage.getItem(key);
      return text ? (JSON.parse(text) as Backup<T>) : undefined;
    } catch {
      return undefined;
    }
  };
  return {
    /**
     * forgets it, and keeps nothing more: what was given up does not come back with a save that is under way
     */
    close: (): void => {
      isClosed = true;
      localStorage.removeItem(key);
    },
    isClosed: (): boolean => isClosed,
    read,
    /** what is kept beyond a state of the server's: all of it where no server has it yet */
    unsaved: ({ version, document }: Kept<T>): Backup<T> | undefined => {
      const backup = read();
      const isKnown = version !== UNSENT && JSON.stringify(backup?.document) === JSON.stringify(document);
      return isKnown ? undefined : backup;
    },
    /**
     * keeps it; false where this browser does not: a full or forbidden store costs the safety of a reload,
     * and the save itself goes on
     */
    keep: (backup: Backup<T>): boolean => {
      if (isClosed) return false;
      try {
        localStorage.setItem(key, JSON.stringify(backup));
        return true;
      } catch {
        return false;
      }
    },
    drop: (): void => localStorage.removeItem(key),
  };
}
