import { useLayoutEffect, useRef, useState } from 'react';
import type { Design, Drawing, DrawnSection, Vec2 } from '../../../core/index.ts';
import { dimensionText, familyOf } from '../../../core/index.ts';
import { useSettings } from '../../data/settings.ts';
import { useUnits } from '../../data/units.ts';
import { pathOf } from '../../drawing/path.ts';
import { DimensionFigure, DimensionLines } from './dimension.tsx';
import { Handle } from './handle.tsx';
import { CentreOfMass, ScaleBar } from './plate-parts.tsx';
import { PlateViews } from './plate-views.tsx';
import type { PlateLayout, PlateView } from './plate-layout.ts';
import { plateLayout } from './plate-layout.ts';
import { SectionInset, SectionLine } from './section.tsx';
import { StationGrips } from './station-grips.tsx';

/** What of the design is being pulled on the plate. */
export type Pulled = 'dimension' | 'angle' | 'station' | 'section';

interface PlateProps {
  readonly design: Design;
  readonly drawing: Drawing;
  readonly view: PlateView;
  /** the drawing is of an earlier state, since the present one cannot be built */
  readonly outdated: boolean;
  /** the section, and where it is cut as a share of the length; undefined when none is shown */
  readonly section: { readonly share: number; readonly cut: DrawnSection | undefined } | undefined;
  /** an earlier state it is compared with */
  readonly before?: Drawing | undefined;
  readonly onLive: (field: Pulled, key: string, value: number) => void;
  readonly onSettle: () => void;
}

/** Angles the eye catches at while it is pulled: the bends hooks are sold with. */
const EYE_STOPS = [0, 30, 45, 60, 90];

/** The dimension of a family each dimension line stands for. */
const MEASURES: Readonly<Record<string, string>> = {
  length: 'length',
  breadth: 'breadth',
  body: 'breadth',
  height: 'height',
};

interface Grip {
  readonly key: string;
  readonly at: Vec2;
  readonly value: number;
  readonly perPx: (from: Vec2, to: Vec2) => number;
}

/** The dimensioned plate: three views to one scale, with grips on whatever can be pulled. */
export function Plate({ design, drawing, view, outdated, section, before, onLive, onSettle }: PlateProps) {
  const { format, system } = useUnits();
  const { arrangement, dual } = useSettings();
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
  const mm = (value: number) => dimensionText(value, dual ? 'both' : system);

  // While something is pulled the sheet must not re-scale under the pointer: views keep their places, only the shapes follow.
  const [frozen, setFrozen] = useState<PlateLayout | undefined>(undefined);
  const fresh = plateLayout(drawing, size.width, size.height, view, arrangement, mm);
  const layout: PlateLayout = frozen ? { ...frozen, dimensions: followed(frozen, drawing, fresh) } : fresh;
  const { side, top, k } = layout;
  const start = () => setFrozen(fresh);
  const end = () => {
    setFrozen(undefined);
    onSettle();
  };

  const family = familyOf(design.head.family);
  const { eye, knee } = drawing;
  const whole = view === 'whole';
  const eyeAngle = design.eye.angle;
  const kneeAt = side(knee);
  const arc = 22;
  // The bend's figure stands beside the eye, away from the head; it is broader than high, so further off sideways.
  const bend = (eyeAngle * Math.PI) / 180;
  const besideEye = (eye.radius + drawing.wire) * k + 14;

  const has = (key: string) => family?.dimensions.find((spec) => spec.key === key);
  // A dimension is of the whole body; sole and flats take a part of it away, so a pull on what is left counts by their ratio.
  const whatIsLeft = drawing.bodyHeight / (drawing.height || 1);
  const grips: Grip[] = [
    {
      key: 'breadth',
      at: top([drawing.fullest, drawing.bodyBreadth / 2]),
      value: drawing.bodyBreadth,
      perPx: (from, to) => (2 * (from[1] - to[1])) / k,
    },
    {
      key: 'length',
      at: side([drawing.length, 0]),
      value: drawing.length,
      perPx: (from, to) => (to[0] - from[0]) / k,
    },
    {
      key: 'height',
      at: side([drawing.fullest, -drawing.drop]),
      value: drawing.bodyHeight,
      perPx: (from, to) => ((to[1] - from[1]) * (drawing.height / drawing.drop) * whatIsLeft) / k,
    },
  ];
  const shownGrips = grips.filter(({ key }) => has(key));
  return (
    <div className="plate" ref={frame} data-outdated={outdated}>
      <svg
        width={size.width}
        height={size.height}
        role="group"
        aria-label={`Plate of ${design.name}: side, top and front at ${layout.scale} to 1, ${arrangement} angle`}
      >
        <PlateViews drawing={drawing} layout={layout} metal={design.head.metal} whole={whole} />
        {before && (
          <g className="fig-before">
            <title>The earlier state</title>
            <path d={pathOf(before.side, side)} />
            <path d={pathOf(before.hook, side, false)} />
            <path d={pathOf(before.top, top)} />
            <path d={pathOf(before.front, layout.front)} />
          </g>
        )}
        <CentreOfMass at={side(drawing.centre)} />
        {section && (
          <SectionLine
            drawing={drawing}
            layout={layout}
            share={section.share}
            onStart={start}
            onLive={(value) => onLive('section', 'share', value)}
            onEnd={end}
          />
        )}
        {section?.cut && (
          <SectionInset cut={section.cut} layout={layout} metal={design.head.metal} text={mm} />
        )}
        <g className="dims">
          {layout.dimensions.map((dimension) => (
            <DimensionLines key={dimension.id} run={dimension} />
          ))}
          {layout.dimensions.map((dimension) => {
            const key = MEASURES[dimension.id];
            const spec = key ? has(key) : undefined;
            const grip = grips.find((candidate) => candidate.key === key);
            return (
              <DimensionFigure
                key={dimension.id}
                run={dimension}
                text={mm(dimension.value)}
                title={dimension.name}
                {...(spec && grip
                  ? {
                      pull: {
                        onStart: start,
                        onEnd: end,
                        onMove: (from: Vec2, to: Vec2) => {
                          // Pulled outward along its own direction the dimension grows by as much as the pointer moves.
                          const moved = dimension.upright ? from[1] - to[1] : to[0] - from[0];
                          const share = key === 'height' ? whatIsLeft : 1;
                          onLive(
                            'dimension',
                            spec.key,
                            Math.min(spec.max, Math.max(spec.min, grip.value + (moved * share) / k)),
                          );
                        },
                      },
                    }
                  : {})}
              />
            );
          })}
          <path
            className="dim-line"
            fill="none"
            d={`M${kneeAt[0] + arc} ${kneeAt[1]}A${arc} ${arc} 0 0 0 ${kneeAt[0] + arc * Math.cos((eyeAngle * Math.PI) / 180)} ${kneeAt[1] - arc * Math.sin((eyeAngle * Math.PI) / 180)}`}
          />
          <text
            className="dim-text"
            textAnchor="middle"
            dominantBaseline="central"
            x={side(eye.at)[0] - Math.sin(bend) * besideEye * 1.2}
            y={side(eye.at)[1] - Math.cos(bend) * besideEye}
          >
            {format(eyeAngle, 'angle')}
          </text>
        </g>
        <ScaleBar k={k} scale={layout.scale} height={size.height} />

        {familyOf(design.head.family)?.hasStations && (
          <StationGrips
            design={design}
            drawing={drawing}
            layout={layout}
            onStart={start}
            onLive={(key, value) => onLive('station', key, value)}
            onEnd={end}
          />
        )}
        {shownGrips.map(({ key, at, value, perPx }) => {
          const spec = has(key);
          return (
            spec && (
              <Handle
                key={key}
                at={at}
                label={spec.name}
                valueText={format(value, 'size')}
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

/** Dimensions of the present drawing on a sheet whose views stand still: each keeps its line unless the shape grows over it. */
function followed(frozen: PlateLayout, drawing: Drawing, fresh: PlateLayout): PlateLayout['dimensions'] {
  return fresh.dimensions.map((dimension) => {
    const { view, stands, upright } = dimension;
    const before = frozen.dimensions.find(({ id }) => id === dimension.id)?.at ?? dimension.at;
    const far: Vec2 = [view === 'front' ? drawing.breadth / 2 : drawing.length, -drawing.drop];
    const edge = (layout: PlateLayout) => layout[view](far)[upright ? 0 : 1];
    const pushed = edge(frozen) + dimension.at - edge(fresh);
    return {
      ...dimension,
      a: frozen[view](dimension.from),
      b: frozen[view](dimension.to),
      at: stands === 'right' || stands === 'below' ? Math.max(before, pushed) : before,
    };
  });
}
