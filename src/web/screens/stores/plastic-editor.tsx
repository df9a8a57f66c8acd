import { useMemo } from 'react';
import { Link } from 'react-router';
import type { Kept, RulesInForce } from '../../../contract/api.ts';
import type { Design } from '../../../core/document/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import type { Plastic } from '../../../core/plastic/index.ts';
import {
  COLOUR_CLASSES,
  cutOf,
  leftLength,
  PLASTIC_KINDS,
  PLASTIC_RANGES,
  plasticDensity,
  MADE,
  plasticKindOf,
  plasticMass,
  plasticStations,
  PLAUSIBLE_DENSITY,
  TOUGHNESS,
  wallOf,
  weighedDensity,
} from '../../../core/plastic/index.ts';
import { METHODS } from '../../../core/rigging/index.ts';
import { useDraft } from '../../data/draft.ts';
import { useFew, useRack, useRemove, useRules, useStores } from '../../data/queries.ts';
import { useUnits } from '../../data/units.ts';
import { Choice } from '../../parts/choice.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';
import { SaveBadge } from '../../parts/save-badge.tsx';
import { StaleDraft } from '../../parts/stale-dialog.tsx';
import { judgeWorker, useJudged } from '../../workers/judge.ts';
import type { PairRow } from '../../workers/match-rows.ts';
import { PlasticPlate } from './plastic-plate.tsx';
import { DENSITY_OF } from './density-of.ts';

const plain = <T extends string>(values: readonly T[]) => values.map((value) => [value, value] as const);
const FLAGS = [
  ['spot', 'Bright spot'],
  ['scent', 'Scent'],
  ['rattle', 'Rattle'],
  ['skirt', 'Skirt'],
] as const;

/** One plastic: drawn from two sides with handles that pull, its fields, what follows from them, and the heads it goes on. */
export function PlasticEditor({
  kept,
  onClose,
}: {
  readonly kept: Kept<Plastic>;
  readonly onClose: () => void;
}) {
  const draft = useDraft('plastics', kept);
  const remove = useRemove('plastics');
  const { format } = useUnits();
  const { document: plastic, edit } = draft;
  const set = (change: Partial<Plastic>) => edit((now) => ({ ...now, ...change }));
  const kind = plasticKindOf(plastic.kind);
  const weighed = weighedDensity(plastic);
  const isOdd =
    weighed !== undefined && !(weighed >= PLAUSIBLE_DENSITY[0] && weighed <= PLAUSIBLE_DENSITY[1]);
  const stations = plasticStations(plastic).map(([at, height, breadth]) => ({ at, height, breadth }));
  const hasWall = MADE[kind.make].wall;
  return (
    <aside className="plastic-editor" aria-label={`The plastic ${plastic.name}`}>
      <div className="plastic-editor-head">
        <input
          aria-label="Name"
          key={plastic.name}
          defaultValue={plastic.name}
          maxLength={120}
          onBlur={(event) => {
            const name = event.currentTarget.value.trim();
            if (name && name !== plastic.name) set({ name });
            else event.currentTarget.value = plastic.name;
          }}
        />
        <SaveBadge state={draft.state} />
        <button type="button" className="btn btn-sm btn-quiet" onClick={onClose}>
          Close
        </button>
      </div>
      {draft.problems.map(({ message }) => (
        <p key={message} className="field-said" role="alert">
          {message}
        </p>
      ))}
      <PlasticPlate plastic={plastic} onChange={set} />
      {kind.isOwn && (
        <p className="plastic-stations">
          {stations.length} stations{' '}
          <button
            type="button"
            className="btn btn-sm btn-quiet"
            disabled={stations.length >= MOST_STATIONS}
            onClick={() => set({ stations: withOneMore(stations) })}
          >
            + Station in the widest space
          </button>{' '}
          {stations.slice(1, -1).map(({ at }, i) => (
            <button
              key={at}
              type="button"
              className="btn-link-brass"
              disabled={stations.length <= LEAST_STATIONS}
              onClick={() => set({ stations: stations.filter((_, j) => j !== i + 1) })}
            >
              Take out that at {format(at * plastic.length, 'size')}
            </button>
          ))}
        </p>
      )}
      <p className="plastic-facts">
        <b>{format(plasticMass(plastic), 'mass')}</b>
        {cutOf(plastic) > 0 && `, ${format(leftLength(plastic), 'size')} after the cut`}.{' '}
        {(['fresh', 'brackish', 'sea'] as const)
          .map(
            (water) =>
              `${plasticDensity(plastic) < DENSITY_OF[water] ? 'Floats' : 'Sinks'} in ${water} water`,
          )
          .join(', ')
          .replace(/, (Floats|Sinks)/g, (_, word: string) => `, ${word.toLowerCase()}`)}
        .{' '}
        {weighed !== undefined &&
          `Its weight means ${format(weighed, 'density')}${isOdd ? ': no plastic is so dense or so light, so weigh it again, or measure its sizes' : ''}. `}
        Moves {WELL(kind.moves.cold)} in cold water, {WELL(kind.moves.warm)} in warm (index, common practice).
      </p>
      <div className="plastic-fields">
        <Choice
          label="Kind"
          value={plastic.kind}
          options={PLASTIC_KINDS.map(({ key, name }) => [key, name] as const)}
          onChange={(next) =>
            set({
              kind: next,
              ...(plasticKindOf(next).isOwn && !plastic.stations
                ? {
                    stations: plasticKindOf(next).stations.map(([at, height, breadth]) => ({
                      at,
                      height,
                      breadth,
                    })),
                  }
                : {}),
            })
          }
        />
        {(['length', 'breadth', 'height'] as const).map((key) => (
          <QuantityField
            key={key}
            label={key.charAt(0).toUpperCase() + key.slice(1)}
            kind="size"
            value={plastic[key]}
            min={PLASTIC_RANGES[key][0]}
            max={PLASTIC_RANGES[key][1]}
            step={0.5}
            onCommit={(value) => set({ [key]: value })}
          />
        ))}
        <QuantityField
          label="Cut off the nose"
          kind="size"
          value={plastic.cut ?? 0}
          min={PLASTIC_RANGES.cut[0]}
          max={Math.min(PLASTIC_RANGES.cut[1], plastic.length * 0.7)}
          step={1}
          onCommit={(value) => set({ cut: value > 0 ? value : undefined })}
        />
        {hasWall && (
          <QuantityField
            label="Wall"
            kind="size"
            value={wallOf(plastic)}
            min={PLASTIC_RANGES.wall[0]}
            max={PLASTIC_RANGES.wall[1]}
            step={0.1}
            onCommit={(wall) => set({ wall })}
          />
        )}
        <QuantityField
          label="Density"
          kind="density"
          value={plastic.density}
          min={PLASTIC_RANGES.density[0]}
          max={PLASTIC_RANGES.density[1]}
          step={0.01}
          disabled={plastic.weighed !== undefined}
          onCommit={(density) => set({ density })}
        />
        <QuantityField
          label="Weighed"
          kind="mass"
          value={plastic.weighed ?? 0}
          min={0}
          max={PLASTIC_RANGES.weighed[1]}
          step={0.1}
          note="As bought, on a scale; it goes before the density. 0 where it was not weighed."
          onCommit={(value) => set({ weighed: value >= PLASTIC_RANGES.weighed[0] ? value : undefined })}
        />
        <Choice
          label="Toughness"
          value={plastic.toughness}
          options={plain(TOUGHNESS)}
          onChange={(toughness) => set({ toughness })}
        />
        <label className="qf">
          <span className="qf-name">Colour</span>
          <span className="qf-box">
            <input
              key={plastic.colour ?? ''}
              defaultValue={plastic.colour ?? ''}
              maxLength={60}
              onBlur={(event) => {
                const colour = event.currentTarget.value.trim();
                if (colour !== (plastic.colour ?? '')) set({ colour: colour || undefined });
              }}
            />
          </span>
        </label>
        <Choice
          label="Colour class"
          value={plastic.colourClass ?? ''}
          options={[['', 'not said'], ...plain(COLOUR_CLASSES)]}
          onChange={(next) => set({ colourClass: COLOUR_CLASSES.find((one) => one === next) })}
        />
        <fieldset className="plastic-flags">
          <legend className="visually-hidden">What it has besides</legend>
          {FLAGS.map(([key, text]) => (
            <label key={key}>
              <input
                type="checkbox"
                checked={plastic[key] ?? false}
                onChange={(event) => set({ [key]: event.currentTarget.checked || undefined })}
              />{' '}
              {text}
            </label>
          ))}
        </fieldset>
      </div>
      <UsedBy plastic={plastic} id={kept.id} />
      <button
        type="button"
        className="btn btn-sm btn-quiet"
        onClick={() => {
          remove.mutate({ id: kept.id, name: plastic.name, version: kept.version });
          onClose();
        }}
      >
        Delete {plastic.name}
      </button>
      <StaleDraft collection="plastics" draft={draft} />
    </aside>
  );
}

/** Stations an own outline may have. */
const LEAST_STATIONS = 3;
const MOST_STATIONS = 16;

type Stations = NonNullable<Plastic['stations']>;

/** Stations with one more in the middle of the widest space between two, on the line between them. */
function withOneMore(stations: Stations): Stations {
  let widest = 0;
  stations.forEach((_, i) => {
    const gap = (k: number) => (stations[k + 1]?.at ?? 0) - (stations[k]?.at ?? 0);
    if (i + 1 < stations.length && gap(i) > gap(widest)) widest = i;
  });
  const [a, b] = [stations[widest], stations[widest + 1]];
  if (!a || !b) return stations;
  const middle = (x: number, y: number) => Math.round(500 * (x + y)) / 1000;
  const more = {
    at: middle(a.at, b.at),
    height: middle(a.height, b.height),
    breadth: middle(a.breadth, b.breadth),
  };
  return [...stations.slice(0, widest + 1), more, ...stations.slice(widest + 1)];
}

/** How freely something moves, in a word. */
const WELL = (moves: number): string => (moves >= 0.85 ? 'freely' : moves >= 0.65 ? 'well enough' : 'little');

/** Heads tried at most. */
const HEADS = 40;

interface Job {
  readonly designs: readonly Design[];
  readonly plastic: Plastic;
  readonly rules: RulesInForce['document'];
  readonly metals: readonly Metal[] | undefined;
}
const run = ({ designs, plastic, rules, metals }: Job): Promise<PairRow[]> =>
  judgeWorker('later').heads(designs, plastic, rules, metals);

/** The heads of the Rack it goes on, best first. */
function UsedBy({ plastic, id }: { readonly plastic: Plastic; readonly id: string }) {
  const rack = useRack();
  const metals = useStores().data?.metals;
  const rules = useRules().data?.document;
  const ids = useMemo(
    () =>
      (rack.data?.cards ?? [])
        .filter(({ archived, grams }) => !archived && grams !== null)
        .slice(0, HEADS)
        .map((card) => card.id),
    [rack.data],
  );
  const { rows: heads } = useFew(ids);
  const job = useMemo<Job | undefined>(
    () => rules && { designs: heads.map(({ document }) => document), plastic, rules, metals },
    [heads, plastic, rules, metals],
  );
  const { output } = useJudged(job, run);
  const fitting = (output ?? []).filter(({ verdict }) => verdict !== 'bad').slice(0, 8);
  return (
    <section className="plastic-used" aria-label="Heads it fits">
      <h2>Heads it fits</h2>
      {fitting.length === 0 && (
        <p className="stores-note">{output ? 'None on the Rack, as they are.' : 'Trying …'}</p>
      )}
      <ul>
        {fitting.map(({ index, method, verdict, use, service }) => {
          const head = heads[index];
          return head ? (
            <li key={head.id}>
              <Link to={`/designs/${head.id}/rig?plastic=${id}&method=${method}`}>{head.document.name}</Link>{' '}
              <small>
                {verdict === 'good' ? '✓' : '▲'} {METHODS.find(({ key }) => key === method)?.name}.{' '}
                {service === 'serves' ? 'Serves' : service === 'with care' ? 'With care' : 'Not for'}: {use}.
              </small>
            </li>
          ) : null;
        })}
      </ul>
    </section>
  );
}
