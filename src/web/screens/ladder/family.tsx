import { useUnits } from '../../data/units.ts';
import { SideFigure } from '../../drawing/side-figure.tsx';
import type { RungFigure } from '../../workers/judge.worker.ts';

/**
 * The same for every family, so that what is below does not move away under the hand when the rungs change.
 */
const BOX = { width: 1240, height: 210, foot: 50, gap: 14 };

/** All rungs side by side, to one scale. */
export function Family({ rungs }: { readonly rungs: readonly RungFigure[] }) {
  const { format } = useUnits();
  const drawn = rungs.flatMap(({ judged, made, grams, hook }) =>
    judged.ok ? [{ drawing: judged.drawing, metal: made.head.metal, grams, hook }] : [],
  );
  if (drawn.length === 0)
    return <p className="ladder-none">None of the rungs can be built. The reasons are below.</p>;
  const boxes = drawn.map(({ drawing }) => {
    const points = [
      ...drawing.side,
      ...drawing.hook,
      [drawing.eye.at[0] + drawing.eye.radius, drawing.eye.top] as const,
    ];
    const us = points.map(([u]) => u);
    const vs = points.map(([, v]) => v);
    return {
      left: Math.min(...us) - 1,
      right: Math.max(...us) + 1,
      low: Math.min(...vs) - 1,
      high: Math.max(...vs) + 1,
    };
  });
  const wide = boxes.reduce((sum, { left, right }) => sum + right - left, 0);
  const [low, high] = [Math.min(...boxes.map((box) => box.low)), Math.max(...boxes.map((box) => box.high))];
  const k = Math.min(
    (BOX.width - BOX.gap * (drawn.length + 1)) / wide,
    (BOX.height - BOX.foot) / (high - low),
  );
  const top = (BOX.height - BOX.foot - (high - low) * k) / 2;
  const starts = boxes.reduce<number[]>(
    (all, { left, right }) => [...all, (all.at(-1) ?? 0) + (right - left) * k + BOX.gap],
    [BOX.gap],
  );
  return (
    <svg
      className="ladder-family"
      viewBox={`0 0 ${BOX.width} ${BOX.height}`}
      role="img"
      aria-label={`${drawn.length} weights to one scale`}
    >
      {drawn.map(({ drawing, metal, grams, hook }, i) => {
        const box = boxes[i];
        const start = starts[i] ?? 0;
        return (
          box && (
            <g key={i}>
              <SideFigure
                drawing={drawing}
                k={k}
                metal={metal}
                place={([u, v]) => [start + (u - box.left) * k, 12 + top + (high - v) * k]}
              />
              <text
                className="ladder-weight"
                x={start + ((box.right - box.left) * k) / 2}
                y={BOX.height - 20}
                textAnchor="middle"
              >
                {format(grams, 'mass')}
              </text>
              <text
                className="ladder-size"
                x={start + ((box.right - box.left) * k) / 2}
                y={BOX.height - 5}
                textAnchor="middle"
              >
                {hook}
              </text>
            </g>
          )
        );
      })}
    </svg>
  );
}
