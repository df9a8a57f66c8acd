import { useMemo } from 'react';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { QuantityKind } from '../../../core/quantity/index.ts';
import { fishingOf, lineToRod, USUAL_FISHING } from '../../../core/behaviour/index.ts';
import { METALS, waterDensity } from '../../../core/material/index.ts';
import { GRAVITY, roundIn } from '../../../core/quantity/index.ts';
import { useUnits } from '../../data/units.ts';
import type { Row } from './laid.ts';
import { DASHES } from './laid.ts';

const SIZE = { width: 250, height: 118, left: 40, right: 8, top: 8, bottom: 22 };

type Point = readonly [number, number];
interface Curve {
  readonly id: string;
  readonly index: number;
  readonly points: readonly Point[];
}

/** Curves of all heads in one small chart, each with its own dash. */
function Curves({
  title,
  curves,
  x,
  y,
  isDown = false,
}: {
  readonly title: string;
  readonly curves: readonly Curve[];
  readonly x: QuantityKind;
  readonly y: QuantityKind;
  /** depth is told downwards */
  readonly isDown?: boolean;
}) {
  const { format } = useUnits();
  const all = curves.flatMap(({ points }) => points);
  if (all.length === 0) return null;
  const top = Math.max(...all.map(([, v]) => v)) || 1;
  const far = Math.max(...all.map(([u]) => u)) || 1;
  const sx = scaleLinear([0, far], [SIZE.left, SIZE.width - SIZE.right]);
  const sy = scaleLinear(
    [0, top],
    isDown ? [SIZE.top, SIZE.height - SIZE.bottom] : [SIZE.height - SIZE.bottom, SIZE.top],
  );
  const path = line<Point>(
    (point) => sx(point[0]),
    (point) => sy(point[1]),
  );
  return (
    <figure className="compare-chart">
      <figcaption>{title}</figcaption>
      <svg viewBox={`0 0 ${SIZE.width} ${SIZE.height}`} role="img" aria-label={title}>
        <path
          className="chart-frame"
          d={`M${SIZE.left} ${SIZE.top}V${SIZE.height - SIZE.bottom}H${SIZE.width - SIZE.right}`}
        />
        <text x={SIZE.left - 4} y={sy(top) + 4} textAnchor="end">
          {format(top, y)}
        </text>
        <text x={SIZE.width - SIZE.right} y={SIZE.height - 8} textAnchor="end">
          {format(far, x)}
        </text>
        {curves.map(({ id, index, points }) => (
          <path
            key={id}
            className={`overlay-${index}`}
            strokeDasharray={DASHES[index]}
            d={path(points) ?? ''}
          />
        ))}
      </svg>
    </figure>
  );
}

/** Bars of all heads, some for each. */
function Bars({
  title,
  groups,
  kind,
}: {
  readonly title: string;
  readonly groups: readonly { readonly name: string; readonly values: readonly number[] }[];
  readonly kind: QuantityKind;
}) {
  const { format } = useUnits();
  const most = Math.max(...groups.flatMap(({ values }) => values.filter(Number.isFinite)), 1e-9);
  const sy = scaleLinear([0, most], [0, SIZE.height - SIZE.top - SIZE.bottom]);
  const wide = (SIZE.width - SIZE.left - SIZE.right) / groups.length;
  return (
    <figure className="compare-chart">
      <figcaption>{title}</figcaption>
      <svg viewBox={`0 0 ${SIZE.width} ${SIZE.height}`} role="img" aria-label={title}>
        <text x={SIZE.left - 4} y={SIZE.top + 8} textAnchor="end">
          {format(most, kind)}
        </text>
        {groups.map(({ name, values }, g) => (
          <g key={name}>
            {values.map((value, i) =>
              Number.isFinite(value) ? (
                <rect
                  key={i}
                  className={`overlay-${i}`}
                  strokeDasharray={DASHES[i]}
                  x={SIZE.left + g * wide + 4 + (i * (wide - 8)) / values.length}
                  width={Math.max(1, (wide - 8) / values.length - 2)}
                  y={SIZE.height - SIZE.bottom - sy(value)}
                  height={sy(value)}
                >
                  <title>{format(value, kind)}</title>
                </rect>
              ) : null,
            )}
            <text x={SIZE.left + (g + 0.5) * wide} y={SIZE.height - 8} textAnchor="middle">
              {name}
            </text>
          </g>
        ))}
      </svg>
    </figure>
  );
}

/** Seconds and speeds that are drawn. */
const DEEPEST = 10;
const SPEEDS = Array.from({ length: 13 }, (_, i) => 0.2 + 0.1 * i);
/** Metals whose size at the same weight is drawn. */
const COMPARED = ['lead', 'bismuth-tin', 'tungsten'];

/**
 * Small charts for all heads: fall, depth against speed, slope held, size by metal. From the readings kept at
 * save.
 */
export function CompareCharts({ rows }: { readonly rows: readonly Row[] }) {
  const { format, system } = useUnits();
  // Round in the unit they are read in, as everywhere.
  const lineOut = roundIn(USUAL_FISHING.lineOut, 'depth', system);
  const deepest = roundIn(DEEPEST, 'depth', system);
  const kept = useMemo(
    () =>
      rows.flatMap(({ id, document, summary }, index) =>
        summary?.ok ? [{ id, index, document, readings: summary.readings }] : [],
      ),
    [rows],
  );
  const falls = kept.map(({ id, index, readings }): Curve => {
    const speed = readings['fall.speed'] ?? 0;
    return {
      id,
      index,
      points:
        speed > 0
          ? [
              [0, 0],
              [deepest / speed, deepest],
            ]
          : [],
    };
  });
  const depths = useMemo(
    () =>
      kept.map(({ id, index, readings }): Curve => {
        const grams = readings['mass.submerged'] ?? 0;
        const area = readings['retrieve.dragArea'] ?? 0;
        const rho = waterDensity({ temperature: 15, salinity: 0 });
        const fishing = fishingOf({ fishing: { lineOut } });
        if (!(grams > 0 && area > 0)) return { id, index, points: [] };
        return {
          id,
          index,
          points: SPEEDS.map((speed): Point => {
            const drag = 0.5 * rho * speed * speed * area * 1e-6;
            return [
              speed,
              Math.max(0, lineToRod({ weight: (grams / 1000) * GRAVITY, drag }, speed, rho, fishing).depth),
            ];
          }),
        };
      }),
    [kept, lineOut],
  );
  const read = (id: 'rest.slopeSide' | 'rest.slopeNose' | 'rest.slopeTail') =>
    kept.map(({ readings }) => readings[id] ?? NaN);
  const own = (key: string) => METALS.find((metal) => metal.key === key)?.density ?? NaN;
  return (
    <div className="compare-charts">
      <Curves title="Fall: depth by time" curves={falls} x="time" y="depth" isDown />
      <Curves
        title={`Depth it keeps, ${format(lineOut, 'depth')} of line out`}
        curves={depths}
        x="speed"
        y="depth"
        isDown
      />
      <Bars
        title="Slope held"
        kind="angle"
        groups={[
          { name: 'sideways', values: read('rest.slopeSide') },
          { name: 'nose down', values: read('rest.slopeNose') },
          { name: 'tail down', values: read('rest.slopeTail') },
        ]}
      />
      <Bars
        title="Length at the same weight, by metal"
        kind="size"
        groups={COMPARED.map((metal) => ({
          name: metal,
          values: kept.map(({ document, readings }) => {
            const density = document.head.density ?? own(document.head.metal);
            return (readings['head.length'] ?? NaN) * Math.cbrt(density / own(metal));
          }),
        }))}
      />
    </div>
  );
}
