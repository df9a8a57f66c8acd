import type { SaveState } from '../data/draft-view.ts';

/** What it says by state; two lines of it have room. */
export const WORDS: Readonly<Record<SaveState, string>> = {
  saved: '✓ Saved',
  waiting: '… Unsaved',
  saving: '… Saving',
  away: '⚠ Not saved: server away, trying again',
  refused: '✕ Not saved: see the message',
  stale: '⚠ Changed elsewhere',
};

/** Says where the edits are; words and a sign, never colour alone. */
export function SaveBadge({ state }: { readonly state: SaveState }) {
  return (
    <span className={`save-badge save-${state}`} role="status" data-state={state}>
      {WORDS[state]}
    </span>
  );
}
