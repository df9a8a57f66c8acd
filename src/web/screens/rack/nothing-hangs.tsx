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
}

/** A Rack on which nothing is shown: why, and what to do. */
export function NothingHangs({ total, isEmpty, isArchiveEmpty, onPick, onAll }: Props) {
  if (isEmpty)
    return (
      <Empty title="The Rack is empty">
        <p>
          Begin with a head: pick a shape and change whatever you like on the Bench. It is saved as you go. Or
          import a shop file, or a solid from an STL, under Files.
        </p>
        <button type="button" className="btn btn-fern" onClick={onPick}>
          Pick a shape
        </button>
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
