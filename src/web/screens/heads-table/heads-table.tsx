import { useMemo, useRef } from 'react';
import { useNavigate } from 'react-router';
import { knownHeads } from '../../../core/exchange/heads-table/index.ts';
import { METALS } from '../../../core/material/index.ts';
import { useImportHeads } from '../../data/import-heads.ts';
import { useRack, useStores } from '../../data/queries.ts';
import { Empty, Failed, Loading } from '../../parts/states.tsx';
import { TemplateMenu } from '../exchange/template-menu.tsx';
import { ColumnTable } from './column-table.tsx';
import { RowTable } from './row-table.tsx';
import type { HeadsTable } from './use-heads-table.ts';
import { isTaken, useHeadsTable } from './use-heads-table.ts';
import './heads-table.css';

/** What a table of heads is usually read by. */
const NEEDED = ['name', 'weight', 'shape'] as const;

/**
 * A shop’s heads from its spreadsheet: columns put right, every head shown as it will be, and all taken in as
 * one step.
 */
export function HeadsTableScreen() {
  const rack = useRack();
  const stores = useStores();
  if (rack.isPending || stores.isPending) return <Loading what="the Rack" />;
  if (rack.isError) return <Failed error={rack.error} retry={() => void rack.refetch()} />;
  return <TableOf cards={rack.data.cards} metals={stores.data?.metals ?? METALS} />;
}

function TableOf({
  cards,
  metals,
}: {
  readonly cards: NonNullable<ReturnType<typeof useRack>['data']>['cards'];
  readonly metals: typeof METALS;
}) {
  const known = useMemo(
    () =>
      knownHeads(cards.map(({ name, article }) => ({ name, number: article?.number, ean: article?.ean }))),
    [cards],
  );
  const table = useHeadsTable(known, metals);
  const { file, rows, said } = table;
  return (
    <div className="heads-table">
      <div className="heads-head">
        <h1>Import heads</h1>
        <FileButton onFile={(chosen) => void table.open(chosen)} isFirst={file === undefined} />
        <TemplateMenu of="heads" />
      </div>
      {said && (
        <p className="problems" role="alert">
          ■ {said}
        </p>
      )}
      {file === undefined ? (
        <Empty title="A table with one head per row">
          <p>
            Choose a CSV or XLSX file. A name and a weight are enough; shape, metal, hook, eye, keeper, guard,
            sizes, price, article number, EAN, supplier and stock are read where there is a column for them.
            Nothing is imported before you have seen it.
          </p>
        </Empty>
      ) : (
        <>
          <Columns table={table} rows={file.rows} />
          <Taking table={table} />
          <RowTable rows={rows} choices={table.choices} onChoose={table.choose} />
        </>
      )}
    </div>
  );
}

/** The columns, folded while there is nothing to put right. */
function Columns({
  table,
  rows,
}: {
  readonly table: HeadsTable;
  readonly rows: readonly (readonly string[])[];
}) {
  const { columns } = table;
  const passed = columns.filter(({ field }) => field === undefined);
  const isUnclear =
    columns.some(({ problem }) => problem !== undefined) ||
    NEEDED.some((needed) => !columns.some(({ field }) => field === needed));
  return (
    <details className="heads-part" open={isUnclear}>
      <summary>
        Columns: {columns.length - passed.length} of {columns.length} are read
        {passed.length > 0 &&
          `; not imported: ${passed.map(({ heading }) => heading || '(empty)').join(', ')}`}
      </summary>
      <ColumnTable columns={columns} rows={rows} onColumn={table.setColumn} />
    </details>
  );
}

function FileButton({
  onFile,
  isFirst,
}: {
  readonly onFile: (file: File) => void;
  readonly isFirst: boolean;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <button
        type="button"
        className={`btn btn-sm ${isFirst ? 'btn-fern' : 'btn-quiet'}`}
        onClick={() => input.current?.click()}
      >
        {isFirst ? 'Choose a file …' : 'Choose another file …'}
      </button>
      <input
        ref={input}
        hidden
        type="file"
        accept=".csv,.txt,.xlsx,text/csv"
        aria-label="Table of heads"
        onChange={(event) => {
          const [file] = event.currentTarget.files ?? [];
          // The same file can be chosen again after it was mended.
          event.currentTarget.value = '';
          if (file) onFile(file);
        }}
      />
    </>
  );
}

/** How far it is, what needs a look, and the button that takes the heads in. */
function Taking({ table }: { readonly table: HeadsTable }) {
  const { rows, count, choices, isStopped } = table;
  const navigate = useNavigate();
  const take = useImportHeads();
  const chosen = rows.filter((row) => isTaken(row, choices));
  const counted = (is: (row: (typeof rows)[number]) => boolean) => rows.filter(is).length;
  const lines = rows.flatMap(({ line, design, doubleOf }) =>
    design && doubleOf === undefined ? [line] : [],
  );
  return (
    <div className="heads-taking">
      {rows.length < count && !isStopped ? (
        <span role="status">
          <progress value={rows.length} max={count} aria-label="Heads built" /> {rows.length} of {count}{' '}
          <button type="button" className="btn btn-sm btn-quiet" onClick={table.stop}>
            Stop
          </button>
        </span>
      ) : (
        <span role="status">
          {rows.length} heads: {counted(({ problem }) => problem !== undefined)} cannot be made,{' '}
          {counted(({ odd }) => odd.length > 0)} odd, {counted(({ doubleOf }) => doubleOf !== undefined)}{' '}
          doubles
        </span>
      )}
      <button type="button" className="btn btn-sm btn-quiet" onClick={() => table.chooseAll(lines, true)}>
        Tick all
      </button>
      <button
        type="button"
        className="btn btn-sm btn-quiet"
        onClick={() =>
          table.chooseAll(
            rows.map(({ line }) => line),
            false,
          )
        }
      >
        Tick none
      </button>
      <button
        type="button"
        className="btn btn-sm btn-fern"
        disabled={chosen.length === 0 || take.isPending}
        onClick={() =>
          take.mutate(
            chosen.flatMap(({ design }) => design ?? []),
            { onSuccess: () => void navigate('/') },
          )
        }
      >
        Import {chosen.length} {chosen.length === 1 ? 'head' : 'heads'}
      </button>
    </div>
  );
}
