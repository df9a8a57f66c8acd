import { useRef, useState } from 'react';
import type { Vec2 } from '../../../core/numeric/index.ts';
import type { Plastic } from '../../../core/plastic/index.ts';
import {
  PLASTIC_RANGES,
  cutOf,
  plasticKindOf,
  plasticReach,
  plasticSection,
  plasticStations,
} from '../../../core/plastic/index.ts';
import { scaleBar } from '../../drawing/scale-bar.ts';
import { useUnits } from '../../data/units.ts';
import { PlasticFigure } from '../../drawing/plastic-figure.tsx';
import { Handle } from '../../parts/handle.tsx';

const MARGIN = 26;

/**
 * Where a plastic is drawn on a sheet of a width, px. The scale stays while something is pulled: what is
 * pulled moves, and not the paper.
 */
function plasticLayout(kept: Plastic, plastic: Plastic, width: number) {
  const k = (width - 2 * MARGIN) / kept.length;
  const [sideOf, topOf] = [plasticReach(kept, 'side'), plasticReach(kept, 'top')];
  // Some room besides for what is pulled larger.
  const ySide = 26 + sideOf.up * k * 1.2;
  const yTop = ySide + sideOf.down * k * 1.2 + 24 + topOf.up * k * 1.2;
  const xNose = width - MARGIN;
  const shift = cutOf(plastic) * k;
  const side = ([x, z]: Vec2): Vec2 => [xNose - shift + x * k, ySide - z * k];
  const top = ([x, y]: Vec2): Vec2 => [xNose - shift + x * k, yTop - y * k];
  return { k, side, top, yTop, topOf };
}

/**
 * A plastic from the side and from above, to scale, with handles on its length, height and breadth, and on
 * the stations of an own outline.
 */
export function PlasticPlate({
  plastic: kept,
  onChange,
}: {
  readonly plastic: Plastic;
  readonly onChange: (change: Partial<Plastic>) => void;
}) {
  const { format, system } = useUnits();
  const bar = scaleBar(system, 'bait');
  const [width, setWidth] = useState(460);
  const [pulled, setPulled] = useState<Plastic | undefined>(undefined);
  const last = useRef<Partial<Plastic>>({});
  const plastic = pulled ?? kept;
  const { k, side, top, yTop, topOf } = plasticLayout(kept, plastic, width);
  const live = (change: Partial<Plastic>) => {
    last.current = change;
    setPulled({ ...plastic, ...change });
  };
  const start = () => {
    last.current = {};
  };
  const end = () => {
    onChange(last.current);
    setPulled(undefined);
  };
  const stations = plasticStations(plastic);
  const isOwn = plasticKindOf(plastic.kind).isOwn === true;
  const fullest = (of: 1 | 2) => stations.find((station) => station[of] === 1)?.[0] ?? 0.3;
  const at = (share: number) => share * plastic.length - cutOf(plastic);
  const size = (
    key: 'length' | 'height' | 'breadth',
    place: Vec2,
    valueAt: Parameters<typeof Handle>[0]['valueAt'],
  ) => (
    <Handle
      key={key}
      at={place}
      label={`Pull the ${key}`}
      valueText={format(plastic[key], 'size')}
      value={plastic[key]}
      min={PLASTIC_RANGES[key][0]}
      max={PLASTIC_RANGES[key][1]}
      step={0.5}
      valueAt={valueAt}
      onStart={start}
      onLive={(value) => live({ [key]: Math.round(value * 10) / 10 })}
      onEnd={end}
    />
  );
  const height = yTop + topOf.down * k * 1.2 + 30;
  return (
    <div
      className="plastic-plate"
      ref={(box) => {
        if (box && Math.abs(box.clientWidth - width) > 1 && box.clientWidth > 120) setWidth(box.clientWidth);
      }}
    >
      <svg width={width} height={height} role="group" aria-label="The plastic from the side and from above">
        <PlasticFigure plastic={plastic} view="side" place={side} />
        <PlasticFigure plastic={plastic} view="top" place={top} />
        <text className="view-name" x={4} y={12}>
          from the side
        </text>
        <text className="view-name" x={4} y={yTop - topOf.up * k * 1.2 - 4}>
          from above
        </text>
        {size(
          'length',
          side([-(plastic.length - cutOf(plastic)), 0]),
          (pointer, down) => down.value + (down.pointer[0] - pointer[0]) / k,
        )}
        {!isOwn &&
          size(
            'height',
            side([-at(fullest(1)), plasticSection(plastic, at(fullest(1))).halfHeight]),
            (pointer, down) => down.value + (2 * (down.pointer[1] - pointer[1])) / k,
          )}
        {!isOwn &&
          size(
            'breadth',
            top([-at(fullest(2)), plasticSection(plastic, at(fullest(2))).halfBreadth]),
            (pointer, down) => down.value + (2 * (down.pointer[1] - pointer[1])) / k,
          )}
        {isOwn &&
          (['height', 'breadth'] as const).map((of) => (
            <StationHandles
              key={of}
              of={of}
              plastic={plastic}
              at={at}
              place={of === 'height' ? side : top}
              k={k}
              onStart={start}
              onLive={live}
              onEnd={end}
            />
          ))}
        <g className="scale-bar">
          <path d={`M${MARGIN} ${height - 12}V${height - 8}H${MARGIN + bar.mm * k}V${height - 12}`} />
          <text x={MARGIN + bar.mm * k + 8} y={height - 6}>
            {bar.text}
          </text>
        </g>
      </svg>
    </div>
  );
}

/** The stations of an own outline, one way. */
function StationHandles({
  of,
  plastic,
  at,
  place,
  k,
  onStart,
  onLive,
  onEnd,
}: {
  readonly of: 'height' | 'breadth';
  readonly plastic: Plastic;
  /** how far behind the head a share of the length lies, mm */
  readonly at: (share: number) => number;
  readonly place: (at: Vec2) => Vec2;
  readonly k: number;
  readonly onStart: () => void;
  readonly onLive: (change: Partial<Plastic>) => void;
  readonly onEnd: () => void;
}) {
  const { format } = useUnits();
  return plastic.stations?.map((own, i) => (
    <Handle
      key={i}
      small
      at={place([-at(own.at), (own[of] * plastic[of]) / 2])}
      label={`${of === 'height' ? 'Height' : 'Breadth'} of station ${i + 1}`}
      valueText={format(own[of] * plastic[of], 'size')}
      value={own[of]}
      min={PLASTIC_RANGES.station[0]}
      max={PLASTIC_RANGES.station[1]}
      step={0.02}
      valueAt={(pointer, down) => down.value + (2 * (down.pointer[1] - pointer[1])) / (plastic[of] * k)}
      onStart={onStart}
      onLive={(value) =>
        onLive({
          stations: plastic.stations?.map((one, j) =>
            j === i ? { ...one, [of]: Math.round(value * 1000) / 1000 } : one,
          ),
        })
      }
      onEnd={onEnd}
    />
  ));
}
