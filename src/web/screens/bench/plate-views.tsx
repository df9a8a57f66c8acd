import type { Drawing } from '../../../core/plate/index.ts';
import { pathOf } from '../../drawing/path.ts';
import { Edges, metalClass, SideFigure } from '../../drawing/side-figure.tsx';
import { CentreLine, EyeFromAbove, FanFromFront } from './plate-parts.tsx';
import type { PlateLayout } from './plate-layout.ts';

interface Props {
  readonly drawing: Drawing;
  readonly layout: PlateLayout;
  readonly metal: string;
  readonly whole: boolean;
}

/** The head from the side, from above and from the nose. */
export function PlateViews({ drawing, layout, metal: key, whole }: Props) {
  const { side, top, front, k, from, sideBox, topBox } = layout;
  const { eye, tip, shankLevel } = drawing;
  const metal = `fig-metal ${metalClass(key)}`;
  const clip = `clip-${whole ? 'whole' : 'head'}`;
  const frontEye = front([0, eye.at[1]]);
  const shankTo = top([Math.max(from, drawing.bendRear[0]), 0])[0];
  return (
    <>
      <clipPath id={`${clip}-side`}>
        <rect
          x={sideBox.left}
          y={sideBox.top - 20}
          width={sideBox.right - sideBox.left + 30}
          height={sideBox.bottom - sideBox.top + 34}
        />
      </clipPath>
      <clipPath id={`${clip}-top`}>
        <rect
          x={topBox.left}
          y={topBox.top - 8}
          width={topBox.right - topBox.left + 30}
          height={topBox.bottom - topBox.top + 16}
        />
      </clipPath>
      <g clipPath={whole ? undefined : `url(#${clip}-side)`}>
        <CentreLine from={side([from + 1, 0])} to={side([drawing.length + 4, 0])} />
        <SideFigure drawing={drawing} place={side} k={k} metal={key} />
        {drawing.inside.length > 1 && <path className="fig-inside" d={pathOf(drawing.inside, side, false)} />}
        {whole && <PointMark at={side(tip)} />}
      </g>
      <g clipPath={`url(#${clip}-top)`}>
        <CentreLine from={top([Math.max(from, -14) + 1, 0])} to={top([drawing.length + 4, 0])} />
        <line
          className="fig-wire"
          strokeWidth={drawing.wire * k}
          x1={shankTo}
          y1={top([0, 0])[1]}
          x2={top([Math.max(0, drawing.knee[0]), 0])[0]}
          y2={top([0, 0])[1]}
        />
        {drawing.collar && <path className={metal} d={pathOf(drawing.collar, top)} />}
        {drawing.keeper.map((wire, i) => (
          <path
            key={i}
            className="fig-wire fig-keeper"
            d={pathOf(wire.top, top, false)}
            strokeWidth={wire.wire * k}
          />
        ))}
        <path className={metal} d={pathOf(drawing.top, top)} />
        <Edges edges={drawing.edges.top} place={top} />
        <EyeFromAbove drawing={drawing} place={top} k={k} />
      </g>
      <g>
        <line
          className="fig-wire"
          strokeWidth={drawing.wire * k}
          x1={front([0, 0])[0]}
          y1={front([0, Math.min(0, shankLevel)])[1]}
          x2={frontEye[0]}
          y2={whole ? front([0, tip[1]])[1] : frontEye[1]}
        />
        {whole && drawing.guard && <FanFromFront drawing={drawing} place={front} />}
        <path className={metal} d={pathOf(drawing.front, front)} />
        {eye.crosswise ? (
          <ellipse
            className="fig-wire"
            cx={frontEye[0]}
            cy={frontEye[1]}
            rx={eye.radius * k}
            ry={Math.max(eye.radius * k * Math.abs(eye.along[1]), 0.1)}
            strokeWidth={eye.wire * k}
          />
        ) : (
          <line
            className="fig-wire"
            x1={frontEye[0]}
            y1={frontEye[1] - eye.radius * k}
            x2={frontEye[0]}
            y2={frontEye[1] + eye.radius * k}
            strokeWidth={eye.wire * k}
          />
        )}
        <CentreLine from={front([0, drawing.rise + 3])} to={front([0, -drawing.drop - 3])} />
      </g>
      <g className="view-names">
        <text x={topBox.left} y={topBox.top - 8}>
          From above
        </text>
        <text x={front([0, 0])[0]} y={sideBox.top - 6} textAnchor="middle">
          From the nose
        </text>
      </g>
    </>
  );
}

/** The hook's point, marked. */
function PointMark({ at: [x, y] }: { readonly at: readonly [number, number] }) {
  return (
    <g className="point-mark">
      <title>Hook point</title>
      <path d={`M${x + 3} ${y}L${x + 10} ${y - 4}L${x + 10} ${y + 4}Z`} />
    </g>
  );
}
