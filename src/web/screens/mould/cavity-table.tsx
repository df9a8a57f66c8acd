import { useMemo } from 'react';
import type { Mould } from '../../../core/document/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import { useUnits } from '../../data/units.ts';
import { Scrolls } from '../../parts/sheet.tsx';
import { useJudged } from '../../workers/judge.ts';
import { makeWorker } from '../../workers/make.ts';
import type { CavityFigure } from './use-cutter.ts';

interface RestJob {
  readonly mould: Mould;
  readonly metals: readonly Metal[];
}
const runRests = ({ mould, metals }: RestJob) => makeWorker().rests(mould, metals);

/** Changes smaller than this share of a figure are none. */
const NO_CHANGE = 1e-6;

/** A figure before and after the cuts. */
function Changed({
  before,
  after,
  kind,
}: {
  readonly before: number;
  readonly after: number;
  readonly kind: 'speed' | 'size' | 'share' | 'mass';
}) {
  const { format } = useUnits();
  if (Number.isNaN(after)) return <td className="num">–</td>;
  if (Math.abs(after - before) < NO_CHANGE * Math.abs(before))
    return <td className="num">{format(after, kind)}</td>;
  return (
    <td className="num">
      {format(before, kind)} → <b>{format(after, kind)}</b>
    </td>
  );
}

interface Props {
  readonly mould: Mould;
  readonly cavities: readonly CavityFigure[];
  readonly place: number;
  readonly metals: readonly Metal[];
  readonly onPlace: (place: number) => void;
  readonly onRemove: (place: number) => void;
}

/** Every cavity with what it casts: weights, length, fall and rest, before and after its cuts. */
export function CavityTable({ mould, cavities, place, metals, onPlace, onRemove }: Props) {
  const { format } = useUnits();
  const job = useMemo<RestJob>(() => ({ mould, metals }), [mould, metals]);
  const { output: rested, for: restedFor } = useJudged(job, runRests);
  const rests = restedFor === job ? rested : undefined;
  return (
    <Scrolls label="Weights by cavity">
      <table className="shop-table">
        <thead>
          <tr>
            <th scope="col">Cavity</th>
            <th scope="col" className="num">
              Metal
            </th>
            <th scope="col" className="num">
              Total weight
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
              <span className="visually-hidden">Remove</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {cavities.map((one, i) => (
            <tr key={i} aria-current={i === place}>
              <th scope="row">
                <button type="button" className="mould-cavity" onClick={() => onPlace(i)}>
                  {i + 1}: {one.name}
                </button>
                <small> hook {one.hook}</small>
                {one.problem && <p className="field-said">{one.problem}</p>}
              </th>
              <Changed before={one.was} after={one.metal} kind="mass" />
              <td className="num">{format(one.total, 'mass')}</td>
              <Changed before={one.before.length} after={one.after.length} kind="size" />
              <Changed before={one.before.fall} after={one.after.fall} kind="speed" />
              {rests?.[i] ? (
                <Changed before={rests[i].before} after={rests[i].after} kind="share" />
              ) : (
                <td className="num">…</td>
              )}
              <td>
                {mould.cavities.length > 1 && (
                  <button
                    type="button"
                    className="btn-x"
                    aria-label={`Remove cavity ${i + 1}`}
                    onClick={() => onRemove(i)}
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
  );
}
