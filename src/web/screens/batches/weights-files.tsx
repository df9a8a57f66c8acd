import { messageOf } from '../../../core/kind/index.ts';
import { useRef, useState } from 'react';
import type { Batch } from '../../../core/document/index.ts';
import { MOST_WEIGHINGS } from '../../../core/document/index.ts';
import { momentText } from '../../data/dates.ts';
import { fingerprint, importedAt, rememberImport } from '../../data/imported.ts';
import { useNotices } from '../../parts/notices.tsx';
import { download } from '../exchange/download.ts';
import type { Refusal } from '../exchange/import-refused.tsx';
import { ImportRefused } from '../exchange/import-refused.tsx';
import { TemplateMenu } from '../exchange/template-menu.tsx';

/** A batch whose weighings go in and out as a table. */
export interface WeightsFilesProps {
  readonly id: string;
  readonly batch: Batch;
  readonly edit: (change: (batch: Batch) => Batch) => void;
  readonly flush: () => Promise<boolean>;
}

/** Weighings of a batch from and into a table; a file that was imported before is asked about. */
export function WeightsFiles({ id, batch, edit, flush }: WeightsFilesProps) {
  const { tell } = useNotices();
  const input = useRef<HTMLInputElement>(null);
  const [refused, setRefused] = useState<{ file: string; refusals: readonly Refusal[] } | undefined>(
    undefined,
  );
  const bringIn = async (file: File, isAsked = true) => {
    try {
      const { readWeighingsCsv } = await import('../../../core/exchange/weighings-csv.ts');
      const text = await file.text();
      const rows = readWeighingsCsv(text, batch.cavities);
      const wrong = rows.filter(({ weighing }) => !weighing);
      if (wrong.length > 0) {
        const refusals = wrong.map(({ line, problems }) => ({ line, message: problems[0]?.message ?? '' }));
        setRefused({ file: file.name, refusals });
        return;
      }
      const weighings = rows.flatMap(({ weighing }) => weighing ?? []);
      if (batch.weighings.length + weighings.length > MOST_WEIGHINGS) {
        const message = `A batch keeps ${MOST_WEIGHINGS} weighings. Split the file.`;
        setRefused({ file: file.name, refusals: [{ message }] });
        return;
      }
      const print = await fingerprint(`batch ${id}`, text);
      const before = importedAt(print);
      if (before !== undefined && isAsked) {
        tell({
          tone: 'plain',
          text: `${file.name} was imported into this batch before: ${momentText(before)}.`,
          action: { label: 'Import again', run: () => bringIn(file, false) },
        });
        return;
      }
      rememberImport(print);
      edit((now) => ({ ...now, weighings: [...now.weighings, ...weighings] }));
      tell({ tone: 'good', text: `${weighings.length} weighings imported. Undo removes them.` });
    } catch (error) {
      setRefused({ file: file.name, refusals: [{ message: messageOf(error) }] });
    }
  };
  return (
    <>
      <button type="button" className="btn btn-sm btn-quiet" onClick={() => input.current?.click()}>
        Import CSV…
      </button>
      <button
        type="button"
        className="btn btn-sm btn-quiet"
        onClick={() =>
          void flush().then(() =>
            download(`/batches/${id}/weighings.csv`, (text) => tell({ tone: 'bad', text })),
          )
        }
      >
        Export CSV
      </button>
      <TemplateMenu of="weighings" />
      <input
        ref={input}
        hidden
        type="file"
        accept=".csv,text/csv"
        aria-label="Table of weights"
        onChange={(event) => {
          const file = event.currentTarget.files?.[0];
          event.currentTarget.value = '';
          if (file) void bringIn(file);
        }}
      />
      {refused && <ImportRefused {...refused} onHide={() => setRefused(undefined)} />}
    </>
  );
}
