import { scaleLinear } from 'd3-scale';
import { line as lineThrough } from 'd3-shape';
import { useRef } from 'react';
import type { PointerEvent } from 'react';
import { USUAL_FISHING } from '../../../core/behaviour/index.ts';
import type { Vec2 } from '../../../core/numeric/index.ts';
import { useUnits } from '../../data/units.ts';
import { useNarrow } from '../../parts/narrow.ts';
import type { WetHead } from './tank-kit.ts';
import { DASHES } from './tank-kit.ts';

/** px: margins of the charts, how wide they are on a phone and on a desk, and how tall. */
const BOX = { left: 52, right: 14, top: 26, foot: 34, narrow: 400, wide: 1120, height: 220, most: 250 };

/** How wide the charts are drawn, px of their own. */
const useWidth = (): number => (useNarrow() ? BOX.narrow : BOX.wide);

/** The lines' true shapes, one scale both ways. */
export function Shapes({ heads, depth }: { readonly heads: readonly WetHead[]; readonly depth: number }) {
  const { format } = useUnits();
  const rod = USUAL_FISHING.rodHeight;
  const reach = Math.max(1, ...heads.map(({ water }) => water.line.distance)) * 1.15;
  const deep = Math.max(depth, ...heads.map(({ water }) => Math.min(water.line.depth, depth)));
  const width = useWidth();
  const k = Math.min((width - 30) / reach, (BOX.most - 60) / (deep + rod));
  const [x0, y0] = [width - 20, 16 + rod * k];
  const height = Math.ceil(y0 + deep * k + 44);
  return (
    <svg
      className="tank-svg"
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label="The line from rod to head"
    >
      <rect className="tank-water" x={0} y={y0} width={width} height={depth * k} />
      <rect className="tank-bed" x={0} y={y0 + depth * k} width={width} height={height} />
      <line className="tank-surface" x1={0} x2={width} y1={y0} y2={y0} />
      {heads.map(({ water, name }, i) => {
        const { shape, depth: own, distance } = water.line;
        // A head on the bottom is drawn on it: the line beyond lies as if it were there.
        const lift = Math.min(own, depth);
        const points = shape
          .map(([ahead, above]): Vec2 => [x0 - 4 - (distance - ahead) * k, y0 + (own - above) * k])
          .map(([x, y]): Vec2 => [x, Math.min(y, y0 + lift * k)]);
        return (
          <g key={`${name}${i}`}>
            <path
              className={`curve curve-${i}`}
              strokeDasharray={DASHES[i]}
              d={lineThrough<Vec2>()(points) ?? ''}
            />
            <circle className={`curve-end curve-${i}`} cx={points[0]?.[0]} cy={points[0]?.[1]} r={4} />
            <line
              className={`curve curve-${i}`}
              strokeDasharray={DASHES[i]}
              x1={points.at(-1)?.[0]}
              y1={points.at(-1)?.[1]}
              x2={x0}
              y2={y0 - rod * k}
            />
          </g>
        );
      })}
      <text className="tank-tick" x={8} y={y0 + depth * k - 6}>
        {format(depth, 'depth')}
      </text>
    </svg>
  );
}

/** Depth kept against speed; the upright mark is pulled for speed, the level one for depth. */
export function DepthChart({
  heads,
  speed,
  depth,
  onSpeed,
  onDepth,
}: {
  readonly heads: readonly WetHead[];
  readonly speed: number;
  readonly depth: number;
  readonly onSpeed: (speed: number) => void;
  readonly onDepth: (depth: number) => void;
}) {
  const { format, ticks } = useUnits();
  const width = useWidth();
  const ref = useRef<SVGSVGElement>(null);
  const most = Math.max(depth * 1.6, 1);
  const x = scaleLinear([0, 1.7], [BOX.left, width - BOX.right]);
  const y = scaleLinear([0, most], [BOX.top, BOX.height - BOX.foot]);
  const pull = (which: 'speed' | 'depth') => (event: PointerEvent<SVGElement>) => {
    const target = event.currentTarget;
    target.setPointerCapture(event.pointerId);
    const move = (to: globalThis.PointerEvent) => {
      const box = ref.current?.getBoundingClientRect();
      if (!box) return;
      const at = (to.clientX - box.left) * (width / box.width);
      const down = (to.clientY - box.top) * (BOX.height / box.height);
      if (which === 'speed') onSpeed(Math.min(1.7, Math.max(0, x.invert(at))));
      else onDepth(Math.min(60, Math.max(0.3, y.invert(down))));
    };
    target.addEventListener('pointermove', move);
    target.addEventListener('pointerup', () => target.removeEventListener('pointermove', move), {
      once: true,
    });
  };
  const path = lineThrough<Vec2>()
    .x(([v]) => x(v))
    .y(([, d]) => y(Math.min(d, most)));
  return (
    <svg
      ref={ref}
      className="tank-svg"
      viewBox={`0 0 ${width} ${BOX.height}`}
      role="img"
      aria-label="Depth kept against speed through the water"
    >
      {ticks([0, 1.7], 'speed', 6).map((value) => (
        <g key={value}>
          <line className="tank-grid" x1={x(value)} x2={x(value)} y1={BOX.top} y2={BOX.height - BOX.foot} />
          <text className="tank-tick" x={x(value)} y={BOX.height - BOX.foot + 16} textAnchor="middle">
            {format(value, 'speed')}
          </text>
        </g>
      ))}
      {ticks([0, most], 'depth', 5).map((value) => (
        <g key={value}>
          <line className="tank-grid" x1={BOX.left} x2={width - BOX.right} y1={y(value)} y2={y(value)} />
          <text className="tank-tick" x={BOX.left - 6} y={y(value) + 4} textAnchor="end">
            {format(value, 'depth')}
          </text>
        </g>
      ))}
      {heads.map(({ water, name }, i) => (
        <path
          key={`${name}${i}`}
          className={`curve curve-${i}`}
          strokeDasharray={DASHES[i]}
          d={path(water.curve) ?? ''}
        />
      ))}
      <g className="tank-pull" onPointerDown={pull('depth')}>
        <line className="tank-mark" x1={BOX.left} x2={width - BOX.right} y1={y(depth)} y2={y(depth)} />
        <text className="tank-tick" x={width - BOX.right} y={y(depth) - 5} textAnchor="end">
          bottom
        </text>
      </g>
      <g className="tank-pull" onPointerDown={pull('speed')}>
        <line className="tank-mark" x1={x(speed)} x2={x(speed)} y1={BOX.top} y2={BOX.height - BOX.foot} />
        <text className="tank-tick" x={x(speed)} y={BOX.top - 8} textAnchor="middle">
          {format(speed, 'speed')}
        </text>
      </g>
    </svg>
  );
}
