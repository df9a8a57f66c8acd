import { STYLES } from '../../../core/index.ts';
import { useRef, useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import type { Kept } from '../../../contract/api.ts';
import type { HookDocument, StyleKey } from '../../../core/index.ts';
import type { HookRow } from '../../../core/exchange/hooks-csv.ts';
import { takeShop } from '../../data/api.ts';
import { useDraft } from '../../data/draft.ts';
import { useCreate, useList, useRemove } from '../../data/queries.ts';
import { useUnits } from '../../data/units.ts';
import { HookSizeField } from '../../parts/hook-size-field.tsx';
import { useNotices } from '../../parts/notices.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';
import { SaveBadge } from '../../parts/save-badge.tsx';
import { Heads, Sheet, TakeOrLeave } from '../../parts/sheet.tsx';
import { StaleDraft } from '../../parts/stale-dialog.tsx';
import { Failed, Loading } from '../../parts/states.tsx';
import { download } from '../exchange/download.ts';

const NEW_HOOK: HookDocument = {
  format: 'fern-anvil/hook',
  version: 1,
  name: 'New measured hook',
  size: '3/0',
  style: 'round bend',
  gap: 13,
  shank: 31,
  wire: 1.08,
};

/** The shop's own measured hooks: written, changed, taken out, and brought in as a table. */
export function HookShelf({ find }: { readonly find: string }) {
  const list = useList('hooks');
  const create = useCreate('hooks');
  const { tell } = useNotices();
  const input = useRef<HTMLInputElement>(null);
  const [rows, setRows] = useState<{ name: string; rows: readonly HookRow[] } | undefined>(undefined);
  if (list.isPending) return <Loading what="the hooks" />;
  if (list.isError) return <Failed error={list.error} retry={() => void list.refetch()} />;
  const shown = list.data.filter(({ document }) =>
    Object.values(document).join(' ').toLowerCase().includes(find),
  );
  const readFile = async (file: File) => {
    try {
      const { readHooksCsv } = await import('../../../core/exchange/hooks-csv.ts');
      setRows({ name: file.name, rows: readHooksCsv(await file.text()) });
    } catch (error) {
      tell({ tone: 'bad', text: `${file.name}: ${(error as Error).message}` });
    }
  };
  return (
    <section aria-label="Measured hooks">
      <div className="stores-bar">
        <h2 className="stores-sub">Measured hooks</h2>
        <button
          type="button"
          className="btn btn-sm btn-fern"
          onClick={() => create.mutate(NEW_HOOK)}
          disabled={create.isPending}
        >
          + Hook
        </button>
        <button type="button" className="btn btn-sm btn-quiet" onClick={() => input.current?.click()}>
          Bring in CSV …
        </button>
        <button
          type="button"
          className="btn btn-sm btn-quiet"
          onClick={() => void download('/hooks.csv', (text) => tell({ tone: 'bad', text }))}
        >
          Out as CSV
        </button>
        <input
          ref={input}
          hidden
          type="file"
          accept=".csv,text/csv"
          aria-label="Table of hooks"
          onChange={(event) => {
            const file = event.currentTarget.files?.[0];
            event.currentTarget.value = '';
            if (file) void readFile(file);
          }}
        />
      </div>
      {list.data.length === 0 ? (
        <p className="stores-note">
          None yet. Measure a hook of your own: gap between shank and point, straight shank, wire; it can then
          be chosen on the Bench.
        </p>
      ) : (
        <div className="stores-table hook-table">
          <table>
            <Heads of={['Name', 'Size', 'Style', 'Gap', 'Straight shank', 'Wire', '']} />
            <tbody>
              {shown.map((kept) => (
                <HookLine key={kept.id} kept={kept} />
              ))}
            </tbody>
          </table>
        </div>
      )}
      {rows && <HooksPreview file={rows.name} rows={rows.rows} onHide={() => setRows(undefined)} />}
    </section>
  );
}

function HookLine({ kept }: { readonly kept: Kept<HookDocument> }) {
  const draft = useDraft('hooks', kept);
  const remove = useRemove('hooks');
  const { document, edit } = draft;
  const set = (change: Partial<HookDocument>) => edit((now) => ({ ...now, ...change }));
  const length = (key: 'gap' | 'shank' | 'wire', name: string, min: number, max: number, step: number) => (
    <QuantityField
      label={`${name} of ${document.name}`}
      bare
      kind="size"
      value={document[key]}
      min={min}
      max={max}
      step={step}
      onCommit={(value) => set({ [key]: value })}
    />
  );
  return (
    <tr>
      <th scope="row">
        <input
          key={document.name}
          aria-label="Name of the hook"
          defaultValue={document.name}
          maxLength={120}
          onBlur={(event) => {
            const name = event.currentTarget.value.trim();
            if (name && name !== document.name) set({ name });
            else event.currentTarget.value = document.name;
          }}
        />
        {draft.problems.map(({ message }) => (
          <span key={message} className="field-said" role="alert">
            {message}
          </span>
        ))}
      </th>
      <td>
        <HookSizeField
          label={`Size of ${document.name}`}
          value={document.size}
          problem={undefined}
          onChange={(size) => set({ size })}
        />
      </td>
      <td>
        <select
          aria-label={`Style of ${document.name}`}
          value={document.style}
          onChange={(event) => set({ style: event.currentTarget.value as StyleKey })}
        >
          {STYLES.map(({ key }) => (
            <option key={key}>{key}</option>
          ))}
        </select>
      </td>
      <td>{length('gap', 'Gap', 1, 60, 0.1)}</td>
      <td>{length('shank', 'Shank', 3, 150, 0.1)}</td>
      <td>{length('wire', 'Wire', 0.2, 4, 0.01)}</td>
      <td>
        <SaveBadge state={draft.state} />
        <button
          type="button"
          className="btn btn-sm btn-quiet"
          aria-label={`Delete ${document.name}`}
          onClick={() => remove.mutate({ id: kept.id, name: document.name, version: kept.version })}
        >
          ×
        </button>
        <StaleDraft collection="hooks" draft={draft} />
      </td>
    </tr>
  );
}

/** What a table holds, row by row, before anything is taken: all of it, or nothing. */
function HooksPreview({
  file,
  rows,
  onHide,
}: {
  readonly file: string;
  readonly rows: readonly HookRow[];
  readonly onHide: () => void;
}) {
  const { format } = useUnits();
  const { tell } = useNotices();
  const client = useQueryClient();
  const wrong = rows.filter(({ hook }) => !hook).length;
  const take = async () => {
    try {
      const hooks = rows.flatMap(({ hook }) => (hook ? [{ id: crypto.randomUUID(), document: hook }] : []));
      await takeShop(JSON.stringify({ format: 'fern-anvil/shop', version: 1, hooks }), false);
      await client.invalidateQueries();
      tell({ tone: 'good', text: `${hooks.length} hooks are taken in.` });
      onHide();
    } catch (error) {
      tell({ tone: 'bad', text: (error as Error).message });
    }
  };
  return (
    <Sheet
      title={`Bring in ${file}`}
      onHide={onHide}
      footer={
        <TakeOrLeave
          take={`Take ${rows.length} in`}
          disabled={wrong > 0 || rows.length === 0}
          onTake={() => void take()}
          onLeave={onHide}
        />
      }
    >
      <p role={wrong > 0 ? 'alert' : 'status'}>
        {wrong > 0
          ? `${wrong} of ${rows.length} rows are wrong. Nothing is taken in until they are mended in the file.`
          : `${rows.length} hooks, all sound.`}
      </p>
      <table className="intake">
        <Heads of={['Line', 'Name', 'Size', 'Style', 'Gap', 'Shank', 'Wire']} />
        <tbody>
          {rows.map(({ line, hook, problems }) =>
            hook ? (
              <tr key={line}>
                <td>{line}</td>
                <th scope="row">{hook.name}</th>
                <td>{hook.size}</td>
                <td>{hook.style}</td>
                <td>{format(hook.gap, 'size')}</td>
                <td>{format(hook.shank, 'size')}</td>
                <td>{format(hook.wire, 'size')}</td>
              </tr>
            ) : (
              <tr key={line} data-bad>
                <td>{line}</td>
                <td colSpan={6}>■ {problems.map(({ message }) => message).join(' ')}</td>
              </tr>
            ),
          )}
        </tbody>
      </table>
    </Sheet>
  );
}
