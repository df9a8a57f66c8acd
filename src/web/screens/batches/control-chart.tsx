import type { CavityVerdict } from '../../../core/make/index.ts';

/** One cavity's pieces in the order poured, with its own limits and the band wanted. */
export function ControlChart({
  verdict: { weights, chart, rejects, cavity },
  low,
  high,
}: {
  readonly verdict: CavityVerdict;
  readonly low: number;
  readonly high: number;
}) {
  const [width, height, pad] = [220, 46, 4];
  const values = [...weights, low, high, ...(chart ? [chart.low, chart.high] : [])];
  const [least, most] = [Math.min(...values), Math.max(...values)];
  const y = (g: number) => height - pad - ((g - least) / (most - least || 1)) * (height - 2 * pad);
  const x = (i: number) => pad + (i / Math.max(1, weights.length - 1)) * (width - 2 * pad);
  const outside = new Set([...rejects, ...(chart?.beyond ?? [])]);
  return (
    <svg
      className="control"
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={`Cavity ${cavity}: ${weights.length} pieces, ${outside.size} beyond a limit`}
    >
      <rect
        className="control-target"
        x={0}
        y={y(high)}
        width={width}
        height={Math.max(0, y(low) - y(high))}
      />
      {chart && (
        <>
          <line className="control-centre" x1={0} x2={width} y1={y(chart.centre)} y2={y(chart.centre)} />
          <line className="control-limit" x1={0} x2={width} y1={y(chart.low)} y2={y(chart.low)} />
          <line className="control-limit" x1={0} x2={width} y1={y(chart.high)} y2={y(chart.high)} />
        </>
      )}
      <polyline className="control-line" points={weights.map((g, i) => `${x(i)},${y(g)}`).join(' ')} />
      {weights.map((g, i) =>
        outside.has(i) ? (
          <path key={i} className="control-out" d={`M${x(i)} ${y(g) - 4}l4 4l-4 4l-4 -4z`} />
        ) : (
          <circle key={i} className="control-dot" cx={x(i)} cy={y(g)} r={2} />
        ),
      )}
    </svg>
  );
}
