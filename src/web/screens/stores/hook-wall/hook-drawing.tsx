import type { HookPicture } from '../../../../core/hook/index.ts';
import type { Vec2 } from '../../../../core/numeric/index.ts';
import { pathOf } from '../../../drawing/path.ts';
import { useUnits } from '../../../data/units.ts';

/** Turns mm of a picture, up being up, into px of a drawing whose box is given. */
export const placer =
  ([low, high]: HookPicture['box'], k: number, margin: number) =>
  ([x, z]: Vec2): Vec2 => [(x - low[0]) * k + margin, (high[1] - z) * k + margin];

/** The wire and eye of a hook, at a scale. */
export function HookLines({
  picture,
  at,
  k,
  className,
}: {
  readonly picture: HookPicture;
  readonly at: (point: Vec2) => Vec2;
  readonly k: number;
  readonly className: string;
}) {
  const [u, v] = at(picture.eye.at);
  return (
    <g className={className} fill="none" strokeWidth={picture.wire * k}>
      <path d={pathOf(picture.centre, at, false)} />
      <circle cx={u} cy={v} r={picture.eye.radius * k} />
    </g>
  );
}

/** A dimension: its line with a tick at either end, and its figure beside it. */
function Dimension({ from, to, text }: { readonly from: Vec2; readonly to: Vec2; readonly text: string }) {
  const isUpright = Math.abs(to[1] - from[1]) > Math.abs(to[0] - from[0]);
  const [u, v] = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];
  const tick = ([x, y]: Vec2) => (isUpright ? `M${x - 3} ${y}h6` : `M${x} ${y - 3}v6`);
  return (
    <g className="hook-size">
      <path d={`${pathOf([from, to], (point) => point, false)}${tick(from)}${tick(to)}`} />
      {isUpright ? (
        <text x={u + 5} y={v + 4}>
          {text}
        </text>
      ) : (
        <text x={u} y={v + 13} textAnchor="middle">
          {text}
        </text>
      )}
    </g>
  );
}

/** Room about a drawing, below it and beside it for its figures, px. */
const [MARGIN, BELOW, BESIDE] = [6, 24, 68];

/** What a hook measures, as it is written. */
function useSizes({ gap, shank, bend, wire }: HookPicture) {
  const { format } = useUnits();
  return {
    gap: format(gap[1][1] - gap[0][1], 'size'),
    shank: format(shank[1][0] - shank[0][0], 'size'),
    bend: format(bend[1][0] - bend[0][0], 'size'),
    wire: format(wire, 'size'),
  };
}

/** A hook with its gap and shank, drawn to a scale (px a mm). */
export function HookDrawing({ picture, k }: { readonly picture: HookPicture; readonly k: number }) {
  const sizes = useSizes(picture);
  const { box, gap, shank } = picture;
  const at = placer(box, k, MARGIN);
  const [low, high] = box;
  const [wide, deep] = [(high[0] - low[0]) * k + 2 * MARGIN, (high[1] - low[1]) * k + 2 * MARGIN];
  const foot = deep + 4;
  const [bottom, top] = [at(gap[0]), at(gap[1])];
  return (
    <svg
      width={wide + BESIDE}
      height={deep + BELOW}
      role="img"
      aria-label={`Gap ${sizes.gap}, straight shank ${sizes.shank}`}
    >
      <path
        className="hook-lead"
        d={`M${top[0]} ${top[1]}H${wide + 6}M${bottom[0]} ${bottom[1]}H${wide + 6}`}
      />
      <HookLines picture={picture} at={at} k={k} className="hook-wire" />
      <Dimension from={[wide + 2, top[1]]} to={[wide + 2, bottom[1]]} text={sizes.gap} />
      <Dimension from={[at(shank[0])[0], foot]} to={[at(shank[1])[0], foot]} text={sizes.shank} />
    </svg>
  );
}

/** What a drawing has no room for. */
export function HookSizes({ picture }: { readonly picture: HookPicture }) {
  const { bend, wire } = useSizes(picture);
  return (
    <small>
      bend {bend}, wire {wire}
    </small>
  );
}
