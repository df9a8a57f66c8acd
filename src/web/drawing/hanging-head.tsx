import type { Drawing } from '../../core/plate/index.ts';
import { hangingReach, hung } from '../../core/plate/index.ts';
import { SideFigure } from './side-figure.tsx';

/** Extent of a drawing hung by its eye, px from the eye. */
export function hangingBox(drawing: Drawing, attitude: number, k: number) {
  const [left, right, below] = hangingReach(drawing, attitude);
  return boxOfReach([left, right, below], drawing.wire, k);
}

/** The same from a reach in mm. */
export function boxOfReach([left, right, below]: readonly [number, number, number], wire: number, k: number) {
  const margin = wire * k + 2;
  return { left: -left * k - margin, right: right * k + margin, bottom: below * k + margin };
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
  const turn = hung(drawing, attitude);
  return (
    <svg width={width} height={height} className="hanging" aria-hidden="true" focusable="false">
      <line className="hang-line" x1={centre} y1={0} x2={centre} y2={drop} />
      <SideFigure
        drawing={drawing}
        k={k}
        metal={metal}
        plain={k < 6}
        {...(drawing.hinge ? { hang: attitude } : {})}
        place={(point) => {
          const [x, y] = turn(point);
          return [x * k + centre, y * k + drop];
        }}
      />
    </svg>
  );
}
