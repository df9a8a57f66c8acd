import { localised } from '../../data/locale.ts';
import { radians } from '../../../core/numeric/index.ts';
import type { Vec2 } from '../../../core/numeric/index.ts';
import type { Drawing } from '../../../core/plate/index.ts';
import { pathOf } from '../../drawing/path.ts';
import { scaleBar } from '../../drawing/scale-bar.ts';
import { useUnits } from '../../data/units.ts';

/** Dash-dot line through a view. */
export function CentreLine({ from, to }: { readonly from: Vec2; readonly to: Vec2 }) {
  return <line className="centre-line" x1={from[0]} y1={from[1]} x2={to[0]} y2={to[1]} />;
}

/** The quartered disc that marks a centre of mass. */
export function CentreOfMass({ at: [x, y] }: { readonly at: Vec2 }) {
  const r = 5;
  return (
    <g className="centre-mass">
      <title>Centre of mass</title>
      <circle cx={x} cy={y} r={r} className="centre-mass-ground" />
      <path
        d={
          `M${x} ${y}L${x} ${y - r}A${r} ${r} 0 0 1 ${x + r} ${y}ZM${x} ${y}L${x} ${y + r}A${r} ` +
          `${r} 0 0 1 ${x - r} ${y}Z`
        }
      />
    </g>
  );
}

/** The eye in the top view: a ring seen at its slant, or edge on. */
export function EyeFromAbove({
  drawing: { eye },
  place,
  k,
}: {
  readonly drawing: Drawing;
  readonly place: (point: Vec2) => Vec2;
  readonly k: number;
}) {
  const [x, y] = place([eye.at[0], 0]);
  const flat = eye.radius * k * Math.max(Math.abs(eye.along[0]), 0.02);
  return eye.crosswise ? (
    <ellipse className="fig-wire" cx={x} cy={y} rx={flat} ry={eye.radius * k} strokeWidth={eye.wire * k} />
  ) : (
    <line
      className="fig-wire"
      x1={x - eye.radius * k}
      y1={y}
      x2={x + eye.radius * k}
      y2={y}
      strokeWidth={eye.wire * k}
    />
  );
}

/** The fibres of a guard seen from the nose, spread by their fan. */
export function FanFromFront({
  drawing: { guard },
  place,
}: {
  readonly drawing: Drawing;
  readonly place: (point: Vec2) => Vec2;
}) {
  if (!guard) return null;
  if (guard.drawnAs === 'strands') {
    return guard.strands.map((strand, i) => (
      <path key={i} className="fig-strand" d={pathOf(strand.front, place, false)} />
    ));
  }
  const length = Math.hypot(guard.end[0] - guard.base[0], guard.end[1] - guard.base[1]);
  return (
    <g className="fig-guard">
      {Array.from({ length: 9 }, (_, i) => {
        const share = (i / 8) * 2 - 1;
        const [x1, y1] = place([share * guard.radius, guard.base[1]]);
        const spread = share * (guard.radius + length * Math.sin(radians(guard.fan / 2)));
        const [x2, y2] = place([spread, guard.end[1]]);
        return <line key={i} x1={x1} y1={y1} x2={x2} y2={y2} />;
      })}
    </g>
  );
}

/** Bar of a round length with the scale of the sheet. */
export function ScaleBar({
  k,
  scale,
  height,
}: {
  readonly k: number;
  readonly scale: number;
  readonly height: number;
}) {
  const { system } = useUnits();
  const { mm: length, text } = scaleBar(system, 'head');
  const [x, y] = [16, height - 16];
  return (
    <g className="scale-bar">
      <path d={`M${x} ${y - 4}V${y}H${x + length * k}V${y - 4}`} />
      <text x={x + length * k + 8} y={y}>
        {text} · scale {localised(String(scale))}:1
      </text>
    </g>
  );
}
