import type { Drawing } from '../../../core/plate/index.ts';
import { SideFigure } from '../../drawing/side-figure.tsx';

/** Room of the picture, px, and what of it the head may fill. */
const [WIDTH, HEIGHT] = [640, 220];
const [FILLED, HIGH] = [600, 190];
/** Room left about the head, mm. */
const ROOM = 4;

/** The head as its measurements make it, from the side. */
export function MeasuredFigure({
  drawing,
  metal,
  label,
}: {
  readonly drawing: Drawing | undefined;
  readonly metal: string;
  readonly label: string;
}) {
  // Its room is there from the first: what stands under it must not move away from the hand.
  if (!drawing)
    return <svg className="shop-svg take-figure" viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden="true" />;
  const points = [...drawing.side, ...drawing.hook, [drawing.eye.at[0], drawing.eye.top] as const];
  const xs = points.map(([x]) => x);
  const zs = points.map(([, z]) => z);
  const [left, right, low, high] = [Math.min(...xs), Math.max(...xs), Math.min(...zs), Math.max(...zs)];
  const scale = Math.min(FILLED / (right - left + ROOM), HIGH / (high - low + ROOM));
  return (
    <svg className="shop-svg take-figure" viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="img" aria-label={label}>
      <SideFigure
        drawing={drawing}
        k={scale}
        metal={metal}
        place={([x, z]) => [
          WIDTH / 2 + (x - (left + right) / 2) * scale,
          HEIGHT / 2 - (z - (low + high) / 2) * scale,
        ]}
      />
    </svg>
  );
}
