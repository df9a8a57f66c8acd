import Modal from 'react-bootstrap/Modal';
import { differences } from '../../core/document/index.ts';
import { shortened } from '../../core/quantity/index.ts';
import type { Kept } from '../../contract/api.ts';
import type { DraftView } from '../data/draft-view.ts';
import { useCreate } from '../data/queries.ts';
import type { Collection, Documents } from '../../contract/collections/index.ts';

const shown = (value: unknown): string =>
  value === undefined
    ? '–'
    : typeof value === 'number'
      ? String(Number(value.toPrecision(6)))
      : typeof value === 'string'
        ? value
        : JSON.stringify(value);

interface Props<T> {
  readonly mine: T;
  readonly theirs: Kept<T> | undefined;
  readonly onKeepMine: () => void;
  readonly onTakeTheirs: () => void;
  readonly onKeepBoth: () => void;
}

/** Shown when a document was saved elsewhere since it was opened here: both versions, and what differs. */
function StaleDialog<T extends object>({ mine, theirs, onKeepMine, onTakeTheirs, onKeepBoth }: Props<T>) {
  const rows = theirs ? differences(mine, theirs.document) : [];
  return (
    <Modal
      show={theirs !== undefined}
      backdrop="static"
      keyboard={false}
      aria-labelledby="stale-title"
      size="lg"
    >
      <Modal.Header>
        <Modal.Title as="h2" id="stale-title">
          This was saved elsewhere
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <p>
          Another tab or person saved this since you opened it. Nothing has been overwritten. Choose which to
          keep:
        </p>
        <table className="stale-table">
          <thead>
            <tr>
              <th scope="col">Field</th>
              <th scope="col">Yours, not saved yet</th>
              <th scope="col">
                Theirs, saved{theirs ? ` ${new Date(theirs.updatedAt).toLocaleTimeString()}` : ''}
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ path, before, after }) => (
              <tr key={path.join()}>
                <th scope="row">{path.join(', ')}</th>
                <td>{shown(before)}</td>
                <td>{shown(after)}</td>
              </tr>
            ))}
            {rows.length === 0 && (
              <tr>
                <td colSpan={3}>The two are the same after all.</td>
              </tr>
            )}
          </tbody>
        </table>
      </Modal.Body>
      <Modal.Footer>
        <button type="button" className="btn btn-quiet" onClick={onKeepBoth}>
          Keep both (mine as a copy)
        </button>
        <button type="button" className="btn btn-quiet" onClick={onTakeTheirs}>
          Take theirs
        </button>
        <button type="button" className="btn btn-fern" onClick={onKeepMine}>
          Keep mine
        </button>
      </Modal.Footer>
    </Modal>
  );
}

interface StaleDraftProps<C extends Collection> {
  readonly collection: C;
  readonly draft: DraftView<Documents[C]> & {
    readonly keepMine: () => void;
    readonly takeTheirs: () => void;
  };
}

/**
 * The dialog of a draft, shown while it is stale. Keeping both saves mine as a copy and then takes theirs.
 */
export function StaleDraft<C extends Collection>({ collection, draft }: StaleDraftProps<C>) {
  const create = useCreate(collection);
  const { document, theirs, keepMine, takeTheirs } = draft;
  const keepBoth = () =>
    create.mutate(
      { ...document, name: `${shortened(document.name, 110)} (mine)` },
      { onSuccess: takeTheirs },
    );
  return (
    <StaleDialog
      mine={document}
      theirs={theirs}
      onKeepMine={keepMine}
      onTakeTheirs={takeTheirs}
      onKeepBoth={keepBoth}
    />
  );
}
