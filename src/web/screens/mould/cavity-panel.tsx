import { Scrolls } from '../../parts/sheet.tsx';
import { useMemo, useState } from 'react';
import type { Cut, Mould } from '../../../core/document/index.ts';
import type { CutOffer } from '../../../core/make/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import { CUTTERS, cutterOf } from '../../../core/cutter/index.ts';
import { HALVES, MOST_CUTS, MOULD_RANGES } from '../../../core/document/index.ts';
import { HEAD_RANGES } from '../../../core/head/index.ts';
import { samplesToTell } from '../../../core/make/index.ts';
import { useUnits } from '../../data/units.ts';
import { Choice, Segments } from '../../parts/choice.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';
import { useJudged } from '../../workers/judge.ts';
import { makeWorker } from '../../workers/make.ts';
import type { MouldFigures } from '../../workers/make.worker.ts';

interface Props {
  readonly mould: Mould;
  readonly figures: Extract<MouldFigures, { ok: true }>;
  readonly place: number;
  readonly aim: { readonly x: number; readonly z: number } | undefined;
  readonly metals: readonly Metal[];
  readonly edit: (change: (mould: Mould) => Mould) => void;
  readonly onPlace: (place: number) => void;
}

interface RestJob {
  readonly mould: Mould;
  readonly metals: readonly Metal[];
}
const runRests = ({ mould, metals }: RestJob) => makeWorker().rests(mould, metals);

/** How far pieces of a sound cavity spread, as a share of their weight, one standard deviation (common practice, no source). */
const USUAL_SPREAD = 0.008;

/** Cutters a small shop has, mm across, beside inches by eighths and sixteenths (common practice, no source). */
const USUAL = [3.175, 4, 4.7625, 5, 6, 6.35, 7.9375, 8, 9.525, 10, 12, 12.7];

/** Every cavity with what it throws, and the cutter for the one that is chosen. */
export function CavityPanel({ mould, figures, place, aim, metals, edit, onPlace }: Props) {
  const { format } = useUnits();
  const cavity = mould.cavities[place];
  const figure = figures.cavities[place];
  const [tool, setTool] = useState<Omit<Cut, 'at' | 'depth'> & { depth: number }>({
    cutter: 'round-nosed',
    diameter: 6.35,
    side: 'both',
    depth: 0,
  });
  const [wanted, setWanted] = useState<number | undefined>(undefined);
  const [offers, setOffers] = useState<
    { readonly for: Mould; readonly list: readonly CutOffer[] } | undefined
  >(undefined);
  const [asking, setAsking] = useState('');
  const job = useMemo<RestJob>(() => ({ mould, metals }), [mould, metals]);
  const { output: rested, for: restedFor } = useJudged(job, runRests);
  const rests = restedFor === job ? rested : undefined;
  if (!cavity || !figure) return null;
  const spot = aim ?? { x: Math.round(figure.middle.x * 10) / 10, z: Math.round(figure.middle.z * 10) / 10 };
  const depth = tool.depth > 0 ? tool.depth : Math.max(0.5, Math.round(figure.middle.left * 10) / 10 + 0.3);
  const setCuts = (change: (cuts: readonly Cut[]) => Cut[]) =>
    edit((now) => ({
      ...now,
      cavities: now.cavities.map((one, i) => (i === place ? { ...one, cuts: change(one.cuts) } : one)),
    }));
  const cutter = (at: { depth: number; diameter?: number }): Cut => ({
    cutter: tool.cutter,
    diameter: tool.diameter,
    side: tool.side,
    ...(cutterOf(tool.cutter).hasTip ? { tip: tool.tip ?? 90 } : {}),
    ...at,
    at: spot,
  });
  const toFloor = async () => {
    const floor = await makeWorker().floor(mould, place, spot.x, spot.z, metals);
    const deep =
      tool.side === 'right'
        ? floor.right
        : tool.side === 'left'
          ? floor.left
          : Math.min(floor.left, floor.right);
    setTool((now) => ({ ...now, depth: Math.round(deep * 100) / 100 }));
  };
  const findCuts = async () => {
    setAsking('Looking …');
    try {
      const list = await makeWorker().offers(
        mould,
        place,
        wanted ?? figure.metal * 1.1,
        [...new Set([tool.diameter, ...USUAL])].map((diameter) => cutter({ depth: 1, diameter })),
        metals,
      );
      setOffers({ for: mould, list });
      setAsking(
        list.length === 0
          ? 'No cutter of the shop reaches that weight here. Ask for another, or aim elsewhere.'
          : '',
      );
    } catch (error) {
      setAsking((error as Error).message);
    }
  };
  const change = (after: number, before: number, kind: 'speed' | 'size' | 'share') =>
    Math.abs(after - before) < 1e-6 * Math.abs(before) || Number.isNaN(after) ? (
      <td className="num">{Number.isNaN(after) ? '–' : format(after, kind)}</td>
    ) : (
      <td className="num">
        {format(before, kind)} → <b>{format(after, kind)}</b>
      </td>
    );
  return (
    <section aria-label="Cavities">
      <h2>Cavities</h2>
      <Scrolls label="What the cavities cast">
        <table className="shop-table">
          <thead>
            <tr>
              <th scope="col">Cavity</th>
              <th scope="col" className="num">
                Metal
              </th>
              <th scope="col" className="num">
                As weighed
              </th>
              <th scope="col" className="num">
                Length
              </th>
              <th scope="col" className="num">
                Fall
              </th>
              <th scope="col" className="num">
                Rests point up
              </th>
              <th scope="col">
                <span className="visually-hidden">Take out</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {figures.cavities.map((one, i) => (
              <tr key={i} aria-current={i === place}>
                <th scope="row">
                  <button type="button" className="mould-cavity" onClick={() => onPlace(i)}>
                    {i + 1}: {one.name}
                  </button>
                  <small> hook {one.hook}</small>
                  {one.problem && <p className="field-said">{one.problem}</p>}
                </th>
                <td className="num">
                  {Math.abs(one.metal - one.was) < 1e-6 ? (
                    format(one.metal, 'mass')
                  ) : (
                    <>
                      {format(one.was, 'mass')} → <b>{format(one.metal, 'mass')}</b>
                    </>
                  )}
                </td>
                <td className="num">{format(one.total, 'mass')}</td>
                {change(one.after.length, one.before.length, 'size')}
                {change(one.after.fall, one.before.fall, 'speed')}
                {rests?.[i] ? change(rests[i].after, rests[i].before, 'share') : <td className="num">…</td>}
                <td>
                  {mould.cavities.length > 1 && (
                    <button
                      type="button"
                      className="btn-x"
                      aria-label={`Take cavity ${i + 1} out`}
                      onClick={() =>
                        edit((now) => ({ ...now, cavities: now.cavities.filter((_, k) => k !== i) }))
                      }
                    >
                      ×
                    </button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scrolls>
      <h2>Change cavity {place + 1} by cutter</h2>
      <p className="shop-note">
        Tap the drawing to set the cutter’s place, or type it. Nothing is cut but here: weight, size, rest and
        fall above are what the cavity would throw.
      </p>
      <Choice
        label="Cutter"
        value={tool.cutter}
        options={CUTTERS.map(({ key, name }) => [key, name] as const)}
        onChange={(next) => setTool((now) => ({ ...now, cutter: next }))}
      />
      <QuantityField
        label="Across"
        kind="size"
        value={tool.diameter}
        min={MOULD_RANGES.diameter[0]}
        max={MOULD_RANGES.diameter[1]}
        step={0.1}
        onCommit={(diameter) => setTool((now) => ({ ...now, diameter }))}
      />
      {cutterOf(tool.cutter).hasTip && (
        <QuantityField
          label="Point"
          kind="angle"
          value={tool.tip ?? 90}
          min={MOULD_RANGES.tip[0]}
          max={MOULD_RANGES.tip[1]}
          step={5}
          onCommit={(tip) => setTool((now) => ({ ...now, tip }))}
        />
      )}
      <Segments
        label="In which half"
        value={tool.side}
        options={HALVES.map((key) => [key, key] as const)}
        onChange={(side) => setTool((now) => ({ ...now, side }))}
      />
      <QuantityField
        label="Below the face"
        kind="size"
        value={depth}
        min={0.05}
        max={MOULD_RANGES.depth[1]}
        step={0.05}
        onCommit={(next) => setTool((now) => ({ ...now, depth: next }))}
      />
      <div className="shop-row">
        <span>
          At {format(spot.x, 'size')} along the shank, {format(spot.z, 'size')} towards the point
        </span>
        <button type="button" className="btn btn-sm btn-quiet" onClick={() => void toFloor()}>
          Down to the floor as made
        </button>
        <button
          type="button"
          className="btn btn-sm btn-fern"
          disabled={cavity.cuts.length >= MOST_CUTS}
          onClick={() => setCuts((cuts) => [...cuts, cutter({ depth })])}
        >
          Cut it here
        </button>
      </div>
      {cavity.cuts.length > 0 && (
        <ol className="mould-cuts">
          {cavity.cuts.map((cut, k) => (
            <li key={k}>
              {cut.cutter}, {format(cut.diameter, 'size')} across, {format(cut.depth, 'size')} deep,{' '}
              {cut.side}
              {cut.side === 'both' ? ' halves' : ' half'}{' '}
              <button
                type="button"
                className="btn-x"
                aria-label={`Take cut ${k + 1} back`}
                onClick={() => setCuts((cuts) => cuts.filter((_, i) => i !== k))}
              >
                ×
              </button>
            </li>
          ))}
        </ol>
      )}
      {figures.cavities.some(({ metal, was }) => Math.abs(metal - was) > 1e-6) && (
        <p className="shop-note">
          Sample pours:{' '}
          {figures.cavities
            .flatMap(({ metal, was, total }, i) => {
              if (Math.abs(metal - was) <= 1e-6) return [];
              const pieces = samplesToTell(USUAL_SPREAD * total, metal - was);
              return [`cavity ${i + 1}, ${pieces} before and ${pieces} after the cut`];
            })
            .join('; ')}
          , weighed one by one, show that the cut did what it should where pieces spread by{' '}
          {format(USUAL_SPREAD, 'share')}.
        </p>
      )}
      <h3>The other way round</h3>
      <div className="shop-row">
        <QuantityField
          label="Metal wanted"
          kind="mass"
          value={wanted ?? figure.metal * 1.1}
          min={HEAD_RANGES.grams[0]}
          max={HEAD_RANGES.grams[1]}
          onCommit={setWanted}
        />
        <button type="button" className="btn btn-sm btn-quiet" onClick={() => void findCuts()}>
          Which cutter, how deep?
        </button>
      </div>
      {asking && <p role="status">{asking}</p>}
      {offers?.for === mould && offers.list.length > 0 && (
        <Scrolls label="Depths of the cutter">
          <table className="shop-table">
            <thead>
              <tr>
                <th scope="col">{tool.cutter}</th>
                <th scope="col" className="num">
                  Deep
                </th>
                <th scope="col" className="num">
                  Metal
                </th>
                <th scope="col" className="num">
                  {format(0.1, 'size')} too deep
                </th>
                <td />
              </tr>
            </thead>
            <tbody>
              {offers.list.map((offer) => (
                <tr key={offer.cut.diameter}>
                  <td>{format(offer.cut.diameter, 'size')}</td>
                  <td className="num">{format(offer.cut.depth, 'size')}</td>
                  <td className="num">{format(offer.metal, 'mass')}</td>
                  <td className="num">+{format(offer.perTenth, 'mass')}</td>
                  <td>
                    <button
                      type="button"
                      className="btn btn-sm btn-quiet"
                      onClick={() => setCuts((cuts) => [...cuts, offer.cut])}
                    >
                      cut it
                    </button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </Scrolls>
      )}
    </section>
  );
}
