import { useMemo } from 'react';
import type { Kept } from '../../../contract/api.ts';
import type { Vec2 } from '../../../core/numeric/index.ts';
import type { Plastic } from '../../../core/plastic/index.ts';
import {
  PLASTIC_RANGES,
  COLOUR_CLASSES,
  leftLength,
  PLASTIC_KINDS,
  plasticDensity,
  plasticKindOf,
  plasticMass,
  plasticReach,
  TOUGHNESS,
  usualPlastic,
} from '../../../core/plastic/index.ts';
import { useCreate, useList } from '../../data/queries.ts';
import { useUnits } from '../../data/units.ts';
import { MM_PER_INCH } from '../../../core/quantity/index.ts';
import { PlasticFigure } from '../../drawing/plastic-figure.tsx';
import { useAddress } from '../../parts/address.ts';
import { Choice } from '../../parts/choice.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';
import { Empty, Failed, Loading } from '../../parts/states.tsx';
import { PlasticEditor } from './plastic-editor.tsx';
import { DENSITY_OF } from './density-of.ts';
import { TableFiles } from './table-files.tsx';
import './plastics.css';

/** Length a new plastic begins with, in. */
const NEW_INCHES = 4;

const ANY = '';
const named = <T extends string>(values: readonly T[]) =>
  [[ANY, 'any'], ...values.map((value) => [value, value] as const)] as const;
/** How a plastic behaves in still fresh water: denser than it sinks. */
const FLOATS = ['floats', 'sinks'] as const;

/** Rows of a table of plastics. */
const readPlastics = async (text: string) => {
  const { readPlasticsCsv } = await import('../../../core/exchange/plastics-csv.ts');
  return readPlasticsCsv(text).map(({ plastic, ...row }) => ({ ...row, document: plastic }));
};

/** Lengths between which every plastic lies, round in the reader’s unit, mm. */
const ALL_LENGTHS = {
  imperial: [0.75 * MM_PER_INCH, 16 * MM_PER_INCH],
  metric: PLASTIC_RANGES.length,
} as const;

/**
 * The plastics side by side, to one scale; searched, filtered, edited, brought in and taken out as a table.
 */
export function PlasticShelf({ find }: { readonly find: string }) {
  const list = useList('plastics');
  const create = useCreate('plastics');
  const { system, format } = useUnits();
  const { search, set } = useAddress();
  const [shortest, longest] = ALL_LENGTHS[system];
  const filter = {
    kind: search.get('kind') ?? ANY,
    toughness: search.get('toughness') ?? ANY,
    colour: search.get('colour') ?? ANY,
    floats: search.get('floats') ?? ANY,
    from: Number(search.get('from')) || shortest,
    to: Number(search.get('to')) || longest,
  };
  const shown = useMemo(() => {
    const wanted = find.toLowerCase();
    return (list.data ?? [])
      .filter(({ document }) => {
        const { name, kind, notes = '', colour = '' } = document;
        return (
          `${name} ${plasticKindOf(kind).name} ${notes} ${colour}`.toLowerCase().includes(wanted) &&
          (filter.kind === ANY || kind === filter.kind) &&
          (filter.toughness === ANY || document.toughness === filter.toughness) &&
          (filter.colour === ANY || document.colourClass === filter.colour) &&
          (filter.floats === ANY ||
            plasticDensity(document) < DENSITY_OF.fresh === (filter.floats === 'floats')) &&
          document.length >= filter.from &&
          document.length <= filter.to
        );
      })
      .sort((a, b) => a.document.length - b.document.length);
  }, [list.data, find, filter.kind, filter.toughness, filter.colour, filter.floats, filter.from, filter.to]);
  if (list.isPending) return <Loading what="the plastics" />;
  if (list.isError) return <Failed error={list.error} retry={() => void list.refetch()} />;
  const chosen = list.data.find(({ id }) => id === search.get('plastic'));
  const add = () =>
    create.mutate(
      usualPlastic(PLASTIC_KINDS.find(({ key }) => key === filter.kind)?.key ?? 'paddle-tail', NEW_INCHES),
      {
        onSuccess: ({ id }) => set('plastic', id),
      },
    );
  return (
    <section className="plastics" aria-label="Plastics" data-editing={chosen !== undefined}>
      <div className="plastics-bar">
        <button type="button" className="btn btn-sm btn-fern" onClick={add} disabled={create.isPending}>
          + New plastic
        </button>
        <Choice
          label="Kind"
          value={filter.kind}
          options={[[ANY, 'any'], ...PLASTIC_KINDS.map(({ key, name }) => [key, name] as const)]}
          onChange={(value) => set('kind', value)}
        />
        <Choice
          label="Toughness"
          value={filter.toughness}
          options={named(TOUGHNESS)}
          onChange={(value) => set('toughness', value)}
        />
        <Choice
          label="Colour class"
          value={filter.colour}
          options={named(COLOUR_CLASSES)}
          onChange={(value) => set('colour', value)}
        />
        <Choice
          label="In fresh water"
          value={filter.floats}
          options={named(FLOATS)}
          onChange={(value) => set('floats', value)}
        />
        <QuantityField
          label="From"
          kind="size"
          value={filter.from}
          min={shortest}
          max={longest}
          step={5}
          onCommit={(value) => set('from', String(value), String(shortest))}
        />
        <QuantityField
          label="To"
          kind="size"
          value={filter.to}
          min={shortest}
          max={longest}
          step={5}
          onCommit={(value) => set('to', String(value), String(longest))}
        />
        <span className="plastics-files">
          <TableFiles
            what="plastics"
            read={readPlastics}
            heads={['Name', 'Kind', 'Length', 'Breadth', 'Height', 'Toughness']}
            cells={({ document: one }) =>
              one
                ? [
                    one.name,
                    plasticKindOf(one.kind).name,
                    ...[one.length, one.breadth, one.height].map((mm) => format(mm, 'size')),
                    one.toughness,
                  ]
                : []
            }
          />
        </span>
      </div>
      {list.data.length === 0 ? (
        <Empty title="No plastics yet">
          <p>Measure one with a ruler: length, widest, highest. That is enough to rig it.</p>
        </Empty>
      ) : (
        <Cards shown={shown} chosen={chosen?.id} onChoose={(id) => set('plastic', id)} />
      )}
      {chosen && <PlasticEditor key={chosen.id} kept={chosen} onClose={() => set('plastic', '')} />}
    </section>
  );
}

/** px to a mm on the shelf: a bait of 5 in is a hand broad. */
const SCALE = 1.7;

/** Plastics drawn to one scale, as they would lie on a shelf. */
function Cards({
  shown,
  chosen,
  onChoose,
}: {
  readonly shown: readonly Kept<Plastic>[];
  readonly chosen: string | undefined;
  readonly onChoose: (id: string) => void;
}) {
  const { format } = useUnits();
  if (shown.length === 0) return <p className="stores-note">No plastic is like that. Widen the search.</p>;
  return (
    <ul className="plastic-cards" aria-label={`${shown.length} plastics, to one scale`}>
      {shown.map(({ id, document }) => {
        const { up, down, back } = plasticReach(document, 'side');
        const [width, height] = [back * SCALE + 8, (up + down) * SCALE + 8];
        const place = ([x, z]: Vec2): Vec2 => [width - 4 + x * SCALE, 4 + (up - z) * SCALE];
        const density = plasticDensity(document);
        return (
          <li key={id}>
            <button
              type="button"
              className="plastic-card"
              aria-pressed={id === chosen}
              onClick={() => onChoose(id)}
            >
              <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} aria-hidden>
                <PlasticFigure plastic={document} view="side" place={place} />
              </svg>
              <b>{document.name}</b>
              <small>
                {plasticKindOf(document.kind).name} · {format(leftLength(document), 'size')} ·{' '}
                {format(plasticMass(document), 'mass')}
              </small>
              <small>
                {density < DENSITY_OF.fresh
                  ? '▲ floats'
                  : density < DENSITY_OF.sea
                    ? '◆ sinks, floats in the sea'
                    : '▼ sinks'}{' '}
                · {document.toughness}
                {document.colourClass ? ` · ${document.colourClass}` : ''}
              </small>
            </button>
          </li>
        );
      })}
    </ul>
  );
}
