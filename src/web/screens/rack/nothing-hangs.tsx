import { Link } from 'react-router';
import { Empty } from '../../parts/states.tsx';

interface Props {
  /** heads that hang when nothing is filtered */
  readonly total: number;
  /** whether there is no head at all */
  readonly isEmpty: boolean;
  /** whether archived heads are asked for and there are none */
  readonly isArchiveEmpty: boolean;
  readonly onPick: () => void;
  readonly onAll: () => void;
  readonly onTour: () => void;
  readonly onExamples: () => void;
}

/** A Rack on which nothing is shown: why, and what to do. */
export function NothingHangs({ total, isEmpty, isArchiveEmpty, onPick, onAll, onTour, onExamples }: Props) {
  if (isEmpty)
    return (
      <Empty title="The Rack is empty">
        <p>Start with one of these. Shop files and solids from STL are imported under Files.</p>
        <ul className="state-choices">
          <li>
            <button type="button" className="btn btn-fern" onClick={onPick}>
              Pick a shape
            </button>
            <p>Design a head of your own on the Bench.</p>
          </li>
          <li>
            <button type="button" className="btn btn-fern" onClick={onTour}>
              Take the tour
            </button>
            <p>Three minutes: make a head, try it in the water, ask where it fits.</p>
          </li>
          <li>
            <button type="button" className="btn btn-quiet" onClick={onExamples}>
              Add six examples
            </button>
            <p>The commonest shapes at usual weights. One undo takes them away.</p>
          </li>
          <li>
            <Link className="btn btn-quiet" to="/import-heads">
              Import a list
            </Link>
            <p>Heads you sell or buy, from a spreadsheet.</p>
          </li>
          <li>
            <Link className="btn btn-quiet" to="/take-in">
              Measure a head
            </Link>
            <p>From a ruler and a scale, with its metal found.</p>
          </li>
          <li>
            <Link className="btn btn-quiet" to="/briefs">
              Start with a brief
            </Link>
            <p>Describe water and bait, and have the head worked out.</p>
          </li>
        </ul>
      </Empty>
    );
  return (
    <Empty title="No heads found">
      <p>{isArchiveEmpty ? 'No archived heads.' : 'Nothing on the Rack fits the search and filters.'}</p>
      <button type="button" className="btn btn-fern" onClick={onAll}>
        Show all {total}
      </button>
    </Empty>
  );
}
