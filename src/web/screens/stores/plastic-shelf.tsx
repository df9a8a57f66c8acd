import type { Plastic } from '../../../core/index.ts';
import type { Kept } from '../../../contract/api.ts';
import { PLASTIC_KINDS, plasticVolume, TOUGHNESS } from '../../../core/index.ts';
import { useDraft } from '../../data/draft.ts';
import { useCreate, useList, useRemove } from '../../data/queries.ts';
import { useUnits } from '../../data/units.ts';
import { Choice } from '../../parts/choice.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';
import { SaveBadge } from '../../parts/save-badge.tsx';
import { StaleDraft } from '../../parts/stale-dialog.tsx';
import { Empty, Failed, Loading } from '../../parts/states.tsx';
import { Table } from './shelf-table.tsx';

const STARTER: Plastic = {
  format: 'fern-anvil/plastic',
  version: 1,
  name: 'New plastic',
  kind: 'paddle-tail',
  length: 100,
  breadth: 11,
  height: 14,
  density: 1.06,
  toughness: 'standard',
};

const plain = <T extends string>(values: readonly T[]) => values.map((value) => [value, value] as const);

/** Plastics, measured with a ruler and edited in place. */
export function PlasticShelf({ find }: { readonly find: string }) {
  const list = useList('plastics');
  const create = useCreate('plastics');
  if (list.isPending) return <Loading what="the plastics" />;
  if (list.isError) return <Failed error={list.error} retry={() => void list.refetch()} />;
  const rows = list.data.filter(({ document }) =>
    `${document.name} ${document.kind} ${document.notes ?? ''}`.toLowerCase().includes(find.toLowerCase()),
  );
  const add = (
    <button
      type="button"
      className="btn btn-sm btn-fern"
      onClick={() => create.mutate(STARTER)}
      disabled={create.isPending}
    >
      + New plastic
    </button>
  );
  if (list.data.length === 0) {
    return (
      <Empty title="No plastics yet">
        <p>Measure one with a ruler: length, widest, highest. That is enough to rig it.</p>
        {add}
      </Empty>
    );
  }
  return (
    <>
      <div className="stores-note">{add}</div>
      <Table heads={['Name', 'Kind', 'Length', 'Breadth', 'Height', 'Density', 'Toughness', 'Weight', '']}>
        {rows.map((row) => (
          <PlasticRow key={row.id} kept={row} />
        ))}
      </Table>
    </>
  );
}

function PlasticRow({ kept }: { readonly kept: Kept<Plastic> }) {
  const draft = useDraft('plastics', kept);
  const remove = useRemove('plastics');
  const { format } = useUnits();
  const { document: plastic, edit } = draft;
  const set = (change: Partial<Plastic>) => edit((now) => ({ ...now, ...change }));
  const sizes = [
    ['length', 'Length', 20, 400],
    ['breadth', 'Breadth', 2, 80],
    ['height', 'Height', 2, 80],
  ] as const;
  return (
    <tr>
      <th scope="row">
        <input
          aria-label="Name"
          defaultValue={plastic.name}
          maxLength={120}
          key={plastic.name}
          onBlur={(event) =>
            event.currentTarget.value.trim() !== '' &&
            event.currentTarget.value.trim() !== plastic.name &&
            set({ name: event.currentTarget.value.trim() })
          }
        />
      </th>
      <td>
        <Choice
          label={`Kind of ${plastic.name}`}
          value={plastic.kind}
          options={PLASTIC_KINDS.map(({ key, name }) => [key, name] as const)}
          onChange={(kind) => set({ kind })}
        />
      </td>
      {sizes.map(([key, label, min, max]) => (
        <td key={key}>
          <QuantityField
            label={`${label} of ${plastic.name}`}
            kind="size"
            value={plastic[key]}
            min={min}
            max={max}
            step={0.5}
            onCommit={(value) => set({ [key]: value })}
          />
        </td>
      ))}
      <td>
        <QuantityField
          label={`Density of ${plastic.name}`}
          kind="density"
          value={plastic.density}
          min={0.5}
          max={1.6}
          step={0.01}
          onCommit={(density) => set({ density })}
        />
      </td>
      <td>
        <Choice
          label={`Toughness of ${plastic.name}`}
          value={plastic.toughness}
          options={plain(TOUGHNESS)}
          onChange={(toughness) => set({ toughness })}
        />
      </td>
      <td>{format((plasticVolume(plastic) * plastic.density) / 1000, 'mass')}</td>
      <td className="row-tools">
        <SaveBadge state={draft.state} />
        <button
          type="button"
          className="btn-x"
          aria-label={`Delete ${plastic.name}`}
          onClick={() => remove.mutate({ id: kept.id, name: plastic.name, version: kept.version })}
        >
          ×
        </button>
        <StaleDraft collection="plastics" draft={draft} />
      </td>
    </tr>
  );
}
