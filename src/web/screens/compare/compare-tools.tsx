import { useNotices } from '../../parts/notices.tsx';
import { keepFile } from '../exchange/download.ts';
import type { Row } from './laid.ts';
import type { Line } from './line-table.tsx';
import { csvText, tableText } from './table-out.ts';

interface Props {
  readonly rows: readonly Row[];
  readonly lines: readonly Line[];
  readonly isInMetals: boolean;
  readonly onMetals: () => void;
}

/** The same head in two metals, and the table as text, file and print. */
export function CompareTools({ rows, lines, isInMetals, onMetals }: Props) {
  const { tell } = useNotices();
  return (
    <div className="compare-tools">
      <button
        type="button"
        className="btn btn-sm btn-quiet"
        aria-pressed={isInMetals}
        title="The first head in lead and in tungsten (M)"
        onClick={onMetals}
      >
        Lead · tungsten
      </button>
      <button
        type="button"
        className="btn btn-sm btn-quiet"
        onClick={() =>
          void navigator.clipboard.writeText(tableText(rows, lines, '\t')).then(
            () => tell({ tone: 'good', text: 'The table is copied.' }),
            () => tell({ tone: 'bad', text: 'The browser does not let it be copied. Take the CSV.' }),
          )
        }
      >
        Copy
      </button>
      <button
        type="button"
        className="btn btn-sm btn-quiet"
        onClick={() => keepFile('side by side.csv', new Blob([csvText(rows, lines)], { type: 'text/csv' }))}
      >
        CSV
      </button>
      <button type="button" className="btn btn-sm btn-quiet" onClick={() => print()}>
        Print
      </button>
    </div>
  );
}
