import { useMemo, useRef, useState } from 'react';
import type { KeyboardEvent } from 'react';
import { Link, useNavigate } from 'react-router';
import type { Kept } from '../../../contract/api.ts';
import type { Design } from '../../../core/index.ts';
import { FAMILIES, familyOf, hookRank, METALS, starterDesign } from '../../../core/index.ts';
import { useCreate, useList, useRemove } from '../../data/queries.ts';
import { TRAY_SIZE, useTray } from '../../data/tray.ts';
import { useUnits } from '../../data/units.ts';
import { HangingHead, hangingBox } from '../../drawing/hanging-head.tsx';
import { useAddress } from '../../parts/address.ts';
import { Choice } from '../../parts/choice.tsx';
import { useKeys } from '../../parts/keys.ts';
import { useNotices } from '../../parts/notices.tsx';
import { Empty, Failed, Loading } from '../../parts/states.tsx';
import { PX_PER_MM } from '../bench/plate-layout.ts';

type Row = Kept<Design>;

const SORTS = {
  weight: {
    text: 'weight',
    of: (row: Row) => (row.summary?.ok ? (row.summary.readings['mass.metal'] ?? 0) : Infinity),
  },
  name: { text: 'name', of: (row: Row) => row.document.name.toLowerCase() },
  hook: { text: 'hook size', of: (row: Row) => hookRank(row.document.hook.size) ?? 0 },
  fall: {
    text: 'fall',
    of: (row: Row) => (row.summary?.ok ? (row.summary.readings['fall.speed'] ?? 0) : Infinity),
  },
} as const;
type SortKey = keyof typeof SORTS;

/** Scales of the whole Rack, sheet over life. */
const ZOOMS = ['1', '1.5', '2', '3'] as const;

/** The Rack: every design hanging from a bar in its true attitude, all to one scale. */
export function Rack() {
  const list = useList('designs');
  if (list.isPending) return <Loading what="the Rack" />;
  if (list.isError) return <Failed error={list.error} retry={() => void list.refetch()} />;
  return <RackOf rows={list.data} />;
}

function RackOf({ rows }: { readonly rows: readonly Row[] }) {
  const { search, set, clear } = useAddress();
  // Typed text lives here and follows into the address; an address arrived at anew brings its own.
  const [q, setQ] = useState(search.get('q') ?? '');
  const family = search.get('family') ?? '';
  const metal = search.get('metal') ?? '';
  const sort = (search.get('sort') ?? 'weight') as SortKey;
  const zoom = ZOOMS.find((candidate) => candidate === search.get('scale')) ?? '1';
  const searchBox = useRef<HTMLInputElement>(null);
  const create = useCreate('designs');
  const navigate = useNavigate();
  const shown = useMemo(() => {
    const words = q.toLowerCase().split(/\s+/).filter(Boolean);
    const by = (SORTS[sort] ?? SORTS.weight).of;
    return rows
      .filter(
        ({ document }) =>
          (!family || document.head.family === family) && (!metal || document.head.metal === metal),
      )
      .filter((row) => words.every((word) => haystack(row).includes(word)))
      .sort((a, b) => {
        const [x, y] = [by(a), by(b)];
        return x < y ? -1 : x > y ? 1 : a.document.name.localeCompare(b.document.name);
      });
  }, [rows, q, family, metal, sort]);

  const makeNew = (key: string) => {
    const chosen = familyOf(key) ?? FAMILIES[0];
    if (!chosen) return;
    create.mutate(starterDesign(chosen, `New ${chosen.name.toLowerCase()}`), {
      onSuccess: (kept) => void navigate(`/designs/${kept.id}`),
    });
  };
  useKeys({ '/': () => searchBox.current?.focus(), n: () => makeNew('ball') });

  const tools = (
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
        label="Shape"
        value={family}
        options={[['', 'all'], ...FAMILIES.map(({ key, name }) => [key, name] as const)]}
        onChange={(value) => set('family', value)}
      />
      <Choice
        label="Metal"
        value={metal}
        options={[['', 'all'], ...METALS.map(({ key, name }) => [key, name] as const)]}
        onChange={(value) => set('metal', value)}
      />
      <Choice
        label="In order of"
        value={sort}
        options={Object.entries(SORTS).map(([key, { text }]) => [key as SortKey, text] as const)}
        onChange={(value) => set('sort', value, 'weight')}
      />
      <Choice
        label="Scale"
        value={zoom}
        options={ZOOMS.map((value) => [value, `${value}:1`] as const)}
        onChange={(value) => set('scale', value, '1')}
      />
      <span className="rack-count" role="status">
        {shown.length} of {rows.length}
      </span>
      <div className="rack-new">
        <span>New head</span>
        {FAMILIES.map(({ key, name }) => (
          <button
            key={key}
            type="button"
            className="btn btn-sm btn-fern"
            onClick={() => makeNew(key)}
            disabled={create.isPending}
          >
            + {name}
          </button>
        ))}
      </div>
    </div>
  );
  return (
    <div className="rack">
      {tools}
      {rows.length === 0 ? (
        <Empty title="The Rack is empty">
          <p>
            Begin with a head: pick a shape and change whatever you like on the Bench. It is saved as you go.
          </p>
          <div className="state-choices">
            {FAMILIES.map(({ key, name, purpose }) => (
              <button key={key} type="button" className="choice-card" onClick={() => makeNew(key)}>
                <b>{name}</b>
                <span>{purpose}</span>
              </button>
            ))}
          </div>
        </Empty>
      ) : shown.length === 0 ? (
        <Empty title="No head answers to that">
          <p>Nothing on the Rack fits the search and filters.</p>
          <button
            type="button"
            className="btn btn-fern"
            onClick={() => {
              setQ('');
              clear();
            }}
          >
            Show all {rows.length}
          </button>
        </Empty>
      ) : (
        <Hung rows={shown} k={Number(zoom) * PX_PER_MM} />
      )}
    </div>
  );
}

/** Text a search looks through: name, shape, metal, hook, notes. */
function haystack({ document }: Row): string {
  const { name, notes = '', head, hook, eye, keeper, guard } = document;
  return [
    name,
    notes,
    familyOf(head.family)?.name,
    head.family,
    head.metal,
    hook.size,
    hook.grade,
    eye.plane,
    keeper.kind,
    guard.kind,
    `${eye.angle}°`,
  ]
    .join(' ')
    .toLowerCase();
}

/** Line above the eye, px. */
const DROP = 18;

function Hung({ rows, k }: { readonly rows: readonly Row[]; readonly k: number }) {
  const grid = useRef<HTMLOListElement>(null);
  const [at, setAt] = useState(0);
  // One card size for all: the largest head decides, so that scale and rows stay even.
  const { width, height } = useMemo(() => {
    let [wide, high] = [110, 60];
    for (const { summary } of rows) {
      if (!summary?.ok) continue;
      const box = hangingBox(summary.drawing, summary.readings['hang.attitude'] ?? 0, k);
      wide = Math.max(wide, box.right - box.left + 8);
      high = Math.max(high, box.bottom + 6);
    }
    return { width: Math.ceil(Math.max(wide, 132)), height: Math.ceil(high + DROP) };
  }, [rows, k]);

  const onKeyDown = (event: KeyboardEvent) => {
    const cards = [...(grid.current?.querySelectorAll<HTMLAnchorElement>('a.rack-link') ?? [])];
    const here = cards.indexOf(document.activeElement as HTMLAnchorElement);
    if (here < 0) return;
    const tops = cards.map((card) => card.getBoundingClientRect().top);
    const columns = Math.max(1, tops.filter((top) => top === tops[0]).length);
    const moves: Record<string, number> = {
      ArrowRight: 1,
      ArrowLeft: -1,
      ArrowDown: columns,
      ArrowUp: -columns,
    };
    const move =
      event.key === 'Home' ? -here : event.key === 'End' ? cards.length - 1 - here : moves[event.key];
    if (move === undefined) return;
    event.preventDefault();
    const next = Math.min(cards.length - 1, Math.max(0, here + move));
    setAt(next);
    cards[next]?.focus();
  };
  return (
    // One stop for Tab; arrow keys walk within.
    <ol
      className="rack-grid"
      ref={grid}
      onKeyDown={onKeyDown}
      style={{ gridTemplateColumns: `repeat(auto-fill, minmax(${width}px, 1fr))` }}
    >
      {rows.map((row, i) => (
        <Card
          key={row.id}
          row={row}
          k={k}
          width={width}
          height={height}
          isStop={i === Math.min(at, rows.length - 1)}
          onFocus={() => setAt(i)}
        />
      ))}
    </ol>
  );
}

interface CardProps {
  readonly row: Row;
  readonly k: number;
  readonly width: number;
  readonly height: number;
  readonly isStop: boolean;
  readonly onFocus: () => void;
}

function Card({ row, k, width, height, isStop, onFocus }: CardProps) {
  const { id, document, summary } = row;
  const { format, say } = useUnits();
  const { ids, toggle } = useTray();
  const { tell } = useNotices();
  const create = useCreate('designs');
  const remove = useRemove('designs');
  const inTray = ids.includes(id);
  const tray = () => {
    if (toggle(id) === 'full')
      tell({ tone: 'bad', text: `The tray holds ${TRAY_SIZE}. Take one out first.` });
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (event.key === 't') tray();
    else if (event.key === 'd') create.mutate({ ...document, name: `${document.name.slice(0, 112)} (copy)` });
    else if (event.key === 'Delete') remove.mutate({ id, name: document.name });
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const weight = summary?.ok ? format(summary.readings['mass.metal'] ?? NaN, 'mass') : 'cannot be built';
  return (
    <li className="rack-card" data-in-tray={inTray}>
      <Link
        to={`/designs/${id}`}
        className="rack-link"
        tabIndex={isStop ? 0 : -1}
        onFocus={onFocus}
        onKeyDown={onKeyDown}
      >
        {summary?.ok ? (
          <HangingHead
            drawing={summary.drawing}
            attitude={summary.readings['hang.attitude'] ?? 0}
            k={k}
            metal={document.head.metal}
            drop={DROP}
            width={width}
            height={height}
          />
        ) : (
          <span className="rack-broken" style={{ height }}>
            ■ {say(summary?.problems[0]?.message ?? 'This design cannot be built.')}
          </span>
        )}
        <span className="rack-label">
          <b>{document.name}</b>
          <span>
            {weight} · {document.hook.size} · {format(document.eye.angle, 'angle')}
          </span>
          <small>{METALS.find(({ key }) => key === document.head.metal)?.name ?? document.head.metal}</small>
        </span>
      </Link>
      <button
        type="button"
        className="rack-tray"
        tabIndex={-1}
        aria-pressed={inTray}
        onClick={tray}
        aria-label={inTray ? `Take ${document.name} out of the tray` : `Put ${document.name} into the tray`}
      >
        {inTray ? '✓ tray' : '+ tray'}
      </button>
      <button
        type="button"
        className="rack-delete"
        tabIndex={-1}
        aria-label={`Delete ${document.name}`}
        onClick={() => remove.mutate({ id, name: document.name })}
      >
        ×
      </button>
    </li>
  );
}
