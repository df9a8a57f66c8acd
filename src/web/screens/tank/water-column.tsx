import { scaleLinear, scaleLog } from 'd3-scale';
import { useRef } from 'react';
import type { UnitSystem } from '../../../core/quantity/index.ts';
import { shownUnit } from '../../../core/quantity/index.ts';
import { useUnits } from '../../data/units.ts';
import { useContentBox } from '../../parts/content-box.ts';
import { Handle } from '../../parts/handle.tsx';
import type { TankConditions } from './use-conditions.ts';
import { RANGES } from './use-conditions.ts';

/** px: how tall the picture is, its air, the least of the bottom that is seen, the rule of depths. */
const BOX = { height: 236, air: 34, bed: 26, rule: 40, margin: 12 } as const;
/** Depths on the rule, in the reader's own unit. */
const RULED = [1, 2, 5, 10, 20, 50, 100, 200];
/** Stones drawn for a friction of 1, and grains of salt for each g/kg. */
const [STONES, GRAINS] = [12, 0.7];

/** What a hand pulls to, stored: the nearest of so many to the unit it is read in. */
function pulledTo(stored: number, kind: 'depth' | 'speed', perUnit: number, system: UnitSystem): number {
  const { fromStored, toStored } = shownUnit(kind, system);
  return toStored(Math.round(fromStored(stored) * perUnit) / perUnit);
}

/**
 * The water as it is set: how deep, how fast it runs and the head is drawn through it, pulled at the drawing
 * itself. Depths are ruled by their logarithm, so that a pond and a trench are both taken hold of.
 */
export function WaterColumn({
  conditions,
  put,
}: {
  readonly conditions: TankConditions;
  readonly put: (key: 'depth' | 'speed' | 'current', value: number) => void;
}) {
  const frame = useRef<HTMLDivElement>(null);
  const { width } = useContentBox(frame, { width: 210, height: BOX.height });
  const { format, system } = useUnits();
  const { values, water, surroundings, line } = conditions;
  const right = width - BOX.margin;
  const down = scaleLog(RANGES.depth, [BOX.air + 22, BOX.height - BOX.bed]);
  const bed = down(values.depth);
  const from = BOX.rule + 26;
  const along = {
    current: scaleLinear(RANGES.current, [from, right - 8]),
    speed: scaleLinear(RANGES.speed, [from, right - 8]),
  };
  // Each at its own height, however shallow.
  const heights = { current: BOX.air + (bed - BOX.air) * 0.3, speed: BOX.air + (bed - BOX.air) * 0.64 };
  const unit = shownUnit('depth', system);
  const ruled = RULED.map((shown) => ({ shown, stored: unit.toStored(shown) })).filter(
    ({ stored }) => stored >= RANGES.depth[0] && stored <= RANGES.depth[1],
  );
  const stones = Math.round(values.friction * STONES);
  const grains = Math.round(surroundings.water.salinity * GRAINS);
  const nothing = () => undefined;
  return (
    <div ref={frame} className="water-column">
      <svg width={width} height={BOX.height} role="group" aria-label={`The water: ${water}`}>
        <rect className="tank-water" x={0} y={BOX.air} width={width} height={bed - BOX.air} />
        {Array.from({ length: grains }, (_, i) => (
          <circle
            key={i}
            className="water-grain"
            cx={BOX.rule + ((i * 61) % Math.max(1, width - BOX.rule))}
            cy={BOX.air + 4 + ((i * 37) % 97) * ((bed - BOX.air - 8) / 97)}
            r={0.9}
          />
        ))}
        <line className="tank-surface" x1={0} x2={width} y1={BOX.air} y2={BOX.air} />
        <rect className="tank-bed" x={-1} y={bed} width={width + 2} height={BOX.height - bed + 1} />
        {Array.from({ length: stones }, (_, i) => (
          <ellipse
            key={i}
            className="water-stone"
            cx={BOX.rule + ((i + 0.5) * (width - BOX.rule)) / stones}
            cy={bed + 1}
            rx={5 + (i % 3)}
            ry={2.5 + (i % 2)}
          />
        ))}
        {ruled.map(({ shown, stored }) => (
          <g key={shown} className="water-ruled">
            <line x1={0} x2={6} y1={down(stored)} y2={down(stored)} />
            <text x={9} y={down(stored) + 4}>
              {shown}
            </text>
          </g>
        ))}
        <path
          className={`water-line ${line}`}
          strokeWidth={0.8 + values.test / 12}
          d={`M${right} 4V${BOX.air}Q${right - 10} ${heights.speed - 4} ${from} ${heights.speed}`}
        />
        <circle className="water-head" cx={from - 3} cy={heights.speed} r={4} />
        {(['current', 'speed'] as const).map((key) => {
          const [x, y] = [along[key](values[key]), heights[key]];
          return (
            <g key={key} className={`water-arrow ${key}`}>
              <text x={from - 4} y={key === 'current' ? y - 10 : y + 17}>
                {key === 'current' ? 'Current' : 'Speed'} {format(values[key], 'speed')}
              </text>
              {/* No arrow where nothing moves. */}
              {values[key] > 0 && <path d={`M${from} ${y}H${x}m-6 -4l6 4l-6 4`} />}
              <Handle
                at={[x, y]}
                label={key === 'current' ? 'Current, in the picture' : 'Speed, in the picture'}
                valueText={format(values[key], 'speed')}
                value={values[key]}
                min={RANGES[key][0]}
                max={RANGES[key][1]}
                step={0.05}
                valueAt={([pointer]) => pulledTo(along[key].invert(pointer), 'speed', 20, system)}
                onStart={nothing}
                onLive={(value) => put(key, value)}
                onEnd={nothing}
              />
            </g>
          );
        })}
        <text className="tank-name" x={right - 22} y={Math.min(BOX.height - 6, bed + 19)} textAnchor="end">
          {format(values.depth, 'depth')}
        </text>
        <Handle
          at={[right - 8, bed]}
          label="Depth, in the picture"
          valueText={format(values.depth, 'depth')}
          value={values.depth}
          min={RANGES.depth[0]}
          max={RANGES.depth[1]}
          step={0.25}
          valueAt={([, pointer]) => pulledTo(down.invert(pointer), 'depth', 2, system)}
          onStart={nothing}
          onLive={(value) => put('depth', value)}
          onEnd={nothing}
        />
        <text className="tank-tick" x={9} y={BOX.air - 10}>
          {unit.label}
        </text>
        <text className="tank-name" x={BOX.rule} y={BOX.air - 10}>
          {water} water
        </text>
        <title>{`${water} water, ${format(values.depth, 'depth')} deep`}</title>
      </svg>
    </div>
  );
}
