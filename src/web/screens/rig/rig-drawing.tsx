import type { Drawing, Fit, Vec2 } from '../../../core/index.ts';
import { useUnits } from '../../data/units.ts';
import { pathOf } from '../../drawing/path.ts';
import { metalClass, SideFigure } from '../../drawing/side-figure.tsx';
import { PX_PER_MM } from '../bench/plate-layout.ts';

/** Sheet size the rig is drawn on, px; the drawing scales with the frame. */
const SHEET = { width: 640, height: 380, margin: 28 };

/** Head, hook and plastic from the side and from above, to one scale. */
export function RigDrawing({
  drawing,
  fit,
  metal,
}: {
  readonly drawing: Drawing;
  readonly fit: Fit;
  readonly metal: string;
}) {
  const { format } = useUnits();
  const { laid } = fit;
  const { body } = laid;
  const tail = body.at(-1)?.at[0] ?? 0;
  const tops = body.map(({ at, halfHeight }) => at[1] + halfHeight);
  const bottoms = body.map(({ at, halfHeight }) => at[1] - halfHeight);
  const [up, down] = [
    Math.max(...tops, drawing.tip[1] + 2, drawing.eye.top),
    Math.min(...bottoms, -drawing.drop),
  ];
  const right = Math.max(drawing.length, drawing.eye.at[0] + drawing.eye.radius) + 2;
  const k = Math.min(
    (SHEET.width - 2 * SHEET.margin) / (right - tail),
    (SHEET.height * 0.5) / (up - down),
    6 * PX_PER_MM,
  );
  const spare = (SHEET.width - 2 * SHEET.margin - (right - tail) * k) / 2;
  const x0 = SHEET.margin + spare - tail * k;
  const y0 = SHEET.margin + 40 + up * k;
  const place = ([x, z]: Vec2): Vec2 => [x0 + x * k, y0 - z * k];
  const outline: Vec2[] = [
    ...body.map(({ at, halfHeight }): Vec2 => [at[0], at[1] + halfHeight]),
    ...body.map(({ at, halfHeight }): Vec2 => [at[0], at[1] - halfHeight]).reverse(),
  ];
  const yTop =
    y0 - down * k + 70 + Math.max(...body.map(({ halfBreadth }) => halfBreadth), drawing.breadth / 2) * k;
  const above = ([x, y]: Vec2): Vec2 => [x0 + x * k, yTop - y * k];
  const plan: Vec2[] = [
    ...body.map(({ at, halfBreadth }): Vec2 => [at[0], halfBreadth]),
    ...body.map(({ at, halfBreadth }): Vec2 => [at[0], -halfBreadth]).reverse(),
  ];
  const exit = Number.isNaN(laid.exit) ? undefined : place([laid.seatAt - laid.exit, drawing.tip[1] / 2]);
  const height = yTop + Math.max(...body.map(({ halfBreadth }) => halfBreadth), drawing.breadth / 2) * k + 34;
  return (
    <svg
      viewBox={`0 0 ${SHEET.width} ${Math.max(SHEET.height, height)}`}
      className="rig-svg"
      role="img"
      aria-label="Head, hook and plastic from the side and from above"
    >
      <path d={pathOf(outline, place)} className="plastic" />
      <SideFigure drawing={drawing} place={place} k={k} metal={metal} />
      <path d={pathOf(outline, place)} className="plastic-edge" />
      {exit && (
        <g className="dims">
          <line className="dim-ext" x1={exit[0]} y1={exit[1]} x2={exit[0]} y2={SHEET.margin + 22} />
          <line
            className="dim-ext"
            x1={place([laid.seatAt, 0])[0]}
            y1={place([laid.seatAt, 0])[1]}
            x2={place([laid.seatAt, 0])[0]}
            y2={SHEET.margin + 22}
          />
          <line
            className="dim-line"
            x1={exit[0]}
            y1={SHEET.margin + 26}
            x2={place([laid.seatAt, 0])[0]}
            y2={SHEET.margin + 26}
          />
          <text
            className="dim-text"
            x={(exit[0] + place([laid.seatAt, 0])[0]) / 2}
            y={SHEET.margin + 14}
            textAnchor="middle"
          >
            out at {format(laid.exit, 'size')} · {format(laid.exitShare, 'share')}
          </text>
        </g>
      )}
      <path d={pathOf(plan, above)} className="plastic" />
      <path d={pathOf(drawing.top, above)} className={`fig-metal ${metalClass(metal)}`} />
      <path d={pathOf(plan, above)} className="plastic-edge" />
      <text
        className="view-name"
        x={SHEET.margin}
        y={yTop - 4 - Math.max(...body.map(({ halfBreadth }) => halfBreadth)) * k}
      >
        from above
      </text>
      <text className="view-name" x={SHEET.margin} y={SHEET.margin - 8}>
        from the side
      </text>
      <g className="scale-bar">
        <path
          d={`M${SHEET.margin} ${height - 16}V${height - 12}H${SHEET.margin + 25.4 * k}V${height - 16}`}
        />
        <text x={SHEET.margin + 25.4 * k + 8} y={height - 12}>
          {format(25.4, 'size')}
        </text>
      </g>
    </svg>
  );
}
