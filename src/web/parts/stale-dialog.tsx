import Modal from 'react-bootstrap/Modal';
import { fieldName } from '../../contract/field-name.ts';
import type { NamedDifference } from '../../core/document/index.ts';
import { differences } from '../../core/document/index.ts';
import { shortened } from '../../core/quantity/index.ts';
import type { Kept } from '../../contract/api.ts';
import type { DraftView } from '../data/draft-view.ts';
import { useCreate } from '../data/queries.ts';
import { useUnits } from '../data/units.ts';
import type { Collection, Documents } from '../../contract/collections/index.ts';

/** Returns a value in a word or two: lists by how many they hold. */
const shown = (value: unknown): string =>
  value === undefined || value === null
    ? ''
    : typeof value === 'number'
      ? String(Number(value.toPrecision(6)))
      : typeof value === 'string'
        ? shortened(value, 80)
        : typeof value === 'boolean'
          ? value
            ? 'on'
            : 'off'
          : Array.isArray(value)
            ? `${value.length} in the list`
            : 'set';

/** Returns the fields in which two documents differ, each by its own name. */
const byField = (mine: object, theirs: object): NamedDifference[] =>
  differences(mine, theirs).map(({ path, before, after }) => ({
    name: fieldName(path.join('/')),
    before: shown(before),
    after: shown(after),
  }));

interface Props<T> {
  readonly mine: T;
  readonly theirs: Kept<T> | undefined;
  readonly compare: (mine: T, theirs: T) => readonly NamedDifference[];
  readonly onKeepMine: () => void;
  readonly onTakeTheirs: () => void;
  readonly onKeepBoth: () => void;
}

/** Shown when a document was saved elsewhere since it was opened here: both versions, and what differs. */
function StaleDialog<T extends object>(props: Props<T>) {
  const { mine, theirs, compare, onKeepMine, onTakeTheirs, onKeepBoth } = props;
  const { say } = useUnits();
  const rows = theirs ? compare(mine, theirs.document) : [];
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
            {rows.map(({ name, before, after }, i) => (
              <tr key={i}>
                <th scope="row">{name}</th>
                <td>{say(before) || '–'}</td>
                <td>{say(after) || '–'}</td>
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
  /** the fields in which two of them differ, where they have names of their own */
  readonly compare?: (mine: Documents[C], theirs: Documents[C]) => readonly NamedDifference[];
}

/**
 * The dialog of a draft, shown while it is stale. Keeping both saves mine as a copy and then takes theirs.
 */
export function StaleDraft<C extends Collection>({
  collection,
  draft,
  compare = byField,
}: StaleDraftProps<C>) {
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
      compare={compare}
      onKeepMine={keepMine}
      onTakeTheirs={takeTheirs}
      onKeepBoth={keepBoth}
    />
  );
}
