import type { DrawnEdge } from '../../core/head/index.ts';
import type { Vec2 } from '../../core/numeric/index.ts';
import type { Drawing } from '../../core/plate/index.ts';
import { hangingHook } from '../../core/plate/index.ts';
import { pathOf } from './path.ts';

interface Props {
  readonly drawing: Drawing;
  /** places a point of the side view (mm, z up) on the sheet (px, y down) */
  readonly place: (point: Vec2) => Vec2;
  /** px per mm */
  readonly k: number;
  /** metal key, for the fill */
  readonly metal: string;
  readonly outlineOnly?: boolean;
  /** x (mm) behind which hook, keeper and guard are left away: a head with a stub of its shank */
  readonly cutAt?: number;
  /** a hinged hook hangs by this attitude of the head, degrees; straight back where absent */
  readonly hang?: number;
  /** edges inside the outline are left away: too fine for a small figure */
  readonly plain?: boolean;
}

/**
 * Fill class of a metal: each has its own tone and its own hatching, so that none is told by colour alone.
 */
export const metalClass = (key: string): string => `metal-${key.split('-')[0]}`;

/** A head from the side with hook, eye, keeper and guard, drawn from the real geometry. */
export function SideFigure({
  drawing,
  place,
  k,
  metal,
  outlineOnly = false,
  cutAt,
  hang,
  plain = false,
}: Props) {
  const { eye, keeper, hinge } = drawing;
  const guard = cutAt === undefined ? drawing.guard : undefined;
  const swung = hang === undefined ? drawing.hook : hangingHook(drawing, hang);
  const cut = cutAt === undefined ? -1 : swung.findIndex(([x]) => x < cutAt);
  const hook = cut < 0 ? swung : swung.slice(0, cut);
  const [ex, ey] = place(eye.at);
  const along = place([eye.at[0] + eye.along[0] * eye.radius, eye.at[1] + eye.along[1] * eye.radius]);
  const back = place([eye.at[0] - eye.along[0] * eye.radius, eye.at[1] - eye.along[1] * eye.radius]);
  const className = outlineOnly ? 'fig-outline' : `fig-metal ${metalClass(metal)}`;
  return (
    <g className="fig">
      {guard && <GuardLines guard={guard} place={place} k={k} />}
      <path className="fig-wire" d={pathOf(hook, place, false)} strokeWidth={drawing.wire * k} />
      {cutAt === undefined && hang === undefined && <Barb drawing={drawing} place={place} />}
      {hinge && (
        <>
          <path className="fig-wire" d={pathOf(hinge.wire, place, false)} strokeWidth={drawing.wire * k} />
          {(hang === undefined ? hinge.rings : hinge.rings.slice(0, -1)).map((ring, i) => {
            const [x, y] = place(ring.at);
            return (
              <circle
                key={i}
                className="fig-wire"
                cx={x}
                cy={y}
                r={ring.radius * k}
                strokeWidth={ring.wire * k}
              />
            );
          })}
        </>
      )}
      {keeper.map(({ side, wire }, i) => (
        <path key={i} className="fig-wire fig-keeper" d={pathOf(side, place, false)} strokeWidth={wire * k} />
      ))}
      {drawing.collar && <path className={className} d={pathOf(drawing.collar, place)} />}
      <path className={className} d={pathOf(drawing.side, place)} />
      {!plain && <Edges edges={drawing.edges.side} place={place} />}
      {eye.crosswise ? (
        <line
          className="fig-wire"
          x1={back[0]}
          y1={back[1]}
          x2={along[0]}
          y2={along[1]}
          strokeWidth={eye.wire * k}
        />
      ) : (
        <circle className="fig-wire" cx={ex} cy={ey} r={eye.radius * k} strokeWidth={eye.wire * k} />
      )}
    </g>
  );
}

/** Edges that features leave inside an outline; hidden ones dashed. */
export function Edges({
  edges,
  place,
}: {
  readonly edges: readonly DrawnEdge[];
  readonly place: Props['place'];
}) {
  return edges.map(({ path, hidden }, i) => (
    <path
      key={i}
      className={hidden ? 'fig-edge fig-edge-hidden' : 'fig-edge'}
      d={pathOf(path, place, false)}
    />
  ));
}

/** The barb and the point, a little wedge on the inside of the point leg. */
/** The point and its barb, the way the wire ends. */
function Barb({ drawing: { hook, wire }, place }: Pick<Props, 'drawing' | 'place'>) {
  const [before, tip] = hook.slice(-2);
  if (!before || !tip) return null;
  const length = Math.hypot(tip[0] - before[0], tip[1] - before[1]) || 1;
  const [c, s] = [(tip[0] - before[0]) / length, (tip[1] - before[1]) / length];
  const points = (
    [
      [1.6, 0.35],
      [-1.5, 0.5],
      [-3.2, -1.1],
      [-1.2, -0.5],
    ] as const
  ).map(([along, off]): Vec2 => [
    tip[0] + wire * (along * c - off * s),
    tip[1] + wire * (along * s + off * c),
  ]);
  return <path className="fig-point" d={pathOf(points, place)} />;
}

function GuardLines({
  guard,
  place,
  k,
}: {
  readonly guard: NonNullable<Drawing['guard']>;
  readonly place: Props['place'];
  readonly k: number;
}) {
  if (guard.drawnAs === 'strands') {
    return guard.strands.map(({ side, wire }, i) => (
      <path
        key={i}
        className="fig-strand"
        d={pathOf(side, place, false)}
        strokeWidth={Math.max(0.8, wire * k)}
      />
    ));
  }
  const [dx, dz] = [guard.end[0] - guard.base[0], guard.end[1] - guard.base[1]];
  const length = Math.hypot(dx, dz) || 1;
  const [nx, nz] = [-dz / length, dx / length];
  const strands = 7;
  return (
    <g className="fig-guard" strokeWidth={Math.max(0.6, 0.3 * k)}>
      {Array.from({ length: strands }, (_, i) => {
        const off = ((i / (strands - 1)) * 2 - 1) * guard.radius;
        // Seen from the side the bundle opens only a little; its fan is sideways.
        const [x1, y1] = place([guard.base[0] + nx * off, guard.base[1] + nz * off]);
        const [x2, y2] = place([guard.end[0] + nx * off * 1.5, guard.end[1] + nz * off * 1.5]);
        return <line key={i} x1={x1} y1={y1} x2={x2} y2={y2} />;
      })}
    </g>
  );
}

/** Hatchings that tell metals apart; once on a page. */
export function MetalPatterns() {
  return (
    <svg width="0" height="0" className="patterns" aria-hidden="true" focusable="false">
      <defs>
        <pattern
          id="hatch-tungsten"
          width="5"
          height="5"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <rect width="5" height="5" className="hatch-ground-tungsten" />
          <line x1="0" y1="0" x2="0" y2="5" className="hatch-line" />
        </pattern>
        <pattern id="hatch-bismuth" width="6" height="6" patternUnits="userSpaceOnUse">
          <rect width="6" height="6" className="hatch-ground-bismuth" />
          <circle cx="1.5" cy="1.5" r="0.8" className="hatch-dot" />
          <circle cx="4.5" cy="4.5" r="0.8" className="hatch-dot" />
        </pattern>
        <pattern id="hatch-other" width="6" height="6" patternUnits="userSpaceOnUse">
          <rect width="6" height="6" className="hatch-ground-bismuth" />
          <line x1="0" y1="3" x2="6" y2="3" className="hatch-line" />
        </pattern>
      </defs>
    </svg>
  );
}
