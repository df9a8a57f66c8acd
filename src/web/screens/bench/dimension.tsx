import type { PointerEvent } from 'react';
import type { Vec2 } from '../../../core/index.ts';

interface LinearProps {
  readonly from: Vec2;
  readonly to: Vec2;
  /** where the dimension line runs: a y for level ones, an x for upright ones */
  readonly at: number;
  readonly upright?: boolean;
  readonly text: string;
  readonly title: string;
  readonly active?: boolean;
  /** what happens when its figure is grabbed and pulled */
  readonly pull?: {
    readonly onStart: () => void;
    readonly onMove: (from: Vec2, to: Vec2) => void;
    readonly onEnd: () => void;
  };
}

/** Least length of a dimension line whose text fits between its arrows, px. */
const ROOM = 46;

/** A linear dimension with extension lines; the text moves outside where the line is too short for it. */
export function Linear({ from, to, at, upright = false, text, title, active = false, pull }: LinearProps) {
  const pick = (point: Vec2) => (upright ? point[1] : point[0]);
  const [a, b] = [Math.min(pick(from), pick(to)), Math.max(pick(from), pick(to))];
  const [first, second] = pick(from) <= pick(to) ? [from, to] : [to, from];
  const line = (u1: number, v1: number, u2: number, v2: number) =>
    upright ? { x1: v1, y1: u1, x2: v2, y2: u2 } : { x1: u1, y1: v1, x2: u2, y2: v2 };
  const far = (point: Vec2) => (upright ? point[0] : point[1]);
  const beyond = (point: Vec2) => at + Math.sign(at - far(point)) * 4;
  const arrow = 5;
  const middle = (a + b) / 2;
  const inside = b - a >= (upright ? 22 : ROOM);
  const tick = (u: number, way: number) => {
    const points = [
      [u, at],
      [u + way * arrow, at - 2],
      [u + way * arrow, at + 2],
    ].map(([p = 0, q = 0]) => (upright ? `${q},${p}` : `${p},${q}`));
    return <polygon className="dim-arrow" points={points.join(' ')} />;
  };
  const outward = inside ? 1 : -1;
  const place: Vec2 = inside
    ? upright
      ? [at, middle]
      : [middle, at]
    : upright
      ? [at, b + 15]
      : [b + 10, at];
  return (
    <g className="dim" data-active={active}>
      <title>{title}</title>
      <line className="dim-ext" {...line(pick(first), far(first), pick(first), beyond(first))} />
      <line className="dim-ext" {...line(pick(second), far(second), pick(second), beyond(second))} />
      <line className="dim-line" {...line(inside ? a : a - 8, at, inside ? b : b + 8, at)} />
      {tick(a, outward)}
      {tick(b, -outward)}
      <text
        className={pull ? 'dim-text dim-pull' : 'dim-text'}
        onPointerDown={pull && ((event) => startPull(event, pull))}
        x={place[0]}
        y={place[1]}
        textAnchor={inside || upright ? 'middle' : 'start'}
        dominantBaseline="central"
      >
        {text}
      </text>
    </g>
  );
}

/** Follows the pointer from where a figure was grabbed until it is let go. Its grip on the shape itself does the same by keyboard. */
function startPull(
  event: PointerEvent<SVGTextElement>,
  { onStart, onMove, onEnd }: NonNullable<LinearProps['pull']>,
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
