import { useLayoutEffect, useRef, useState } from 'react';
import type { Design, Drawing, Vec2 } from '../../../core/index.ts';
import { familyOf } from '../../../core/index.ts';
import { useUnits } from '../../data/units.ts';
import { pathOf } from '../../drawing/path.ts';
import { metalClass, SideFigure } from '../../drawing/side-figure.tsx';
import { Linear } from './dimension.tsx';
import { Handle } from './handle.tsx';
import { CentreLine, CentreOfMass, EyeFromAbove, FanFromFront, ScaleBar } from './plate-parts.tsx';
import type { PlateLayout, PlateView } from './plate-layout.ts';
import { plateLayout } from './plate-layout.ts';

interface PlateProps {
  readonly design: Design;
  readonly drawing: Drawing;
  readonly view: PlateView;
  /** the drawing is of an earlier state, since the present one cannot be built */
  readonly outdated: boolean;
  readonly onLive: (field: 'dimension' | 'angle', key: string, value: number) => void;
  readonly onSettle: () => void;
}

/** Angles the eye catches at while it is pulled: the bends hooks are sold with. */
const EYE_STOPS = [0, 30, 45, 60, 90];

/** The dimensioned plate: three views to one scale, with grips on whatever can be pulled. */
export function Plate({ design, drawing, view, outdated, onLive, onSettle }: PlateProps) {
  const { format } = useUnits();
  const frame = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 720, height: 420 });
  useLayoutEffect(() => {
    const element = frame.current;
    if (!element) return;
    const observer = new ResizeObserver(([entry]) => {
      if (entry) setSize({ width: entry.contentRect.width, height: entry.contentRect.height });
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, []);

  // While something is pulled the sheet must not re-scale under the pointer.
  const [frozen, setFrozen] = useState<PlateLayout | undefined>(undefined);
  const layout = frozen ?? plateLayout(drawing, size.width, size.height, view);
  const { side, top, front, k } = layout;
  const start = () => setFrozen(layout);
  const end = () => {
    setFrozen(undefined);
    onSettle();
  };

  const family = familyOf(design.head.family);
  const metal = `fig-metal ${metalClass(design.head.metal)}`;
  const { eye, tip, bendRear, knee } = drawing;
  const whole = view === 'whole';
  const mm = (value: number) => format(value, 'size');
  const clip = `clip-${whole ? 'whole' : 'head'}`;

  const [, sideBottom] = side([0, -drawing.drop]);
  const laneOne = sideBottom + 22;
  const laneTwo = sideBottom + 44;
  const eyeAngle = design.eye.angle;
  const kneeAt = side(knee);
  const arc = 22;

  const has = (key: string) => family?.dimensions.find((spec) => spec.key === key);
  const grips: { key: string; at: Vec2; value: number; perPx: (from: Vec2, to: Vec2) => number }[] = [];
  if (has('breadth')) {
    grips.push({
      key: 'breadth',
      at: top([drawing.fullest, drawing.breadth / 2]),
      value: drawing.breadth,
      perPx: (from, to) => (2 * (from[1] - to[1])) / k,
    });
  }
  if (has('length')) {
    grips.push({
      key: 'length',
      at: side([drawing.length, 0]),
      value: drawing.length,
      perPx: (from, to) => (to[0] - from[0]) / k,
    });
  }
  if (has('height')) {
    grips.push({
      key: 'height',
      at: side([drawing.fullest, -drawing.drop]),
      value: drawing.height,
      perPx: (from, to) => ((to[1] - from[1]) * (drawing.height / drawing.drop)) / k,
    });
  }
  const frontEye = front([0, eye.at[1]]);
  return (
    <div className="plate" ref={frame} data-outdated={outdated}>
      <svg
        width={size.width}
        height={size.height}
        role="group"
        aria-label={`Plate of ${design.name}: side, top and front at ${layout.scale} to 1`}
      >
        <clipPath id={clip}>
          <rect x={side([layout.from, 0])[0]} y={0} width={size.width} height={size.height} />
        </clipPath>
        <clipPath id={`${clip}-side`}>
          <rect x={side([layout.from, 0])[0]} y={layout.sideTop} width={size.width} height={size.height} />
        </clipPath>
        <g clipPath={`url(#${clip}-side)`}>
          <CentreLine from={side([layout.from + 1, 0])} to={side([drawing.length + 4, 0])} />
          <SideFigure drawing={drawing} place={side} k={k} metal={design.head.metal} />
        </g>

        <g clipPath={`url(#${clip})`}>
          <CentreLine from={top([Math.max(layout.from, -14) + 1, 0])} to={top([drawing.length + 4, 0])} />
          <line
            className="fig-wire"
            strokeWidth={drawing.wire * k}
            x1={top([Math.max(layout.from, -12), 0])[0]}
            y1={top([0, 0])[1]}
            x2={top([0, 0])[0]}
            y2={top([0, 0])[1]}
          />
          {drawing.collar && <path className={metal} d={pathOf(drawing.collar, top)} />}
          <path className={metal} d={pathOf(drawing.top, top)} />
          <EyeFromAbove drawing={drawing} place={top} k={k} />
        </g>

        <g>
          <line
            className="fig-wire"
            strokeWidth={drawing.wire * k}
            x1={front([0, 0])[0]}
            y1={front([0, 0])[1]}
            x2={frontEye[0]}
            y2={frontEye[1]}
          />
          {whole && (
            <line
              className="fig-wire"
              strokeWidth={drawing.wire * k}
              x1={front([0, 0])[0]}
              y1={front([0, 0])[1]}
              x2={front([0, tip[1]])[0]}
              y2={front([0, tip[1]])[1]}
            />
          )}
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

        <CentreOfMass at={side(drawing.centre)} />
        <g className="dims">
          <Linear
            from={side([0, 0])}
            to={side([drawing.length, 0])}
            at={laneOne}
            text={mm(drawing.length)}
            title="Head length"
          />
          {whole && (
            <Linear
              from={side([bendRear[0] - drawing.wire / 2, bendRear[1]])}
              to={side([0, 0])}
              at={laneTwo}
              text={mm(-bendRear[0])}
              title="Shank outside the head"
            />
          )}
          <Linear
            from={front([-drawing.breadth / 2, 0])}
            to={front([drawing.breadth / 2, 0])}
            at={laneOne}
            text={mm(drawing.breadth)}
            title="Breadth"
          />
          <Linear
            upright
            from={front([0, drawing.rise])}
            to={front([0, -drawing.drop])}
            at={front([drawing.breadth / 2, 0])[0] + 26}
            text={mm(drawing.height)}
            title="Height"
          />
          {whole && (
            <>
              <Linear
                upright
                from={side([bendRear[0] * 0.62, drawing.wire / 2])}
                to={side([bendRear[0] * 0.62, tip[1] - drawing.wire / 2])}
                at={side([Math.min(tip[0] - 4, bendRear[0] * 0.62), 0])[0]}
                text={mm(tip[1] - drawing.wire)}
                title="Gap"
              />
              <line
                className="dim-ext"
                x1={side([eye.at[0], 0])[0]}
                y1={side([0, eye.top])[1]}
                x2={side([tip[0] + 3, 0])[0]}
                y2={side([0, eye.top])[1]}
              />
              <Linear
                upright
                from={side([tip[0], tip[1]])}
                to={side([tip[0] + 4, eye.top])}
                at={side([tip[0] + 5, 0])[0]}
                text={mm(tip[1] - eye.top)}
                title="Bite above the eye"
              />
            </>
          )}
          <path
            className="dim-line"
            fill="none"
            d={`M${kneeAt[0] + arc} ${kneeAt[1]}A${arc} ${arc} 0 0 0 ${kneeAt[0] + arc * Math.cos((eyeAngle * Math.PI) / 180)} ${kneeAt[1] - arc * Math.sin((eyeAngle * Math.PI) / 180)}`}
          />
          <text className="dim-text" x={side(eye.at)[0] + eye.radius * k + 8} y={side(eye.at)[1] - 8}>
            {format(eyeAngle, 'angle')}
          </text>
        </g>

        <g className="view-names">
          <text x={top([drawing.length, 0])[0] + 30} y={top([0, 0])[1]}>
            Top
          </text>
          <text
            x={front([0, 0])[0]}
            y={front([0, Math.max(drawing.rise, eye.top, whole ? tip[1] : 0)])[1] - 12}
            textAnchor="middle"
          >
            From the nose
          </text>
        </g>
        <ScaleBar k={k} scale={layout.scale} height={size.height} />

        {grips.map(({ key, at, value, perPx }) => {
          const spec = has(key);
          return (
            spec && (
              <Handle
                key={key}
                at={at}
                label={spec.name}
                valueText={mm(value)}
                value={value}
                min={spec.min}
                max={spec.max}
                step={0.1}
                valueAt={(pointer, down) => down.value + perPx(down.pointer, pointer)}
                onStart={start}
                onLive={(next) => onLive('dimension', key, next)}
                onEnd={end}
              />
            )
          );
        })}
        <Handle
          round
          at={side(eye.at)}
          label="Eye angle"
          valueText={format(eyeAngle, 'angle')}
          value={eyeAngle}
          min={0}
          max={90}
          step={1}
          valueAt={(pointer) => {
            const [kx, ky] = side(knee);
            const angle = (Math.atan2(ky - pointer[1], pointer[0] - kx) * 180) / Math.PI;
            const stop = EYE_STOPS.find((candidate) => Math.abs(candidate - angle) < 2.5);
            return stop ?? Math.round(angle);
          }}
          onStart={start}
          onLive={(next) => onLive('angle', 'eye', next)}
          onEnd={end}
        />
      </svg>
      {outdated && <p className="plate-outdated">The drawing shows the last state that could be built.</p>}
    </div>
  );
}
