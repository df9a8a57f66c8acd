import type { Collection } from '../../contract/collections/index.ts';

/** An edit that the server has not acknowledged. */
interface Backup<T> {
  readonly document: T;
  readonly version: number;
  /** what was sent of late and not answered: the server may hold it without this browser having been told */
  readonly sent?: readonly T[];
}

/** Where this browser keeps the unsaved edit of one document, so that a reload finds it. */
export function backupsOf<T>(collection: Collection, id: string) {
  const key = `fern-anvil.draft.${collection}.${id}`;
  return {
    read: (): Backup<T> | undefined => {
      try {
        const text = localStorage.getItem(key);
        return text ? (JSON.parse(text) as Backup<T>) : undefined;
      } catch {
        return undefined;
      }
    },
    keep: (backup: Backup<T>): void => {
      try {
        localStorage.setItem(key, JSON.stringify(backup));
      } catch {
        // A full or forbidden store costs only the safety of a reload; the save itself goes on.
      }
    },
    drop: (): void => localStorage.removeItem(key),
  };
}
