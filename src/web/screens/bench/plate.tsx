import { localised } from '../../data/locale.ts';
import { useRef, useState } from 'react';
import type { Design } from '../../../core/document/index.ts';
import type { Vec2 } from '../../../core/numeric/index.ts';
import type { Drawing, DrawnSection } from '../../../core/plate/index.ts';
import { photoPlacement } from '../../../core/document/index.ts';
import { familyOf } from '../../../core/head/index.ts';
import { clamp } from '../../../core/numeric/index.ts';
import { dimensionText } from '../../../core/plate/index.ts';
import { useSettings } from '../../data/settings.ts';
import { useUnits } from '../../data/units.ts';
import { pathOf } from '../../drawing/path.ts';
import { DimensionFigure, DimensionLines } from './dimension.tsx';
import { EyeBend, EyeHandle } from './eye-bend.tsx';
import { useContentBox } from '../../parts/content-box.ts';
import { Handle } from '../../parts/handle.tsx';
import { CentreOfMass, ScaleBar } from './plate-parts.tsx';
import { PlateViews } from './plate-views.tsx';
import type { PlateLayout, PlateView } from './plate-layout.ts';
import { followed, plateLayout } from './plate-layout.ts';
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

/**
 * A dimension is of the whole body; sole and flats take a part of it away, so a pull on what is left counts
 * by their ratio.
 */
const leftOf = ({ bodyHeight, height }: Drawing): number => bodyHeight / (height || 1);

/** The sizes that are pulled at the outline itself, with what a pointer's way changes them by. */
function gripsOf(drawing: Drawing, { side, top, k }: PlateLayout): readonly Grip[] {
  return [
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
      perPx: (from, to) => ((to[1] - from[1]) * (drawing.height / drawing.drop) * leftOf(drawing)) / k,
    },
  ];
}

/** The dimensioned plate: three views to one scale, with grips on whatever can be pulled. */
export function Plate({ design, drawing, view, outdated, section, before, onLive, onSettle }: PlateProps) {
  const { format, system } = useUnits();
  const { arrangement, dual } = useSettings();
  const frame = useRef<HTMLDivElement>(null);
  const size = useContentBox(frame, { width: 720, height: 420 });
  const mm = (value: number) => localised(dimensionText(value, dual ? 'both' : system));

  // While something is pulled the sheet must not re-scale under the pointer: views keep their places, only
  // the shapes follow.
  const [frozen, setFrozen] = useState<PlateLayout | undefined>(undefined);
  const fresh = plateLayout(drawing, size.width, size.height, view, arrangement, mm);
  const layout: PlateLayout = frozen ? { ...frozen, dimensions: followed(frozen, drawing, fresh) } : fresh;
  const { side, k } = layout;
  const start = () => setFrozen(fresh);
  const end = () => {
    setFrozen(undefined);
    onSettle();
  };

  const family = familyOf(design.head.family);
  const whole = view === 'whole';
  const eyeAngle = design.eye.angle;

  const has = (key: string) => family?.dimensions.find((spec) => spec.key === key);
  const whatIsLeft = leftOf(drawing);
  const grips = gripsOf(drawing, layout);
  const pullOf = (dimension: PlateLayout['dimensions'][number]): Pull | undefined => {
    const key = MEASURES[dimension.id];
    const spec = key ? has(key) : undefined;
    const grip = grips.find((candidate) => candidate.key === key);
    if (!spec || !grip) return undefined;
    return {
      onStart: start,
      onEnd: end,
      onMove: (from, to) => {
        // Pulled outward along its own direction the dimension grows by as much as the pointer moves.
        const moved = dimension.upright ? from[1] - to[1] : to[0] - from[0];
        const share = key === 'height' ? whatIsLeft : 1;
        onLive('dimension', spec.key, clamp(grip.value + (moved * share) / k, spec.min, spec.max));
      },
    };
  };
  const shownGrips = grips.filter(({ key }) => has(key));
  return (
    <div className="plate" ref={frame} data-outdated={outdated}>
      <svg
        width={size.width}
        height={size.height}
        role="group"
        aria-label={`Plate of ${design.name}: side, top and front at ${layout.scale} to 1, ${arrangement} angle`}
      >
        {design.photo && <PhotoUnder photo={design.photo} side={side} />}
        <PlateViews drawing={drawing} layout={layout} metal={design.head.metal} whole={whole} />
        {before && <Before before={before} layout={layout} />}
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
          <PulledDimensions layout={layout} text={mm} pullOf={pullOf} />
          <EyeBend drawing={drawing} side={side} k={k} angle={eyeAngle} />
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
        <EyeHandle
          drawing={drawing}
          side={side}
          angle={eyeAngle}
          onStart={start}
          onLive={(next) => onLive('angle', 'eye', next)}
          onEnd={end}
        />
      </svg>
      {outdated && <p className="plate-outdated">The drawing shows the last state that could be built.</p>}
    </div>
  );
}

/** The earlier state beneath the present one. */
function Before({ before, layout }: { readonly before: Drawing; readonly layout: PlateLayout }) {
  const { side, top, front } = layout;
  return (
    <g className="fig-before">
      <title>The earlier state</title>
      <path d={pathOf(before.side, side)} />
      <path d={pathOf(before.hook, side, false)} />
      <path d={pathOf(before.top, top)} />
      <path d={pathOf(before.front, front)} />
    </g>
  );
}

/** The photograph a design carries, to scale under the side view. */
function PhotoUnder({
  photo,
  side,
}: {
  readonly photo: NonNullable<Design['photo']>;
  readonly side: PlateLayout['side'];
}) {
  const placed = photoPlacement(photo);
  if (!placed) return null;
  const [a, b, c, d, e, f] = placed;
  // From pixels to mm, and from mm to the sheet, which is a scale and a shift with y turned round.
  const [x0, y0] = side([e, f]);
  const [xu, yu] = side([e + a, f + b]);
  const [xv, yv] = side([e + c, f + d]);
  return (
    <image
      className="photo-under"
      href={`/api/photos/${photo.id}/picture`}
      transform={`matrix(${xu - x0} ${yu - y0} ${xv - x0} ${yv - y0} ${x0} ${y0})`}
    >
      <title>The photograph</title>
    </image>
  );
}

interface Pull {
  readonly onStart: () => void;
  readonly onEnd: () => void;
  readonly onMove: (from: Vec2, to: Vec2) => void;
}

/**
 * Dimensions, each figure to be grabbed and pulled where something can be changed by it. Figures lie over
 * lines.
 */
function PulledDimensions({
  layout,
  text,
  pullOf,
}: {
  readonly layout: PlateLayout;
  readonly text: (value: number) => string;
  readonly pullOf: (dimension: PlateLayout['dimensions'][number]) => Pull | undefined;
}) {
  return (
    <>
      {layout.dimensions.map((dimension) => (
        <DimensionLines key={dimension.id} run={dimension} />
      ))}
      {layout.dimensions.map((dimension) => {
        const pull = pullOf(dimension);
        return (
          <DimensionFigure
            key={dimension.id}
            run={dimension}
            text={text(dimension.value)}
            title={dimension.name}
            {...(pull ? { pull } : {})}
          />
        );
      })}
    </>
  );
}
