import type { Vec2 } from '../../../core/numeric/index.ts';
import { scaleBar } from '../../drawing/scale-bar.ts';
import { useUnits } from '../../data/units.ts';
import { pathOf } from '../../drawing/path.ts';
import { PX_PER_MM } from '../bench/plate-layout.ts';
import type { Align, Row } from './laid.ts';
import { DASHES } from './laid.ts';

/** Outlines of all laid over each other, one scale, each with its own dash. */
export function Overlay({ rows, align }: { readonly rows: readonly Row[]; readonly align: Align }) {
  const { system } = useUnits();
  const bar = scaleBar(system, 'head');
  const figures = rows.flatMap(({ id, document, summary }, index) =>
    summary?.ok
      ? [{ id, name: document.name, drawing: summary.drawing, readings: summary.readings, index }]
      : [],
  );
  const anchor = ({ drawing, readings }: (typeof figures)[number]): Vec2 => {
    if (align === 'eye') return drawing.eye.at;
    if (align === 'point') return drawing.tip;
    if (align === 'centre') return [readings['mass.centreX'] ?? 0, readings['mass.centreZ'] ?? 0];
    // The far end of a cast collar; a head without one meets the others with its rear face.
    if (align === 'collar' && drawing.collar) return [Math.min(...drawing.collar.map(([x]) => x)), 0];
    return [0, 0];
  };
  const all = figures.flatMap((figure) => {
    const { drawing } = figure;
    const [ax, az] = anchor(figure);
    const eye = drawing.eye;
    return [
      ...drawing.side,
      ...drawing.hook,
      [eye.at[0] + eye.radius, eye.at[1] + eye.radius] satisfies Vec2,
    ].map(([x, z]): Vec2 => [x - ax, z - az]);
  });
  const [left, right] = [Math.min(...all.map(([x]) => x)) - 2, Math.max(...all.map(([x]) => x)) + 2];
  const [low, high] = [Math.min(...all.map(([, z]) => z)) - 2, Math.max(...all.map(([, z]) => z)) + 2];
  const half = Math.max(...figures.map(({ drawing }) => drawing.breadth / 2));
  const frontRoom = 2 * half + 8;
  const [width, height] = [1180, 250];
  const k = Math.min((width - 40) / (right - left + frontRoom), (height - 24) / (high - low), 10 * PX_PER_MM);
  const x0 = (width - (right - left + frontRoom) * k) / 2 - left * k;
  const y0 = 12 + high * k;
  return (
    <figure className="overlay">
      <svg
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label={`Outlines of ${figures.map(({ name }) => name).join(', ')} laid over each other`}
      >
        {figures.map((figure) => {
          const { id, drawing, index } = figure;
          const [ax, az] = anchor(figure);
          const place = ([x, z]: Vec2): Vec2 => [x0 + (x - ax) * k, y0 - (z - az) * k];
          const front = ([y, z]: Vec2): Vec2 => [x0 + (right + 6 + half + y) * k, y0 - (z - az) * k];
          const [ex, ey] = place(drawing.eye.at);
          return (
            <g key={id} className={`overlay-${index}`} strokeDasharray={DASHES[index]}>
              <path d={pathOf(drawing.side, place)} className="overlay-head" />
              {drawing.collar && <path d={pathOf(drawing.collar, place)} />}
              <path d={pathOf(drawing.hook, place, false)} />
              <circle cx={ex} cy={ey} r={drawing.eye.radius * k} />
              {drawing.guard && <path d={pathOf([drawing.guard.base, drawing.guard.end], place, false)} />}
              <path d={pathOf(drawing.front, front)} className="overlay-head" />
            </g>
          );
        })}
        <g className="scale-bar">
          <path d={`M14 ${height - 18}V${height - 14}H${14 + bar.mm * k}V${height - 18}`} />
          <text x={22 + bar.mm * k} y={height - 13}>
            {bar.text} · all to one scale
          </text>
        </g>
      </svg>
    </figure>
  );
}
