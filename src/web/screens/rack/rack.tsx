import { keysOf } from '../../../core/kind/index.ts';
import { useDeferredValue, useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import type { RackIndex } from '../../../contract/api.ts';
import { useRack } from '../../data/queries.ts';
import { localised } from '../../data/locale.ts';
import { useAddress } from '../../parts/address.ts';
import { Choice } from '../../parts/choice.tsx';
import { useKeys } from '../../parts/keys.ts';
import { ShapePicker } from '../../parts/shape-picker-later.tsx';
import { Failed, Loading } from '../../parts/states.tsx';
import { PX_PER_MM } from '../bench/plate-layout.ts';
import { FileMenu } from '../exchange/file-menu.tsx';
import type { Filters } from './filters.ts';
import { FILTERS, pick, SORTS } from './filters.ts';
import { FilterBar } from './filter-bar.tsx';
import { Hung } from './hung.tsx';
import { NothingHangs } from './nothing-hangs.tsx';
import { SavedViews } from './saved-views.tsx';
import { useNewHeads } from './use-new-heads.ts';
import { Panel } from '../../parts/panel.tsx';
import './rack.css';

/** Scales of the whole Rack, sheet over life. */
const ZOOMS = ['1', '1.5', '2', '3'] as const;

/** The Rack: every design hanging from a bar in its true attitude, all to one scale. */
export function Rack() {
  const rack = useRack();
  if (rack.isPending) return <Loading what="the Rack" />;
  if (rack.isError) return <Failed error={rack.error} retry={() => void rack.refetch()} />;
  return <RackOf {...rack.data} />;
}

function RackOf({ cards, names, figures }: Pick<RackIndex, 'cards' | 'names' | 'figures'>) {
  const { search, set, clear } = useAddress();
  // Typed text lives here and follows into the address; an address arrived at anew brings its own.
  const [q, setQ] = useState(search.get('q') ?? '');
  const [isPicking, setPicking] = useState(false);
  const sort = keysOf(SORTS).find((key) => key === search.get('sort')) ?? 'weight';
  const zoom = ZOOMS.find((candidate) => candidate === search.get('scale')) ?? '1';
  const searchBox = useRef<HTMLInputElement>(null);
  const text = search.toString();
  const filters = useMemo<Filters>(() => {
    const params = new URLSearchParams(text);
    return Object.fromEntries(
      FILTERS.flatMap((key) => (params.get(key) ? [[key, params.get(key) ?? '']] : [])),
    );
  }, [text]);
  // Typing stays ahead of the hanging: the list follows when there is time.
  const wanted = useDeferredValue(q);
  const shown = useMemo(() => pick(cards, wanted, filters, sort), [cards, wanted, filters, sort]);
  const hanging = useMemo(
    () => cards.filter(({ archived }) => archived === (filters.away === 'yes')).length,
    [cards, filters.away],
  );

  const { isBusy, makeNew, addExamples, tour } = useNewHeads();
  useKeys({ '/': () => searchBox.current?.focus(), n: () => setPicking(true) });

  return (
    <div className="rack">
      <div className="rack-tools" role="search">
        <h1>Rack</h1>
        <input
          ref={searchBox}
          type="search"
          aria-label="Search the Rack"
          placeholder="Search  /"
          value={q}
          maxLength={120}
          onChange={(event) => {
            setQ(event.currentTarget.value);
            set('q', event.currentTarget.value);
          }}
          onKeyDown={(event) => event.key === 'Escape' && event.currentTarget.blur()}
        />
        <Choice
          label="Sort by"
          value={sort}
          options={keysOf(SORTS).map((key) => [key, SORTS[key].text] as const)}
          onChange={(value) => set('sort', value, 'weight')}
        />
        <Choice
          label="Scale"
          value={zoom}
          options={ZOOMS.map((value) => [value, localised(`${value}:1`)] as const)}
          onChange={(value) => set('scale', value, '1')}
        />
        <span className="rack-count" role="status">
          {shown.length} of {hanging}
        </span>
        {figures.done < figures.of && (
          <span className="rack-anew" role="status">
            ▲ Figures being worked out: {figures.done.toLocaleString()} of {figures.of.toLocaleString()}
          </span>
        )}
        <SavedViews
          onOpen={(params) => {
            const next = new URLSearchParams(params);
            setQ(next.get('q') ?? '');
          }}
        />
        <div className="rack-new">
          <FileMenu />
          <button
            type="button"
            className="btn btn-sm btn-fern"
            onClick={() => setPicking(true)}
            disabled={isBusy}
            title="N"
          >
            + New head
          </button>
          <Link className="btn btn-sm btn-quiet" to="/take-in">
            Measure a head
          </Link>
        </div>
      </div>
      <FilterBar cards={cards} names={names} filters={filters} onSet={(key, value) => set(key, value)} />
      {shown.length === 0 ? (
        <NothingHangs
          total={cards.filter(({ archived }) => !archived).length}
          isEmpty={cards.length === 0}
          isArchiveEmpty={filters.away === 'yes' && hanging === 0}
          onPick={() => setPicking(true)}
          onTour={() => void tour()}
          onExamples={() => void addExamples()}
          onAll={() => {
            setQ('');
            clear();
          }}
        />
      ) : (
        <Panel what="The heads">
          <Hung cards={shown} names={names} k={Number(zoom) * PX_PER_MM} />
        </Panel>
      )}
      <ShapePicker
        show={isPicking}
        title="New head: pick a shape"
        onPick={(key) => {
          setPicking(false);
          void makeNew(key);
        }}
        onHide={() => setPicking(false)}
      />
    </div>
  );
}
