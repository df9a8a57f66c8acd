import type { Kept } from '../../contract/api.ts';
import type { Problem } from '../../core/document/index.ts';

/** Where a document stands between the screen and the server. */
export type SaveState = 'saved' | 'waiting' | 'saving' | 'away' | 'refused' | 'stale';

/** A document being edited, as a screen sees it. */
export interface DraftView<T> {
  readonly document: T;
  readonly state: SaveState;
  /** version the draft is based on */
  readonly version: number;
  /** why the server refused it, with fields */
  readonly problems: readonly Problem[];
  /** what another tab or person saved meanwhile, when the state is `stale` */
  readonly theirs: Kept<T> | undefined;
}

/** A document being edited: what it is, and how it is changed and saved. */
export interface Draft<T> {
  readonly view: () => DraftView<T>;
  readonly subscribe: (listener: () => void) => () => void;
  readonly edit: (change: (document: T) => T) => void;
  /**
   * goes back to how the document was before the last edit of this visit (−1), or forth again (+1); false
   * where there is none
   */
  readonly step: (by: 1 | -1) => boolean;
  /** saves mine over theirs */
  readonly keepMine: () => void;
  /** drops mine for theirs */
  readonly takeTheirs: () => void;
  /** saves what is unsaved at once; true when the server holds everything that is on screen */
  readonly flush: () => Promise<boolean>;
  /** gives up what no server has: nothing of it is sent any more, and this browser forgets it */
  readonly abandon: () => void;
  /** takes up what the server holds now, unless something is unsaved here */
  readonly refresh: (kept: Kept<T>) => void;
}

/** What is said of an edit: while the server is away that nothing is saved, however often it is tried. */
export const stateOfEdit = (now: SaveState, isBusy: boolean): SaveState =>
  now === 'stale' || now === 'away' ? now : isBusy ? 'saving' : 'waiting';
