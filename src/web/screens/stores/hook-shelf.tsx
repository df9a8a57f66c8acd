import type { ReactNode } from 'react';
import { MEASURED_RANGES, STYLES } from '../../../core/hook/index.ts';
import type { Kept } from '../../../contract/api.ts';
import type { HookDocument } from '../../../core/document/index.ts';
import { useDraft } from '../../data/draft.ts';
import { useDraftSteps } from '../../parts/keys.ts';
import { useCreate, useList, useRemove } from '../../data/queries.ts';
import { useUnits } from '../../data/units.ts';
import { HookSizeField } from '../../parts/hook-size-field.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';
import { SaveBadge } from '../../parts/save-badge.tsx';
import { Heads } from '../../parts/sheet.tsx';
import { StaleDraft } from '../../parts/stale-dialog.tsx';
import { Failed, Loading } from '../../parts/states.tsx';
import { HookWall, MEASURED_HOOKS } from './hook-wall/hook-wall.tsx';
import { TableFiles } from './table-files.tsx';

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

/** Rows of a table of hooks. */
const readHooks = async (text: string) => {
  const { readHooksCsv } = await import('../../../core/exchange/hooks-csv.ts');
  return readHooksCsv(text).map(({ hook, ...row }) => ({ ...row, document: hook }));
};

/**
 * The shop's own measured hooks: written, changed, taken out, and brought in as a table; below them, once
 * they are there, what else is.
 */
export function HookShelf({ find, children }: { readonly find: string; readonly children: ReactNode }) {
  const list = useList('hooks');
  const create = useCreate('hooks');
  const { format } = useUnits();
  if (list.isPending) return <Loading what="the hooks" />;
  if (list.isError) return <Failed error={list.error} retry={() => void list.refetch()} />;
  const shown = list.data.filter(({ document }) =>
    Object.values(document).join(' ').toLowerCase().includes(find),
  );
  return (
    <>
      <HookWall own={list.data} find={find} />
      <section aria-label="Measured hooks" id={MEASURED_HOOKS}>
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
          <TableFiles
            what="hooks"
            read={readHooks}
            heads={['Name', 'Size', 'Style', 'Gap', 'Shank', 'Wire']}
            cells={({ document: hook }) =>
              hook
                ? [
                    hook.name,
                    hook.size,
                    hook.style,
                    ...[hook.gap, hook.shank, hook.wire].map((mm) => format(mm, 'size')),
                  ]
                : []
            }
          />
        </div>
        {list.data.length === 0 ? (
          <p className="stores-note">
            None yet. Measure a hook of your own: gap between shank and point, straight shank, wire; it can
            then be chosen on the Bench.
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
      </section>
      {children}
    </>
  );
}

function HookLine({ kept }: { readonly kept: Kept<HookDocument> }) {
  const draft = useDraft('hooks', kept);
  useDraftSteps(draft.step);
  const remove = useRemove('hooks');
  const { document, edit } = draft;
  const set = (change: Partial<HookDocument>) => edit((now) => ({ ...now, ...change }));
  const length = (key: keyof typeof MEASURED_RANGES, name: string, step: number) => (
    <QuantityField
      label={`${name} of ${document.name}`}
      bare
      kind="size"
      value={document[key]}
      min={MEASURED_RANGES[key][0]}
      max={MEASURED_RANGES[key][1]}
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
          onChange={({ currentTarget }) =>
            set({ style: STYLES.find(({ key }) => key === currentTarget.value)?.key ?? document.style })
          }
        >
          {STYLES.map(({ key }) => (
            <option key={key}>{key}</option>
          ))}
        </select>
      </td>
      <td>{length('gap', 'Gap', 0.1)}</td>
      <td>{length('shank', 'Shank', 0.1)}</td>
      <td>{length('wire', 'Wire', 0.01)}</td>
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
