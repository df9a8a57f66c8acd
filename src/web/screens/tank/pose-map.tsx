import type { PoseFigure } from '../../../core/judge/index.ts';

const R = 96;

/**
 * Where the point looks in each pose, on the sphere seen from over the point (Lambert's equal-area map): the
 * middle is point up, the rim point down; a disc for each pose, as large as the share of landings that end in
 * it.
 */
export function PoseMap({ poses }: { readonly poses: readonly PoseFigure[] }) {
  const shown = poses.filter(({ landed, share }) => landed > 0.004 || share > 0.01);
  return (
    <figure className="tank-map">
      <svg
        viewBox={`${-R - 8} ${-R - 8} ${2 * R + 16} ${2 * R + 16}`}
        role="img"
        aria-label="Poses and the landings that end in them"
      >
        <circle className="map-rim" r={R} />
        <circle className="map-level" r={R / Math.SQRT2} />
        {shown.map(({ down, landed, share }, i) => {
          const up = [-down[0], -down[1], -down[2]] as const;
          const r = R * Math.sqrt(Math.max(0, (1 - up[2]) / 2));
          const turn = Math.atan2(up[0], up[1]);
          const [x, y] = [r * Math.cos(turn), -r * Math.sin(turn)];
          return (
            <g key={i}>
              <circle className="map-any" cx={x} cy={y} r={26 * Math.sqrt(share)} />
              <circle className="map-fall" cx={x} cy={y} r={26 * Math.sqrt(landed)} />
              {landed > 0.05 && (
                <text x={x} y={y + 4} textAnchor="middle">
                  {Math.round(landed * 100)}%
                </text>
              )}
            </g>
          );
        })}
      </svg>
      <figcaption>
        Poses: middle point up, ring on its side, rim point down. Full discs from the fall, open ones from
        anywhere.
      </figcaption>
    </figure>
  );
}
