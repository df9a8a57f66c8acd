import { stationsOf } from '../../../core/head/index.ts';
import type { Design } from '../../../core/document/index.ts';
import type { Station } from '../../../core/head/index.ts';
import { useUnits } from '../../data/units.ts';
import { QuantityField } from '../../parts/quantity-field.tsx';
import type { Edit } from './stage-kit.ts';

/** Stations with one changed; with symmetry on, rise and drop go together. */
export function withStation(head: Design['head'], index: number, change: Partial<Station>): Station[] {
  const stations = [...stationsOf(head)];
  const both = head.symmetric
    ? {
        ...change,
        ...(change.rise !== undefined
          ? { drop: change.rise }
          : change.drop !== undefined
            ? { rise: change.drop }
            : {}),
      }
    : change;
  return stations.map((station, i) => (i === index ? { ...station, ...both } : station));
}

const COLUMNS = [
  ['at', 'Along'],
  ['breadth', 'Breadth'],
  ['rise', 'Rise'],
  ['drop', 'Drop'],
] as const;

/** The stations of an own profile as a table; each can also be pulled on the drawing. */
export function StationList({
  design,
  edit,
  problem,
}: {
  readonly design: Design;
  readonly edit: Edit;
  readonly problem: string | undefined;
}) {
  const { say } = useUnits();
  const stations = stationsOf(design.head);
  const put = (next: Station[]) => edit((now) => ({ ...now, head: { ...now.head, stations: next } }));
  const widest = stations
    .slice(1)
    .reduce(
      (best, station, i) =>
        station.at - (stations[i]?.at ?? 0) > best.gap
          ? { gap: station.at - (stations[i]?.at ?? 0), i }
          : best,
      { gap: 0, i: 0 },
    );
  const add = () => {
    const [a, b] = [stations[widest.i], stations[widest.i + 1]];
    if (!a || !b) return;
    const middle: Station = {
      at: (a.at + b.at) / 2,
      breadth: (a.breadth + b.breadth) / 2,
      rise: (a.rise + b.rise) / 2,
      drop: (a.drop + b.drop) / 2,
    };
    put([...stations.slice(0, widest.i + 1), middle, ...stations.slice(widest.i + 1)]);
  };
  return (
    <div className="stations">
      <h4>Stations, rear to nose</h4>
      {problem && <p className="field-said">{say(problem)}</p>}
      <table>
        <thead>
          <tr>
            {COLUMNS.map(([key, name]) => (
              <th key={key} scope="col">
                {name}
              </th>
            ))}
            <th scope="col">
              <span className="visually-hidden">Remove</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {stations.map((station, i) => {
            const isEnd = i === 0 || i === stations.length - 1;
            return (
              <tr key={i}>
                {COLUMNS.map(([key, name]) => (
                  <td key={key}>
                    {key === 'at' && isEnd ? (
                      <span className="station-end">{i === 0 ? 'rear' : 'nose'}</span>
                    ) : (
                      <QuantityField
                        label={`${name} of station ${i + 1}`}
                        kind="share"
                        value={station[key]}
                        min={key === 'at' ? (stations[i - 1]?.at ?? 0) + 0.01 : 0}
                        max={key === 'at' ? (stations[i + 1]?.at ?? 1) - 0.01 : 1}
                        step={0.01}
                        bare
                        onCommit={(value) => put(withStation(design.head, i, { [key]: value }))}
                      />
                    )}
                  </td>
                ))}
                <td>
                  {!isEnd && (
                    <button
                      type="button"
                      className="btn btn-sm btn-quiet"
                      aria-label={`Remove station ${i + 1}`}
                      onClick={() => put(stations.filter((_, k) => k !== i))}
                    >
                      ×
                    </button>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <div className="stations-tools">
        <button type="button" className="btn btn-sm btn-quiet" onClick={add} disabled={stations.length >= 24}>
          + Station in the widest gap
        </button>
        <label>
          <input
            type="checkbox"
            checked={design.head.symmetric ?? false}
            onChange={(event) => {
              const symmetric = event.currentTarget.checked;
              edit((now) => ({
                ...now,
                head: {
                  ...now.head,
                  symmetric,
                  stations: symmetric
                    ? stations.map((station) => ({ ...station, drop: station.rise }))
                    : [...stations],
                },
              }));
            }}
          />{' '}
          Rise and drop alike
        </label>
      </div>
    </div>
  );
}
