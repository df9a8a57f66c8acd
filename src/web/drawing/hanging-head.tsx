import type { Drawing, Vec2 } from '../../core/index.ts';
import { SideFigure } from './side-figure.tsx';

/** Extent of a drawing hung by its eye, px from the eye. */
export function hangingBox(drawing: Drawing, attitude: number, k: number) {
  const turn = turned(drawing, attitude, k);
  const points = [...drawing.side, ...drawing.hook, ...(drawing.guard ? [drawing.guard.end] : [])].map(turn);
  const xs = points.map(([x]) => x);
  const ys = points.map(([, y]) => y);
  const margin = drawing.wire * k + 2;
  return {
    left: Math.min(0, ...xs) - margin,
    right: Math.max(0, ...xs) + margin,
    top: Math.min(0, ...ys) - margin,
    bottom: Math.max(0, ...ys) + margin,
  };
}

/** Turns the side view about the eye by its hang (degrees, nose down positive) and puts the eye at the origin. */
function turned(drawing: Drawing, attitude: number, k: number): (point: Vec2) => Vec2 {
  const angle = (attitude * Math.PI) / 180;
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const [ex, ez] = drawing.eye.at;
  return ([x, z]) => {
    const [dx, dz] = [x - ex, z - ez];
    // Nose down turns clockwise on the sheet, whose y runs down.
    return [(dx * c + dz * s) * k, (dx * s - dz * c) * k];
  };
}

interface Props {
  readonly drawing: Drawing;
  readonly attitude: number;
  readonly k: number;
  readonly metal: string;
  /** length of line above the eye, px */
  readonly drop: number;
  readonly width: number;
  readonly height: number;
}

/** A head hanging from the bar in its true attitude, to scale. */
export function HangingHead({ drawing, attitude, k, metal, drop, width, height }: Props) {
  const box = hangingBox(drawing, attitude, k);
  // The line stays in the middle unless head or hook would leave the card.
  const centre = Math.min(width - box.right, Math.max(-box.left, width / 2));
  const turn = turned(drawing, attitude, k);
  return (
    <svg width={width} height={height} className="hanging" aria-hidden="true" focusable="false">
      <line className="hang-line" x1={centre} y1={0} x2={centre} y2={drop} />
      <SideFigure
        drawing={drawing}
        k={k}
        metal={metal}
        place={(point) => {
          const [x, y] = turn(point);
          return [x + centre, y + drop];
        }}
      />
    </svg>
  );
}
