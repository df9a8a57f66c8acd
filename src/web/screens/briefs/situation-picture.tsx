import type { Situation } from '../../../core/match/index.ts';
import { TIP } from '../../../core/match/index.ts';
import { markedRound } from '../../../core/quantity/index.ts';
import { useUnits } from '../../data/units.ts';

const WIDTH = 560;
const HEIGHT = 230;
const MARGIN = { left: 46, right: 18, top: 34, bottom: 26 };
/** Length of the fish that are fished for, m (common practice, no source). */
const FISH = { panfish: 0.2, medium: 0.45, large: 0.8 } as const;

/** What lies below, as a pattern of the floor. */
function Floor({ at, path }: { readonly at: Situation; readonly path: string }) {
  const kind = at.bottoms[0] ?? 'flat clean';
  const stones = kind === 'broken rock' || kind === 'ledges' || kind === 'stair-step';
  const small = kind === 'gravel' || kind === 'shell';
  const soft = kind === 'mud' || kind === 'slime' || kind === 'clay';
  return (
    <g className="sit-floor">
      <defs>
        <pattern
          id="sit-ground"
          width={stones ? 22 : 9}
          height={stones ? 16 : 8}
          patternUnits="userSpaceOnUse"
        >
          {stones && <path d="M1 14 L6 3 L14 1 L20 8 L18 15 Z" className="sit-stone" />}
          {small && <circle cx="3" cy="4" r="2" className="sit-stone" />}
          {soft && <path d="M0 5 q2 -3 4.5 0 t4.5 0" className="sit-soft" />}
          {!stones && !small && !soft && <circle cx="2" cy="3" r="0.7" className="sit-grain" />}
        </pattern>
      </defs>
      <path d={path} className="sit-bed" />
      <path d={path} fill="url(#sit-ground)" />
    </g>
  );
}

/** What stands in the way about a place on the floor. */
function Stands({
  at,
  x,
  surface,
  floorAt,
}: {
  readonly at: Situation;
  readonly x: number;
  readonly surface: number;
  readonly floorAt: (x: number) => number;
}) {
  const reach = { thin: 4, middling: 7, thick: 12 }[at.density];
  return (
    <g className="sit-cover">
      {at.covers.flatMap((kind) =>
        Array.from({ length: reach }, (_, i) => {
          const px = x - 44 + (i * 104) / reach;
          const foot = floorAt(px);
          const height = foot - surface;
          const key = `${kind} ${i}`;
          switch (kind) {
            case 'posts and docks':
              return i % 3 === 0 ? (
                <rect key={key} x={px} y={surface - 8} width={6} height={height + 8} className="sit-post" />
              ) : null;
            case 'brush and wood':
              return (
                <path
                  key={key}
                  d={`M${px} ${foot} l${8 - (i % 3) * 8} ${-Math.min(40, 0.6 * height)} m-3 14 l12 -12 m-10 18 l-12 -9`}
                  className="sit-wood"
                />
              );
            case 'matted weed':
              return <path key={key} d={`M${px - 8} ${surface + 1} q8 9 16 0 z`} className="sit-mat" />;
            case 'grass or reeds':
              return (
                <path
                  key={key}
                  d={`M${px} ${foot} Q${px + 5} ${surface} ${px + 2} ${surface - 12}`}
                  className="sit-stem"
                />
              );
            default:
              return (
                <path
                  key={key}
                  d={`M${px} ${foot} q6 ${-0.25 * height} 0 ${-0.5 * height}`}
                  className="sit-stem"
                />
              );
          }
        }),
      )}
    </g>
  );
}

/**
 * The situation in one picture, to one scale: depth, slope, floor, cover, the line from the rod, the fish.
 */
export function SituationPicture({ at }: { readonly at: Situation }) {
  const { format, say } = useUnits();
  const { water, slope, lineOut, rodLength, size } = at;
  const tip = TIP * rodLength;
  // What nobody said is as round as it was assumed.
  const line = at.assumed.includes('/fishing/cast')
    ? say(markedRound(lineOut, 'depth'))
    : format(lineOut, 'depth');
  const away = Math.sqrt(Math.max(0.25, lineOut * lineOut - (water.depth + tip) ** 2));
  const room = { x: WIDTH - MARGIN.left - MARGIN.right, y: HEIGHT - MARGIN.top - MARGIN.bottom };
  const k = Math.min(room.x / (away + 3), room.y / (water.depth + tip + 0.6));
  const surface = MARGIN.top + tip * k;
  const bed = surface + water.depth * k;
  const rod = MARGIN.left + 1.2 * k;
  const head = rod + away * k;
  const fall = Math.tan(((at.bottoms.includes('stair-step') ? Math.min(slope, 60) : slope) * Math.PI) / 180);
  // A bank falls away from who stands on it.
  const floorAt = (x: number) => Math.min(HEIGHT - 4, Math.max(surface - 4, bed + (x - head) * fall));
  const steps = 60;
  const floor = Array.from({ length: steps + 1 }, (_, i) => {
    const x = (WIDTH * i) / steps;
    const y = floorAt(x);
    // Treads of a stair-step wall are level.
    return at.bottoms.includes('stair-step') ? ([x, Math.round(y / 12) * 12] as const) : ([x, y] as const);
  });
  const path =
    `M0 ${HEIGHT} ${floor.map(([x, y]) => `L${x.toFixed(1)} ${y.toFixed(1)}`).join(' ')} ` +
    `L${WIDTH} ${HEIGHT} Z`;
  const long = Math.max(16, FISH[size] * k);
  const angle = Math.round((Math.atan2(water.depth + tip, away) * 180) / Math.PI);
  const murk = Math.min(0.85, 0.25 + 0.35 / Math.max(0.25, water.sight));
  const rests = at.touches;
  const lure = rests ? floorAt(head) - 3 : surface + 0.55 * water.depth * k;
  return (
    <figure className="situation">
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        role="img"
        aria-label={
          `The situation: ${format(water.depth, 'depth')} deep, ${line} of line ` +
          `out, the line at ${angle}° at the head`
        }
      >
        <rect
          x="0"
          y={surface}
          width={WIDTH}
          height={HEIGHT - surface}
          className="sit-water"
          style={{ opacity: murk }}
        />
        <line x1="0" x2={WIDTH} y1={surface} y2={surface} className="sit-surface" />
        <Floor at={at} path={path} />
        <Stands at={at} x={head} surface={surface} floorAt={floorAt} />
        <path d={`M${rod - 1.1 * k} ${surface - 6} L${rod} ${MARGIN.top}`} className="sit-rod" />
        {at.from === 'bank' ? (
          <path
            d={
              `M0 ${HEIGHT} L0 ${surface - 8} L${rod - 0.9 * k} ${surface - 8} L${rod - 0.5 * k} ` +
              `${surface + 10} L0 ${HEIGHT} Z`
            }
            className="sit-bank"
          />
        ) : (
          <path
            d={`M${rod - 2 * k} ${surface - 5} h${2.2 * k} l${-0.3 * k} 9 h${-1.5 * k} z`}
            className="sit-boat"
          />
        )}
        <path d={`M${rod} ${MARGIN.top} L${head} ${lure}`} className="sit-line" />
        <circle cx={head} cy={lure} r="3.2" className="sit-lure" />
        <g
          transform={`translate(${Math.min(WIDTH - long - 4, head + 14)} ${Math.max(surface + 10, lure - 14)})`}
          className="sit-fish"
        >
          <path
            d={
              `M0 0 q${long / 2} ${-long / 4} ${long * 0.8} 0 l${long * 0.2} ${-long / 7} v${(long * 2) / 7} ` +
              `l${-long * 0.2} ${-long / 7} q${-long * 0.3} ${long / 4} ${-long * 0.8} 0 z`
            }
          />
        </g>
        {water.current > 0.02 && (
          <g className="sit-current">
            <path
              d={`M${MARGIN.left + 40} ${surface + 16} h${-12 - 40 * Math.min(1, water.current)} m0 0 l6 -4 m-6 4 l6 4`}
            />
            <text x={MARGIN.left + 46} y={surface + 20}>
              {format(water.current, 'speed')}
            </text>
          </g>
        )}
        <g className="sit-size">
          <path d={`M14 ${surface} V${bed} M9 ${surface} h10 M9 ${bed} h10`} />
          <text x="22" y={Math.min(HEIGHT - 30, (surface + bed) / 2 + 4)}>
            {format(water.depth, 'depth')}
          </text>
          <text x={(rod + head) / 2} y={MARGIN.top - 14} textAnchor="middle">
            {line} of line, {angle}° at the head
          </text>
          {slope >= 1 && (
            <text x={WIDTH - 8} y={HEIGHT - 8} textAnchor="end">
              slope {format(slope, 'angle')}
            </text>
          )}
        </g>
      </svg>
    </figure>
  );
}
