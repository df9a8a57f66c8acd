import { keysOf } from '../../../core/kind/index.ts';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import type { Stores } from '../../../contract/api.ts';
import { useStores } from '../../data/queries.ts';
import { SearchField } from '../../parts/search-field.tsx';
import { Failed, Loading } from '../../parts/states.tsx';
import { HookShelf } from './hook-shelf.tsx';
import { PlasticShelf } from './plastic-shelf.tsx';
import { Panel } from '../../parts/panel.tsx';
import { ChartShelf, LineShelf, MetalShelf, WaterShelf } from './reference-shelves.tsx';
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
  const shelf = keysOf(SHELVES).find((key) => key === search.get('shelf')) ?? 'metals';
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
        <SearchField label="Search this shelf" value={find} onChange={setFind} />
      </div>
      {shelf === 'plastics' ? (
        <PlasticShelf find={find} />
      ) : (
        <Panel what="The shelf">
          <Shelves shelf={shelf} stores={stores.data} find={find.toLowerCase()} />
        </Panel>
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
  if (shelf === 'metals') return <MetalShelf stores={stores} find={find} />;
  if (shelf === 'waters') return <WaterShelf stores={stores} find={find} />;
  if (shelf === 'lines') return <LineShelf stores={stores} find={find} />;
  return (
    <HookShelf find={find}>
      <h2 className="stores-sub">The generic chart</h2>
      <p className="stores-note">
        Generic round-bend jig hooks, from memory; makers differ by half a size and more. 1X fine takes the
        wire of the next smaller size, 1X, 2X and 3X strong that of one, two and three sizes larger. A
        measured hook above goes before the chart.
      </p>
      <ChartShelf stores={stores} find={find} />
    </HookShelf>
  );
}
