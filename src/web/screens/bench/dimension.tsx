import type { PointerEvent } from 'react';
import type { Vec2 } from '../../../core/numeric/index.ts';
import type { Run } from './figure.ts';
import { figureAt, figureLines, figureSize } from './figure.ts';

const ARROW = 5;

/**
 * The extension lines, the line and the arrows of a dimension; the arrows point in from outside where the
 * line is short.
 */
export function DimensionLines({ run: { at, upright, short, ...ends } }: { readonly run: Run }) {
  const pick = (point: Vec2) => (upright ? point[1] : point[0]);
  const [first, second] = pick(ends.a) <= pick(ends.b) ? [ends.a, ends.b] : [ends.b, ends.a];
  const [a, b] = [pick(first), pick(second)];
  const line = (u1: number, v1: number, u2: number, v2: number) =>
    upright ? { x1: v1, y1: u1, x2: v2, y2: u2 } : { x1: u1, y1: v1, x2: u2, y2: v2 };
  const far = (point: Vec2) => (upright ? point[0] : point[1]);
  const beyond = (point: Vec2) => at + Math.sign(at - far(point)) * 4;
  const tick = (u: number, way: number) => {
    const points = [
      [u, at],
      [u + way * ARROW, at - 2],
      [u + way * ARROW, at + 2],
    ].map(([p = 0, q = 0]) => (upright ? `${q},${p}` : `${p},${q}`));
    return <polygon className="dim-arrow" points={points.join(' ')} />;
  };
  const outward = short ? -1 : 1;
  return (
    <>
      <line className="dim-ext" {...line(a, far(first), a, beyond(first))} />
      <line className="dim-ext" {...line(b, far(second), b, beyond(second))} />
      <line className="dim-line" {...line(short ? a - 8 : a, at, short ? b + 8 : b, at)} />
      {tick(a, outward)}
      {tick(b, -outward)}
    </>
  );
}

interface FigureProps {
  readonly run: Run;
  readonly text: string;
  readonly title: string;
  /** what happens when it is grabbed and pulled */
  readonly pull?: {
    readonly onStart: () => void;
    readonly onMove: (from: Vec2, to: Vec2) => void;
    readonly onEnd: () => void;
  };
}

/** The figure of a dimension. Drawn after the lines of all of them, so that none runs through it. */
export function DimensionFigure({ run, text, title, pull }: FigureProps) {
  const { x, y, anchor } = figureAt(run);
  const lines = figureLines(text, run.upright);
  const { high } = figureSize(text, run.upright);
  return (
    <g>
      <title>{title}</title>
      <text
        className={pull ? 'dim-text dim-pull' : 'dim-text'}
        onPointerDown={pull && ((event) => startPull(event, pull))}
        textAnchor={anchor}
        dominantBaseline="central"
      >
        {lines.map((part, i) => (
          <tspan key={i} x={x} y={y + ((i + 0.5) / lines.length - 0.5) * high}>
            {part}
          </tspan>
        ))}
      </text>
    </g>
  );
}

/**
 * Follows the pointer from where a figure was grabbed until it is let go. Its grip on the shape itself does
 * the same by keyboard.
 */
function startPull(
  event: PointerEvent<SVGTextElement>,
  { onStart, onMove, onEnd }: NonNullable<FigureProps['pull']>,
): void {
  const svg = event.currentTarget.ownerSVGElement;
  if (event.button !== 0 || !svg) return;
  event.preventDefault();
  const box = svg.getBoundingClientRect();
  const at = (e: { clientX: number; clientY: number }): Vec2 => [e.clientX - box.left, e.clientY - box.top];
  const from = at(event);
  let isPulled = false;
  const move = (next: globalThis.PointerEvent) => {
    const to = at(next);
    if (!isPulled && Math.hypot(to[0] - from[0], to[1] - from[1]) < 2) return;
    if (!isPulled) onStart();
    isPulled = true;
    onMove(from, to);
  };
  // On the window: the figure itself is drawn anew while it is pulled.
  const stop = () => {
    window.removeEventListener('pointermove', move);
    window.removeEventListener('pointerup', stop);
    window.removeEventListener('pointercancel', stop);
    if (isPulled) onEnd();
  };
  window.addEventListener('pointermove', move);
  window.addEventListener('pointerup', stop);
  window.addEventListener('pointercancel', stop);
}
