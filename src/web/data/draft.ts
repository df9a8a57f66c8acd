import { useCallback, useEffect, useMemo, useSyncExternalStore } from 'react';
import { type QueryClient, useQueryClient } from '@tanstack/react-query';
import type { Kept } from '../../contract/api.ts';
import { sameDocument } from '../../core/document/same.ts';
import { createAs, read, remove, replace, ServerProblem } from './api.ts';
import { backupsOf, UNSENT } from './draft-backup.ts';
import { trailOf } from './draft-trail.ts';
import type { Draft, DraftView } from './draft-view.ts';
import { stateOfEdit } from './draft-view.ts';
import { verdictOn } from './draft-verdict.ts';
import { oneKey, refreshLists } from './queries.ts';
import type { Collection, Documents } from '../../contract/collections/index.ts';

const PAUSE = 400;
const RETRY = 2_000;
/** States sent without an answer that are remembered, to know them again as one's own. */
const MOST_UNANSWERED = 4;

/** A document as the server holds it. */
const savedView = <T>({ document, version }: Kept<T>): DraftView<T> => ({
  document,
  state: 'saved',
  version,
  problems: [],
  theirs: undefined,
});

/** Saves a document over a version; one that no server has is made there. */
const sendAt = <C extends Collection>(
  collection: C,
  id: string,
  document: Documents[C],
  version: number,
): Promise<Kept<Documents[C]>> =>
  version === UNSENT ? createAs(collection, id, document) : replace(collection, id, document, version);

/** Those who want to be told of a change. */
function audience() {
  const listeners = new Set<() => void>();
  return {
    notify: () => {
      for (const listener of listeners) listener();
    },
    subscribe: (listener: () => void) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
  };
}

/**
 * The saving of a document that is worked on: one save at a time and always the newest, what is not
 * acknowledged kept in this browser. A save that turns out stale overwrites nothing.
 */
function openSaving<C extends Collection>(
  collection: C,
  kept: Kept<Documents[C]>,
  onSaved: (kept: Kept<Documents[C]>) => void,
) {
  type T = Documents[C];
  const backups = backupsOf<T>(collection, kept.id);
  const { notify, subscribe } = audience();
  let timer: ReturnType<typeof setTimeout> | undefined;
  let busy = false;
  let failures = 0;
  let unanswered: readonly T[] = [];
  let view: DraftView<T> = savedView(kept);

  const show = (change: Partial<DraftView<T>>) => {
    view = { ...view, ...change };
    notify();
  };
  const keepBackup = () => backups.keep({ document: view.document, version: view.version, sent: unanswered });
  const later = (pause: number) => {
    clearTimeout(timer);
    timer = setTimeout(() => void save(), pause);
  };

  /** What is here is what the server holds. */
  const acknowledged = (kept: Kept<T>) => {
    backups.drop();
    onSaved(kept);
    show({ state: 'saved', version: kept.version, problems: [] });
  };

  async function save(): Promise<void> {
    if (busy || backups.isClosed() || view.state === 'stale') return;
    busy = true;
    const sent = view.document;
    if (unanswered.at(-1) !== sent) unanswered = [...unanswered, sent].slice(-MOST_UNANSWERED);
    keepBackup();
    if (view.state !== 'away') show({ state: 'saving' });
    try {
      const answer = await sendAt(collection, kept.id, sent, view.version);
      // Given up while it was on its way: what came through is taken back.
      if (backups.isClosed()) return await remove(collection, kept.id, answer.version);
      busy = false;
      failures = 0;
      unanswered = [];
      if (view.document === sent) acknowledged(answer);
      else {
        onSaved(answer);
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
    if (error instanceof ServerProblem && error.details.status === 412) return conflicted();
    const verdict = verdictOn(error, failures);
    failures = verdict.failures;
    show({ state: verdict.state, problems: verdict.problems });
    // Away, or failing: both are tried again for as long as the screen is open.
    if (verdict.state === 'away') later(RETRY);
    return undefined;
  }

  /** Somebody has saved since: it may have been this browser itself, whose answer was lost on the way. */
  async function conflicted(): Promise<void> {
    try {
      const theirs = await read(collection, kept.id);
      // What is there is what is here: our own save, whose answer was lost on the way.
      if (sameDocument(theirs.document, view.document)) acknowledged(theirs);
      else if (unanswered.some((sent) => sameDocument(theirs.document, sent))) {
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
  }

  /** Shows a document as edited and saves it after a pause. */
  function put(document: T): void {
    show({ document, state: stateOfEdit(view.state, busy) });
    keepBackup();
    if (view.state !== 'stale') later(PAUSE);
  }

  const backup = backups.unsaved(kept);
  if (backup) {
    view = { ...view, document: backup.document, version: backup.version, state: 'waiting' };
    unanswered = backup.sent ?? [];
    later(0);
  }

  return {
    backups,
    view: () => view,
    isBusy: () => busy,
    subscribe,
    show,
    put,
    save,
    keepBackup,
    later,
    /** what was to be saved later is not */
    stopWaiting: () => clearTimeout(timer),
    /** nothing is saved or kept any more, whatever comes of a save that is under way */
    abandon: () => {
      clearTimeout(timer);
      backups.close();
    },
  };
}

/**
 * A document being worked on. Edits are kept in this browser at once and sent to the server after a short
 * pause, one save at a time and always the newest. A save that turns out stale overwrites nothing: both
 * versions are then on offer. While the server is away saving is tried again; a reload finds the unsaved
 * edit.
 */
export function openDraft<C extends Collection>(
  collection: C,
  kept: Kept<Documents[C]>,
  onSaved: (kept: Kept<Documents[C]>) => void,
): Draft<Documents[C]> {
  const saving = openSaving(collection, kept, onSaved);
  const { view, isBusy, show, put, save, backups, keepBackup, later } = saving;
  const trail = trailOf<Documents[C]>();
  return {
    view,
    subscribe: saving.subscribe,
    edit: (change) => {
      const document = change(view().document);
      if (document === view().document) return;
      trail.edited(view().document);
      put(document);
    },
    step: (by) => {
      if (view().state === 'stale') return false;
      const document = trail.step(by, view().document);
      if (document === undefined) return false;
      put(document);
      return true;
    },
    keepMine: () => {
      const { theirs } = view();
      if (!theirs) return;
      show({ version: theirs.version, theirs: undefined, state: 'waiting' });
      keepBackup();
      later(0);
    },
    takeTheirs: () => {
      const { theirs } = view();
      if (!theirs) return;
      backups.drop();
      trail.clear();
      show({
        document: theirs.document,
        version: theirs.version,
        theirs: undefined,
        state: 'saved',
        problems: [],
      });
    },
    flush: async () => {
      saving.stopWaiting();
      if (view().state === 'waiting' || view().state === 'away' || view().state === 'refused') await save();
      // A save under way when this was asked for is waited for; it may leave a newer edit behind it.
      while (isBusy() || (view().state === 'waiting' && !view().theirs)) {
        await new Promise<void>((resolve) => {
          const leave = saving.subscribe(() => {
            leave();
            resolve();
          });
          if (!isBusy()) void save();
        });
      }
      return view().state === 'saved';
    },
    abandon: saving.abandon,
    refresh: (now) => {
      if (view().state === 'saved' && !isBusy() && now.version > view().version) {
        // Someone else’s state is not one’s own to be undone.
        trail.clear();
        show({ document: now.document, version: now.version });
      }
    },
  };
}

const open = new Map<string, unknown>();

/**
 * The draft of a document; the same one while the page lives, so that changing screens never drops an edit.
 */
export function draftOf<C extends Collection>(
  client: QueryClient,
  collection: C,
  kept: Kept<Documents[C]>,
): Draft<Documents[C]> {
  const key = `${collection}/${kept.id}`;
  const existing = open.get(key) as Draft<Documents[C]> | undefined;
  const made =
    existing ??
    openDraft(collection, kept, (saved) => {
      client.setQueryData(oneKey(collection, kept.id), saved);
      void refreshLists(client, collection);
    });
  open.set(key, made);
  return made;
}

/** The draft of a document on screen. */
export function useDraft<C extends Collection>(collection: C, kept: Kept<Documents[C]>) {
  type T = Documents[C];
  const client = useQueryClient();
  const draft = useMemo(() => {
    return draftOf(client, collection, kept);
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
    abandon: () => {
      draft.abandon();
      open.delete(`${collection}/${kept.id}`);
    },
    refresh: draft.refresh,
  };
}
