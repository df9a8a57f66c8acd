import { useUnits } from '../../data/units.ts';
import { Sheet } from '../../parts/sheet.tsx';

/** What keeps a file out: a line of it, or the whole. */
export interface Refusal {
  readonly line?: number;
  readonly message: string;
}

/** Says why nothing of a file was imported, line by line in the reader’s units, until it is closed. */
export function ImportRefused({
  file,
  refusals,
  onHide,
}: {
  readonly file: string;
  readonly refusals: readonly Refusal[];
  readonly onHide: () => void;
}) {
  const { say } = useUnits();
  return (
    <Sheet
      title={`Import ${file}`}
      onHide={onHide}
      footer={
        <button type="button" className="btn btn-quiet" onClick={onHide}>
          Close
        </button>
      }
    >
      <p role="alert">Nothing was imported. Correct the file and choose it again.</p>
      <ul className="problems">
        {refusals.map(({ line, message }) => (
          <li key={`${line ?? ''} ${message}`}>
            {line === undefined ? '' : `Line ${line}: `}
            {say(message)}
          </li>
        ))}
      </ul>
    </Sheet>
  );
}
