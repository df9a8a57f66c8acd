import { line as lineThrough } from 'd3-shape';
import type { PullFigure, TackleFigure } from '../../../core/judge/index.ts';
import type { Vec2 } from '../../../core/numeric/index.ts';
import { SideFigure } from '../../drawing/side-figure.tsx';
import { useUnits } from '../../data/units.ts';
import type { WetHead } from './tank-kit.ts';
import { extent } from './tank-kit.ts';

const BOX = { width: 300, height: 260 };
const pathOf = (points: readonly Vec2[]): string => lineThrough<Vec2>()([...points]) ?? '';

/** Of the rod’s line the part that is drawn as its thick end, and as its grip, places. */
const BUTT = 14;
const GRIP = 6;

/** The rod from its grip up, bent towards the pull; as it stood behind it. */
export function RodPicture({ tackle }: { readonly tackle: TackleFigure }) {
  const { format } = useUnits();
  const length = Math.hypot(...(tackle.rod.at(-1) ?? [1, 0]));
  const reach = Math.max(length, 2.1);
  const k = (BOX.height - 70) / reach;
  const [x0, y0] = [56, BOX.height - 24];
  const place = ([up, off]: Vec2): Vec2 => [x0 + off * k, y0 - up * k];
  const rod = tackle.rod.map(place);
  const tip = rod.at(-1) ?? [x0, y0];
  return (
    <figure className="pull-part">
      <svg viewBox={`0 0 ${BOX.width} ${BOX.height}`} role="img" aria-label="The rod">
        <line className="pull-before" x1={x0} y1={y0} x2={x0} y2={y0 - reach * k} />
        <path className="pull-rod" d={pathOf(rod)} />
        <path className="pull-rod pull-butt" d={pathOf(rod.slice(0, BUTT))} />
        <path className="pull-grip" d={pathOf(rod.slice(0, GRIP))} />
        {!tackle.isParted && (
          <>
            <line className="pull-line" x1={tip[0]} y1={tip[1]} x2={BOX.width} y2={tip[1]} />
            <path className="pull-arrow" d={`M${BOX.width - 18} ${tip[1] - 6}l12 6l-12 6`} />
          </>
        )}
      </svg>
      <figcaption>
        <b>Rod</b> {tackle.isParted ? 'stands free' : `its tip gives ${format(tackle.tip, 'depth')}`}
      </figcaption>
    </figure>
  );
}

/** The line as long as it was and as much longer as it is, thinner as it nears what it bears. */
export function LinePicture({ tackle, test }: { readonly tackle: TackleFigure; readonly test: number }) {
  const { format } = useUnits();
  const { stretch, length, isParted, pull } = tackle;
  const wide = BOX.width - 40;
  const k = wide / (1.3 * length);
  const [left, was, is] = [20, 20 + length * k, 20 + (length + stretch) * k];
  const y = BOX.height / 2;
  const share = Math.min(1, pull / test);
  return (
    <figure className="pull-part">
      <svg viewBox={`0 0 ${BOX.width} ${BOX.height}`} role="img" aria-label="The line">
        <line className="pull-before" x1={was} x2={was} y1={y - 46} y2={y + 46} />
        {isParted ? (
          <path
            className="pull-strand pull-broken"
            d={`M${left} ${y}L${(left + was) / 2 - 14} ${y}q6 -10 10 -2M${(left + was) / 2 + 14} ${y + 6}q-6 8 -9 -2M${(left + was) / 2 + 14} ${y + 6}L${was} ${y}`}
          />
        ) : (
          <>
            <line className="pull-strand" x1={left} x2={was} y1={y} y2={y} />
            <line className="pull-strand pull-longer" x1={was} x2={is} y1={y} y2={y} />
          </>
        )}
        <rect className="pull-gauge" x={left} y={BOX.height - 44} width={wide} height={12} />
        <rect
          className={share < 1 ? 'pull-share' : 'pull-share pull-over'}
          x={left}
          y={BOX.height - 44}
          width={wide * share}
          height={12}
        />
        <text className="tank-tick" x={left} y={BOX.height - 16}>
          {Math.round(100 * share)}% of what it bears
        </text>
        <text className="tank-tick" x={left} y={y - 56}>
          {format(length, 'depth')}
        </text>
      </svg>
      <figcaption>
        <b>Line</b> {isParted ? 'parted' : `${format(stretch, 'depth')} longer`}
      </figcaption>
    </figure>
  );
}

/** A head with its hook as it is pulled, and as it stood behind it. */
export function PulledHead({
  head,
  figure,
  step,
  isParted,
}: {
  readonly head: WetHead;
  readonly figure: PullFigure;
  readonly step: number;
  /** the line there is bears less */
  readonly isParted: boolean;
}) {
  const { drawing, metal, name } = head;
  const { shapes, held } = figure;
  const last = shapes.at(-1);
  // Beyond the last shape that is found it has opened altogether.
  const isGone = step >= shapes.length;
  const shape = shapes[step] ?? last;
  const before = shapes[0];
  const all = [drawing.side, drawing.hook, ...shapes.map(({ wire }) => wire), [drawing.eye.at]].flat();
  const { left, right, low, high } = extent(all);
  const k = Math.min((BOX.width - 40) / (right - left), (BOX.height - 40) / (high - low));
  // The line comes from the left: the eye stands there, the bend to the right.
  const place = ([x, z]: Vec2): Vec2 => [
    BOX.width / 2 - (x - (left + right) / 2) * k,
    BOX.height / 2 - (z - (low + high) / 2) * k,
  ];
  const [tx, ty] = place(figure.tie);
  const hook = shape ? [...held, ...shape.wire] : drawing.hook;
  return (
    <figure className="pull-part">
      <svg viewBox={`0 0 ${BOX.width} ${BOX.height}`} role="img" aria-label={`Hook of ${name}`}>
        <line className="pull-line" x1={0} x2={tx} y1={ty} y2={ty} />
        {before && (
          <path
            className="pull-ghost"
            d={pathOf([...held, ...before.wire].map(place))}
            strokeWidth={figure.wire * k}
          />
        )}
        <SideFigure
          drawing={{ ...drawing, hook, guard: undefined, keeper: [] }}
          metal={metal}
          k={k}
          place={place}
          plain
        />
      </svg>
      <figcaption>
        <b>{name}</b>{' '}
        {shape
          ? `${isParted ? 'on a line that bears it: ' : ''}${hookSaid(shape, isGone)}`
          : 'no wire stands out of the metal'}
      </figcaption>
    </figure>
  );
}

/** Share of its gap up to which a hook that is let go counts as what it was. */
const AS_BEFORE = 1.001;

function hookSaid(
  { gap, gapAfter }: { readonly gap: number; readonly gapAfter: number },
  isGone: boolean,
): string {
  if (isGone) return 'opened: it slips free';
  const wider = Math.round(100 * (gap - 1));
  const stays = Math.round(100 * (gapAfter - 1));
  if (gapAfter < AS_BEFORE) return wider < 1 ? 'keeps its shape' : `gap ${wider}% wider, and springs back`;
  return `gap ${wider}% wider, and stays ${stays < 1 ? 'a little' : `${stays}%`} wider`;
}
