import { stationsOf } from '../../../core/head/index.ts';
import type { Design } from '../../../core/document/index.ts';
import type { Vec2 } from '../../../core/numeric/index.ts';
import type { Drawing } from '../../../core/plate/index.ts';
import { useUnits } from '../../data/units.ts';
import { Handle } from '../../parts/handle.tsx';
import type { PlateLayout } from './plate-layout.ts';

/** A little under the shank line, where the centre of mass is marked. */
const beside = ([x, y]: Vec2): Vec2 => [x, y + 12];

/** Least share of the length between two stations that a pull leaves. */
const APART = 0.01;

interface Props {
  readonly design: Design;
  readonly drawing: Drawing;
  readonly layout: PlateLayout;
  readonly onStart: () => void;
  /** key is the number of the station and what of it is pulled: `2.rise` */
  readonly onLive: (key: string, value: number) => void;
  readonly onEnd: () => void;
}

/**
 * Grips on the stations of an own profile: rise, drop and place along the shank in the side view, breadth in
 * the view from above.
 */
export function StationGrips({ design, drawing, layout: { side, top, k }, onStart, onLive, onEnd }: Props) {
  const { format } = useUnits();
  const stations = stationsOf(design.head);
  const belly = design.head.dimensions['belly'] ?? 0.5;
  const [rise, drop, half] = [
    drawing.bodyHeight * (1 - belly),
    drawing.bodyHeight * belly,
    drawing.bodyBreadth / 2,
  ];
  const grip = (
    i: number,
    of: 'rise' | 'drop' | 'breadth',
    share: number,
    full: number,
    at: Vec2,
    way: 1 | -1,
  ) => (
    <Handle
      key={`${i}.${of}`}
      small
      at={at}
      label={`${of === 'breadth' ? 'Breadth' : of === 'rise' ? 'Rise' : 'Drop'} of station ${i + 1}`}
      valueText={format(share * full * (of === 'breadth' ? 2 : 1), 'size')}
      value={share}
      min={0}
      max={1}
      step={0.01}
      valueAt={(pointer, down) => down.value + (way * (down.pointer[1] - pointer[1])) / (full * k || 1)}
      onStart={onStart}
      onLive={(value) => onLive(`${i}.${of}`, value)}
      onEnd={onEnd}
    />
  );
  // A station is pulled along between its neighbours, typed nearer to one it may stay there; the ends stay at
  // the ends.
  const along = (i: number) => {
    const [before, here, after] = [stations[i - 1], stations[i], stations[i + 1]];
    return (
      before &&
      here &&
      after && (
        <Handle
          key={`${i}.at`}
          small
          at={beside(side([here.at * drawing.length, 0]))}
          label={`Place of station ${i + 1} along the shank`}
          valueText={format(here.at * drawing.length, 'size')}
          value={here.at}
          min={Math.min(here.at, before.at + APART)}
          max={Math.max(here.at, after.at - APART)}
          step={0.01}
          valueAt={(pointer, down) => down.value + (pointer[0] - down.pointer[0]) / (drawing.length * k || 1)}
          onStart={onStart}
          onLive={(value) => onLive(`${i}.at`, value)}
          onEnd={onEnd}
        />
      )
    );
  };
  return (
    <g className="station-grips">
      {stations.flatMap((station, i) => {
        const x = station.at * drawing.length;
        return [
          grip(i, 'rise', station.rise, rise, side([x, station.rise * rise]), 1),
          ...(design.head.symmetric
            ? []
            : [grip(i, 'drop', station.drop, drop, side([x, -station.drop * drop]), -1)]),
          grip(i, 'breadth', station.breadth, half, top([x, station.breadth * half]), 1),
          along(i),
        ];
      })}
    </g>
  );
}
