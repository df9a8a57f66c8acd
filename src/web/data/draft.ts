import type { Problem } from '../../core/document/index.ts';
import { useCallback, useEffect, useMemo, useSyncExternalStore } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import type { Kept } from '../../contract/api.ts';
import { sameDocument } from '../../core/document/same.ts';
import { read, replace, ServerAway, ServerProblem } from './api.ts';
import { oneKey, refreshLists } from './queries.ts';
import type { Collection, Documents } from '../../contract/collections/index.ts';

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
  /** goes back to how the document was before the last edit of this visit (−1), or forth again (+1); false where there is none */
  readonly step: (by: 1 | -1) => boolean;
  /** saves mine over theirs */
  readonly keepMine: () => void;
  /** drops mine for theirs */
  readonly takeTheirs: () => void;
  /** saves what is unsaved at once; true when the server holds everything that is on screen */
  readonly flush: () => Promise<boolean>;
  /** takes up what the server holds now, unless something is unsaved here */
  readonly refresh: (kept: Kept<T>) => void;
}

/** Edits that follow each other this closely are one, as while a word is typed or a slider is pulled, ms. */
const TOGETHER = 700;
/** Edits that can be undone. */
const MOST_STEPS = 100;
const PAUSE = 400;
const RETRY = 2_000;
/** Saves of one state that may fail inside the server before it is taken as one that can never be kept. */
const MOST_FAILURES = 4;
/** States sent without an answer that are remembered, to know them again as one's own. */
const MOST_UNANSWERED = 4;
const backupKey = (collection: Collection, id: string) => `fern-anvil.draft.${collection}.${id}`;

interface Backup<T> {
  readonly document: T;
  readonly version: number;
  /** what was sent of late and not answered: the server may hold it without this browser having been told */
  readonly sent?: readonly T[];
}

function readBackup<T>(key: string): Backup<T> | undefined {
  try {
    const text = localStorage.getItem(key);
    return text ? (JSON.parse(text) as Backup<T>) : undefined;
  } catch {
    return undefined;
  }
}

/**
 * A document being worked on. Edits are kept in this browser at once and sent to the server after a short pause, one save at a
 * time and always the newest. A save that turns out stale overwrites nothing: both versions are then on offer. While
 * the server is away saving is tried again; a reload finds the unsaved edit.
 */
export function openDraft<C extends Collection>(
  collection: C,
  kept: Kept<Documents[C]>,
  onSaved: (kept: Kept<Documents[C]>) => void,
): Draft<Documents[C]> {
  type T = Documents[C];
  const key = backupKey(collection, kept.id);
  const listeners = new Set<() => void>();
  let timer: ReturnType<typeof setTimeout> | undefined;
  let busy = false;
  let failures = 0;
  let unanswered: readonly T[] = [];
  let [past, future]: [T[], T[]] = [[], []];
  let editedAt = 0;
  let view: DraftView<T> = {
    document: kept.document,
    state: 'saved',
    version: kept.version,
    problems: [],
    theirs: undefined,
  };

  const show = (change: Partial<DraftView<T>>) => {
    view = { ...view, ...change };
    for (const listener of listeners) listener();
  };
  const keepBackup = () => {
    try {
      localStorage.setItem(
        key,
        JSON.stringify({
          document: view.document,
          version: view.version,
          sent: unanswered,
        } satisfies Backup<T>),
      );
    } catch {
      // A full or forbidden store costs only the safety of a reload; the save itself goes on.
    }
  };
  const later = (pause: number) => {
    clearTimeout(timer);
    timer = setTimeout(() => void save(), pause);
  };

  async function save(): Promise<void> {
    if (busy || view.state === 'stale') return;
    busy = true;
    const sent = view.document;
    if (unanswered.at(-1) !== sent) unanswered = [...unanswered, sent].slice(-MOST_UNANSWERED);
    keepBackup();
    show({ state: 'saving' });
    try {
      const answer = await replace(collection, kept.id, sent, view.version);
      busy = false;
      failures = 0;
      unanswered = [];
      onSaved(answer);
      if (view.document === sent) {
        localStorage.removeItem(key);
        show({ state: 'saved', version: answer.version, problems: [] });
      } else {
        show({ state: 'waiting', version: answer.version, problems: [] });
        keepBackup();
        later(PAUSE);
      }
    } catch (error) {
      busy = false;
      await failed(error);
    }
  }

  async function failed(error: unknown): Promise<void> {
    if (error instanceof ServerProblem && error.details.status === 412) {
      try {
        const theirs = await read(collection, kept.id);
        // What is there is what is here: our own save, whose answer was lost on the way.
        if (sameDocument(theirs.document, view.document)) {
          localStorage.removeItem(key);
          onSaved(theirs);
          show({ state: 'saved', version: theirs.version, problems: [] });
        } else if (unanswered.some((sent) => sameDocument(theirs.document, sent))) {
          // Or what was here when it was sent: what was done since goes on top of it.
          unanswered = [];
          onSaved(theirs);
          show({ state: 'waiting', version: theirs.version, problems: [] });
          keepBackup();
          later(0);
        } else show({ state: 'stale', theirs });
      } catch (again) {
        await failed(again);
      }
    } else if (error instanceof ServerProblem && error.details.status < 500) {
      const { errors, detail } = error.details;
      show({ state: 'refused', problems: errors ?? [{ path: '', message: detail }] });
    } else if (
      error instanceof ServerProblem &&
      error.details.status === 500 &&
      ++failures >= MOST_FAILURES
    ) {
      // The same state has failed again and again: it is told once and kept here; the next edit tries anew.
      failures = 0;
      const message = `The server cannot take this: ${error.details.detail} What you typed is kept in this browser. Undo the last change, or export the document from the menu.`;
      show({ state: 'refused', problems: [{ path: '', message }] });
    } else {
      // Away, or failing: both are tried again for as long as the screen is open.
      show({
        state: 'away',
        problems:
          error instanceof ServerAway ? [] : [{ path: '', message: String((error as Error).message) }],
      });
      later(RETRY);
    }
  }

  /** Shows a document as edited and saves it after a pause. */
  function put(document: T): void {
    show({ document, state: view.state === 'stale' ? 'stale' : busy ? 'saving' : 'waiting' });
    keepBackup();
    if (view.state !== 'stale') later(PAUSE);
  }

  const backup = readBackup<T>(key);
  if (backup && JSON.stringify(backup.document) !== JSON.stringify(kept.document)) {
    view = { ...view, document: backup.document, version: backup.version, state: 'waiting' };
    unanswered = backup.sent ?? [];
    later(0);
  }

  return {
    view: () => view,
    subscribe: (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    edit: (change) => {
      const document = change(view.document);
      if (document === view.document) return;
      const now = Date.now();
      if (now - editedAt > TOGETHER || past.length === 0) past = [...past, view.document].slice(-MOST_STEPS);
      editedAt = now;
      future = [];
      put(document);
    },
    step: (by) => {
      const [from, to] = by < 0 ? [past, future] : [future, past];
      const document = from.pop();
      if (document === undefined || view.state === 'stale') return false;
      to.push(view.document);
      // What is typed next is an edit of its own.
      editedAt = 0;
      put(document);
      return true;
    },
    keepMine: () => {
      if (!view.theirs) return;
      show({ version: view.theirs.version, theirs: undefined, state: 'waiting' });
      keepBackup();
      later(0);
    },
    takeTheirs: () => {
      if (!view.theirs) return;
      localStorage.removeItem(key);
      [past, future] = [[], []];
      show({
        document: view.theirs.document,
        version: view.theirs.version,
        theirs: undefined,
        state: 'saved',
        problems: [],
      });
    },
    flush: async () => {
      clearTimeout(timer);
      if (view.state === 'waiting' || view.state === 'away' || view.state === 'refused') await save();
      // A save under way when this was asked for is waited for; it may leave a newer edit behind it.
      while (busy || (view.state === 'waiting' && !view.theirs)) {
        await new Promise<void>((resolve) => {
          const once = () => {
            listeners.delete(once);
            resolve();
          };
          listeners.add(once);
          if (!busy) void save();
        });
      }
      return view.state === 'saved';
    },
    refresh: (now) => {
      if (view.state === 'saved' && !busy && now.version > view.version) {
        // Someone else’s state is not one’s own to be undone.
        [past, future] = [[], []];
        show({ document: now.document, version: now.version });
      }
    },
  };
}

const open = new Map<string, unknown>();

/** The draft of a document on screen; the same one while the page lives, so that changing screens never drops an edit. */
export function useDraft<C extends Collection>(collection: C, kept: Kept<Documents[C]>) {
  type T = Documents[C];
  const client = useQueryClient();
  const draft = useMemo(() => {
    const key = `${collection}/${kept.id}`;
    const existing = open.get(key) as Draft<T> | undefined;
    const made =
      existing ??
      openDraft(collection, kept, (saved) => {
        client.setQueryData(oneKey(collection, kept.id), saved);
        void refreshLists(client, collection);
      });
    open.set(key, made);
    return made;
    // The draft belongs to the document's identity; later versions come in through refresh below.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [collection, kept.id, client]);
  useEffect(() => draft.refresh(kept), [draft, kept]);
  const view = useSyncExternalStore(draft.subscribe, draft.view);
  const edit = useCallback((change: (document: T) => T) => draft.edit(change), [draft]);
  return {
    ...view,
    edit,
    step: draft.step,
    keepMine: draft.keepMine,
    takeTheirs: draft.takeTheirs,
    flush: draft.flush,
    refresh: draft.refresh,
  };
}
