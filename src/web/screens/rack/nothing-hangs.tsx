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
        <div className="state-choices">
          <button type="button" className="choice-card" onClick={onPick}>
            <b>Pick a shape</b>
            <span>Design a head of your own on the Bench.</span>
          </button>
          <button type="button" className="choice-card" onClick={onTour}>
            <b>Take the tour</b>
            <span>Three minutes: make a head, try it in the water, ask where it fits.</span>
          </button>
          <button type="button" className="choice-card" onClick={onExamples}>
            <b>Add six examples</b>
            <span>The commonest shapes at usual weights. One undo takes them away.</span>
          </button>
          <Link className="choice-card" to="/import-heads">
            <b>Import a list</b>
            <span>Heads you sell or buy, from a spreadsheet.</span>
          </Link>
          <Link className="choice-card" to="/take-in">
            <b>Measure a head</b>
            <span>From a ruler and a scale, with its metal found.</span>
          </Link>
          <Link className="choice-card" to="/briefs">
            <b>Start with a brief</b>
            <span>Describe water and bait, and have the head worked out.</span>
          </Link>
        </div>
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
