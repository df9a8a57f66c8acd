import { useEffect, useState } from 'react';
import { useUnits } from '../../data/units.ts';
import type { useAddress } from '../../parts/address.ts';
import { SideFigure } from '../../drawing/side-figure.tsx';
import type { WetHead } from './tank-kit.ts';
import { extent, fallenBy, pitched, readingOf } from './tank-kit.ts';

/** Over the water there is room for a head about to be let go. */
const BOX = { width: 900, height: 500, top: 104, foot: 30, left: 62 };
/** Step of one press, s. */
const STEP = 0.25;

const wantsStill = () => matchMedia('(prefers-reduced-motion: reduce)').matches;

/**
 * Heads falling side by side in their attitudes against a depth scale, in real time, at half of it or step by
 * step.
 */
export function Drop({
  heads,
  depth,
  address,
}: {
  readonly heads: readonly WetHead[];
  readonly depth: number;
  readonly address: ReturnType<typeof useAddress>;
}) {
  const { format } = useUnits();
  const kept = Number(address.search.get('at') ?? 0);
  const [time, setTime] = useState(kept > 0 ? kept : 0);
  const [rate, setRate] = useState(0);
  const still = wantsStill();
  const times = heads.map((head) => readingOf(head, 'fall.timeToDepth'));
  const last = Math.max(...times);
  useEffect(() => {
    if (rate === 0) return;
    let frame = 0;
    let before = performance.now();
    const tick = (now: number) => {
      const passed = ((now - before) / 1000) * rate;
      before = now;
      setTime((at) => Math.min(last, at + passed));
      frame = requestAnimationFrame(tick);
    };
    frame = requestAnimationFrame(tick);
    return () => cancelAnimationFrame(frame);
  }, [rate, last]);
  const isDown = time >= last;
  const start = (wanted: number) => {
    if (isDown) setTime(0);
    setRate(rate === wanted && !isDown ? 0 : wanted);
  };
  /** A moment chosen by hand, which the address keeps; one that is only passed it does not. */
  const goTo = (at: number) => {
    setRate(0);
    setTime(at);
    address.set('at', String(Number(at.toFixed(2))), '0');
  };
  const order = heads.map((head, i) => ({ head, time: times[i] ?? NaN })).sort((a, b) => a.time - b.time);
  const [first, second] = order;
  const said =
    first && second
      ? `${first.head.name} lands first, ${format(second.time - first.time, 'time')} before ${second.head.name}.`
      : first
        ? `${first.head.name} is down after ${format(first.time, 'time')}.`
        : '';
  return (
    <section className="tank-view" aria-label="Drop">
      <div className="tank-tools">
        {!still && (
          <>
            <button type="button" className="btn btn-sm btn-fern" onClick={() => start(1)}>
              {rate === 1 && !isDown ? 'Pause' : 'Drop'}
            </button>
            <button type="button" className="btn btn-sm btn-quiet" onClick={() => start(2)}>
              ×2
            </button>
          </>
        )}
        <button
          type="button"
          className="btn btn-sm btn-quiet"
          onClick={() => {
            goTo(time >= last ? 0 : Math.min(last, time + STEP));
          }}
        >
          Step
        </button>
        <label className="tank-time">
          <span>Time</span>
          <input
            type="range"
            min={0}
            max={last}
            step={0.01}
            value={Math.min(time, last)}
            aria-valuetext={format(time, 'time')}
            onChange={(event) => {
              goTo(Number(event.currentTarget.value));
            }}
          />
          <output>{format(Math.min(time, last), 'time')}</output>
        </label>
      </div>
      <Column heads={heads} depth={depth} times={still ? strip(last) : [time]} />
      <p className="tank-says">
        {said} Slack line, still water; from {format(depth, 'depth')}. A tight line swings it back by{' '}
        {first ? format(readingOf(first.head, 'fall.swingBack'), 'depth') : '–'} on the way down.
      </p>
      <Figures heads={heads} />
    </section>
  );
}

/** Moments shown at once where nothing may move. */
const strip = (last: number) => Array.from({ length: 5 }, (_, i) => (last * i) / 4);

function Column({
  heads,
  depth,
  times,
}: {
  readonly heads: readonly WetHead[];
  readonly depth: number;
  readonly times: readonly number[];
}) {
  const { format, ticks } = useUnits();
  // Round depths, and the bottom's own, which none stands too near to.
  const marks = [...ticks([0, depth], 'depth', 5).filter((mark) => depth - mark > depth / 20), depth];
  const wide = (BOX.width - BOX.left) / heads.length;
  const ground = BOX.height - BOX.foot;
  const perMetre = (ground - BOX.top) / depth;
  // Heads are drawn to one scale of their own: at the water's scale they would be dots.
  const sizes = heads.map(({ drawing, water }) =>
    extent([...drawing.side, ...drawing.hook].map((point) => pitched(point, water.fall.attitude))),
  );
  const k = Math.min(
    6,
    ...sizes.map(({ left, right, low, high }) => Math.min((wide - 16) / (right - left), 92 / (high - low))),
  );
  return (
    <svg
      className="tank-svg"
      viewBox={`0 0 ${BOX.width} ${BOX.height}`}
      role="img"
      aria-label="Heads falling"
    >
      <rect
        className="tank-water"
        x={BOX.left}
        y={BOX.top}
        width={BOX.width - BOX.left}
        height={ground - BOX.top}
      />
      <line className="tank-surface" x1={BOX.left} x2={BOX.width} y1={BOX.top} y2={BOX.top} />
      <rect className="tank-bed" x={BOX.left} y={ground} width={BOX.width - BOX.left} height={BOX.foot} />
      {marks.map((mark) => {
        const y = BOX.top + perMetre * mark;
        return (
          <g key={mark}>
            <line className="tank-rule" x1={BOX.left - 6} x2={BOX.left} y1={y} y2={y} />
            <text className="tank-tick" x={BOX.left - 10} y={y + 4} textAnchor="end">
              {format(mark, 'depth')}
            </text>
          </g>
        );
      })}
      {heads.map((head, i) => {
        const { drawing, water, metal, name } = head;
        const size = sizes[i];
        if (!size) return null;
        const middle = BOX.left + wide * (i + 0.5) - ((size.left + size.right) / 2) * k;
        return (
          <g key={`${name}${i}`}>
            {times.map((time, n) => {
              // Its lowest point is at the surface as it is let go, and on the bottom when it is down.
              const fallen = Math.min(depth, fallenBy(water.fall, time));
              const y = BOX.top + fallen * perMetre + size.low * k;
              return (
                <g key={n} opacity={n === times.length - 1 ? 1 : 0.35}>
                  <SideFigure
                    drawing={drawing}
                    metal={metal}
                    k={k}
                    plain
                    place={(point) => {
                      const [u, v] = pitched(point, water.fall.attitude);
                      return [middle + u * k, y - v * k];
                    }}
                  />
                </g>
              );
            })}
            <text
              className="tank-name"
              x={BOX.left + wide * (i + 0.5)}
              y={BOX.height - 10}
              textAnchor="middle"
            >
              {name}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

function Figures({ heads }: { readonly heads: readonly WetHead[] }) {
  const { format } = useUnits();
  return (
    <table className="tank-figures">
      <thead>
        <tr>
          <th scope="col">Head</th>
          <th scope="col">Falls</th>
          <th scope="col">Span</th>
          <th scope="col">Nose down</th>
          <th scope="col">Down after</th>
          <th scope="col">On a tight line</th>
        </tr>
      </thead>
      <tbody>
        {heads.map((head, i) => {
          const range = head.readings['fall.speed']?.range;
          return (
            <tr key={`${head.name}${i}`}>
              <th scope="row">{head.name}</th>
              <td data-tank="fall.speed">{format(readingOf(head, 'fall.speed'), 'speed')}</td>
              <td>{range ? `${format(range[0], 'speed')} to ${format(range[1], 'speed')}` : '–'}</td>
              <td>{format(readingOf(head, 'fall.attitude'), 'angle')}</td>
              <td>{format(readingOf(head, 'fall.timeToDepth'), 'time')}</td>
              <td>{format(readingOf(head, 'fall.swingTime'), 'time')}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
