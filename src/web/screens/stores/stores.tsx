import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { useQueryClient } from '@tanstack/react-query';
import type { MetalEdit, Stores } from '../../../contract/api.ts';
import { editMetal } from '../../data/api.ts';
import { useStores } from '../../data/queries.ts';
import { useUnits } from '../../data/units.ts';
import { useNotices } from '../../parts/notices.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';
import { Failed, Loading } from '../../parts/states.tsx';
import { HookShelf } from './hook-shelf.tsx';
import { PlasticShelf } from './plastic-shelf.tsx';
import './stores.css';
import '../../styles/tables.css';

const SHELVES = {
  metals: 'Metals',
  hooks: 'Hooks',
  plastics: 'Plastics',
  waters: 'Waters',
  lines: 'Lines',
} as const;
type Shelf = keyof typeof SHELVES;

/** The Stores: what everything is computed from, with its sources. */
export function StoresScreen() {
  const stores = useStores();
  const [search, setSearch] = useSearchParams();
  const [find, setFind] = useState('');
  const shelf = (search.get('shelf') ?? 'metals') as Shelf;
  if (stores.isPending) return <Loading what="the stores" />;
  if (stores.isError) return <Failed error={stores.error} retry={() => void stores.refetch()} />;
  return (
    <div className="stores">
      <div className="stores-head">
        <h1>Stores</h1>
        <nav aria-label="Shelves">
          {Object.entries(SHELVES).map(([key, text]) => (
            <button
              key={key}
              type="button"
              aria-current={key === shelf ? 'page' : undefined}
              onClick={() => setSearch({ shelf: key }, { replace: true })}
            >
              {text}
            </button>
          ))}
        </nav>
        <input
          type="search"
          aria-label="Search this shelf"
          placeholder="Search"
          value={find}
          onChange={(event) => setFind(event.currentTarget.value)}
        />
      </div>
      {shelf === 'plastics' ? (
        <PlasticShelf find={find} />
      ) : (
        <Shelves shelf={shelf} stores={stores.data} find={find.toLowerCase()} />
      )}
    </div>
  );
}

function Shelves({
  shelf,
  stores,
  find,
}: {
  readonly shelf: Exclude<Shelf, 'plastics'>;
  readonly stores: Stores;
  readonly find: string;
}) {
  const { format } = useUnits();
  const client = useQueryClient();
  const { tell } = useNotices();
  const keep = <T extends object>(rows: readonly T[]) =>
    rows.filter((row) => Object.values(row).join(' ').toLowerCase().includes(find));
  const put = async (metal: Stores['metals'][number], edit: MetalEdit) => {
    try {
      await editMetal(metal.key, edit, metal.version);
    } catch (error) {
      tell({ tone: 'bad', text: (error as Error).message });
    }
    await client.invalidateQueries();
  };
  if (shelf === 'metals') {
    return (
      <Table heads={['Metal', 'Density', 'Met with', 'Price a kilogram', 'Made by', 'Source', 'Care']}>
        {keep(stores.metals).map((metal) => (
          <tr key={metal.key}>
            <th scope="row">{metal.name}</th>
            <td className="stores-density">
              <QuantityField
                label={`Density of ${metal.name}`}
                kind="density"
                value={metal.density}
                min={1}
                max={23}
                step={0.05}
                onCommit={(density) => void put(metal, { density })}
                onLive={() => undefined}
              />
              {metal.density !== metal.reference && (
                <button
                  type="button"
                  className="btn-link-brass"
                  onClick={() => void put(metal, { density: metal.reference })}
                >
                  back to {metal.reference.toFixed(2)}
                </button>
              )}
            </td>
            <td>
              {metal.densityRange[0]} to {metal.densityRange[1]}
            </td>
            <td className="stores-density">
              <QuantityField
                label={`Price of a kilogram of ${metal.name}`}
                kind="money"
                value={metal.price}
                min={0}
                max={100_000}
                step={0.5}
                onCommit={(price) => void put(metal, { price })}
                onLive={() => undefined}
              />
            </td>
            <td>{metal.making}</td>
            <td>{metal.source}</td>
            <td>{metal.caution}</td>
          </tr>
        ))}
      </Table>
    );
  }
  if (shelf === 'hooks') {
    return (
      <>
        <HookShelf find={find} />
        <h2 className="stores-sub">The generic chart</h2>
        <p className="stores-note">
          Generic round-bend jig hooks, from memory; makers differ by half a size and more. 1X fine takes the
          wire of the next smaller size, 1X, 2X and 3X strong that of one, two and three sizes larger. A
          measured hook above goes before the chart.
        </p>
        <Table heads={['Size', 'Gap', 'Straight shank', 'Wire']}>
          {keep(stores.hooks).map((row) => (
            <tr key={row.size}>
              <th scope="row">{row.size}</th>
              <td>{format(row.gap, 'size')}</td>
              <td>{format(row.shank, 'size')}</td>
              <td>{format(row.wire, 'size')}</td>
            </tr>
          ))}
        </Table>
      </>
    );
  }
  if (shelf === 'waters') {
    return (
      <Table heads={['Water', 'Temperature', 'Salinity', 'Source']}>
        {keep(stores.waters).map((row) => (
          <tr key={row.key}>
            <th scope="row">{row.name}</th>
            <td>{format(row.temperature, 'temperature')}</td>
            <td>{row.salinity} g/kg</td>
            <td>{row.source}</td>
          </tr>
        ))}
      </Table>
    );
  }
  return (
    <Table heads={['Line', 'Density', 'Source']}>
      {keep(stores.lines).map((row) => (
        <tr key={row.key}>
          <th scope="row">{row.material}</th>
          <td>{format(row.density, 'density')}</td>
          <td>{row.source}</td>
        </tr>
      ))}
    </Table>
  );
}

export function Table({
  heads,
  children,
}: {
  readonly heads: readonly string[];
  readonly children: React.ReactNode;
}) {
  return (
    <div className="stores-table" tabIndex={0} role="region" aria-label="Shelf">
      <table>
        <thead>
          <tr>
            {heads.map((head) => (
              <th key={head} scope="col">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>{children}</tbody>
      </table>
    </div>
  );
}
