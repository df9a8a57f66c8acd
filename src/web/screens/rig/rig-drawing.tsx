import { scaleBar } from '../../drawing/scale-bar.ts';
import { useState } from 'react';
import type { Fit } from '../../../core/judge/index.ts';
import type { Vec2 } from '../../../core/numeric/index.ts';
import type { TurnedRig } from '../../../core/plate/index.ts';
import { boundsOf, fitScale } from '../../drawing/bounds.ts';
import { pathOf } from '../../drawing/path.ts';
import { metalClass } from '../../drawing/side-figure.tsx';
import { useUnits } from '../../data/units.ts';

/** Sheet the rig is drawn on, px; the drawing scales with the frame. */
const SHEET = { widest: 680, margin: 26, upper: 236, lower: 120, most: 14 };

/** Room the words beside a trim line take, px. */
const TRIM_WORDS = 210;

/** Head, hook and plastic turned about the shank as the person wants, and from above that, to one scale. */
export function RigDrawing({
  turned,
  above,
  fit,
  metal,
  turn,
  cut,
  hasSkirt,
}: {
  readonly turned: TurnedRig;
  readonly above: TurnedRig;
  readonly fit: Fit;
  readonly metal: string;
  readonly turn: number;
  /** cut off the fibres of a guard, mm */
  readonly cut: number;
  /** rigged behind a skirt */
  readonly hasSkirt: boolean;
}) {
  const { format, system } = useUnits();
  const bar = scaleBar(system, 'bait');
  const { laid } = fit;
  const [side, top] = [boxOf(turned), boxOf(above)];
  const [left, right] = [Math.min(side.left, top.left), Math.max(side.right, top.right)];
  const [width, setWidth] = useState<number>(SHEET.widest);
  const room = { width: width - 2 * SHEET.margin, height: SHEET.upper };
  const k = Math.min(
    fitScale({ left, right, low: side.low, high: side.high }, room, SHEET.most),
    SHEET.lower / Math.max(1, top.high - top.low),
  );
  const x0 = SHEET.margin + (room.width - (right - left) * k) / 2 - left * k;
  const y0 = 58 + side.high * k;
  const yTop = y0 - side.low * k + 52 + top.high * k;
  const height = yTop - top.low * k + 40;
  const place = ([x, z]: Vec2): Vec2 => [x0 + x * k, y0 - z * k];
  const placeTop = ([x, y]: Vec2): Vec2 => [x0 + x * k, yTop - y * k];
  const nose = place([laid.seatAt, 0])[0];
  const isSide = turn % 360 === 0;
  const marks = [
    ...(hasSkirt ? [{ at: laid.tailAt, text: `skirt ends about ${format(laid.tailAt, 'size')}` }] : []),
    { at: laid.exit, text: `out at ${format(laid.exit, 'size')}` },
    ...(Number.isNaN(laid.entry) || laid.entry <= 0
      ? []
      : [{ at: laid.entry, text: `in at ${format(laid.entry, 'size')}` }]),
  ].filter(({ at }) => !Number.isNaN(at));
  return (
    <svg
      ref={(sheet) => {
        const seen = Math.min(SHEET.widest, sheet?.clientWidth ?? width);
        if (seen > 200 && Math.abs(seen - width) > 2) setWidth(seen);
      }}
      viewBox={`0 0 ${width} ${height}`}
      className="rig-svg"
      role="img"
      aria-label={`Head, hook and plastic, turned by ${turn}°, and from above that`}
    >
      <Figure figure={turned} place={place} k={k} metal={metal} />
      <Figure figure={above} place={placeTop} k={k} metal={metal} />
      {isSide && (
        <g className="dims">
          {marks.map(({ at, text }, i) => {
            const x = place([laid.seatAt - at, 0])[0];
            const y = 22 + 15 * i;
            return (
              <g key={text}>
                <line className="dim-ext" x1={x} y1={y0} x2={x} y2={y} />
                <line className="dim-line" x1={x} y1={y + 3} x2={nose} y2={y + 3} />
                <text className="dim-text" x={x - 4} y={y + 6} textAnchor="end">
                  {text}
                </text>
              </g>
            );
          })}
          <line className="dim-ext" x1={nose} y1={y0} x2={nose} y2={18} />
        </g>
      )}
      {cut > 0 && turned.guardEnd && (
        <g className="rig-trim">
          <line
            x1={place(turned.guardEnd)[0] - 12}
            x2={place(turned.guardEnd)[0] + 12}
            y1={place(turned.guardEnd)[1]}
            y2={place(turned.guardEnd)[1]}
          />
          <text
            x={place(turned.guardEnd)[0] + TRIM_WORDS > width ? width - 4 : place(turned.guardEnd)[0] + 16}
            y={place(turned.guardEnd)[1] - 6}
            textAnchor={place(turned.guardEnd)[0] + TRIM_WORDS > width ? 'end' : 'start'}
          >
            cut the fibres here: {format(cut, 'size')} off
          </text>
        </g>
      )}
      <text className="view-name" x={SHEET.margin} y={16}>
        {isSide ? 'from the side' : `turned by ${turn}°`}
      </text>
      <text className="view-name" x={SHEET.margin} y={yTop - top.high * k - 12}>
        {isSide ? 'from above' : 'a quarter turn on'}
      </text>
      <g className="scale-bar">
        <path
          d={`M${SHEET.margin} ${height - 16}V${height - 12}H${SHEET.margin + bar.mm * k}V${height - 16}`}
        />
        <text x={SHEET.margin + bar.mm * k + 8} y={height - 12}>
          {bar.text}
        </text>
      </g>
    </svg>
  );
}

const boxOf = (figure: TurnedRig) =>
  boundsOf(
    [
      ...figure.head,
      ...figure.hook,
      ...figure.body,
      ...figure.limbs.flat(),
      ...figure.guard.flatMap(({ side }) => side),
      ...figure.skirt.flat(),
      figure.eye.at,
    ],
    1.5,
  );

/** Metal and wire drawn, the plastic over them half seen through: point and eye are always seen. */
function Figure({
  figure,
  place,
  k,
  metal,
}: {
  readonly figure: TurnedRig;
  readonly place: (point: Vec2) => Vec2;
  readonly k: number;
  readonly metal: string;
}) {
  const [ex, ey] = place(figure.eye.at);
  const tip = figure.hook.at(-1);
  const [tx, ty] = tip ? place(tip) : [NaN, NaN];
  return (
    <g className="fig">
      {figure.limbs.map((limb, i) => (
        <path key={i} className="plastic-limb" d={pathOf(limb, place)} />
      ))}
      <path className="plastic" d={pathOf(figure.body, place)} />
      {figure.collar && (
        <path className={`fig-metal ${metalClass(metal)}`} d={pathOf(figure.collar, place)} />
      )}
      {figure.keeper.map(({ side, wire }, i) => (
        <path
          key={i}
          className="fig-wire fig-keeper"
          d={pathOf(side, place, false)}
          strokeWidth={Math.max(0.8, wire * k)}
        />
      ))}
      {figure.skirt.map((strand, i) => (
        <path key={i} className="rig-skirt" d={pathOf(strand, place, false)} />
      ))}
      {figure.guard.map(({ side, wire }, i) => (
        <path
          key={i}
          className="fig-guard"
          d={pathOf(side, place, false)}
          strokeWidth={Math.max(0.5, wire * k)}
        />
      ))}
      {figure.through && (
        <path className="fig-wire" d={pathOf(figure.through, place, false)} strokeWidth={figure.wire * k} />
      )}
      <path
        className="fig-wire"
        d={pathOf(figure.hook, place, false)}
        strokeWidth={Math.max(1, figure.wire * k)}
      />
      <path className={`fig-metal ${metalClass(metal)}`} d={pathOf(figure.head, place)} />
      <path className="plastic-edge" d={pathOf(figure.body, place)} />
      <ellipse
        className="fig-wire"
        cx={ex}
        cy={ey}
        rx={Math.max(1.2, figure.eye.along * k)}
        ry={Math.max(1.2, figure.eye.across * k)}
        strokeWidth={Math.max(0.8, figure.eye.wire * k)}
      />
      {tip && <circle className="rig-point" cx={tx} cy={ty} r={3} />}
    </g>
  );
}
