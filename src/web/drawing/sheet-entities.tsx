import { localised } from '../data/locale.ts';
import type { Entity } from '../../core/plate/entities.ts';

/** What stands on a sheet, as SVG with y down; `height` is the sheet's, mm. */
export function SheetEntities({
  entities,
  height,
}: {
  readonly entities: readonly Entity[];
  readonly height: number;
}) {
  const y = (v: number) => height - v;
  return (
    <g className="sheet">
      {entities.map((entity, i) => {
        if (entity.kind === 'circle')
          return (
            <circle
              key={i}
              className={`sheet-${entity.layer}`}
              cx={entity.at[0]}
              cy={y(entity.at[1])}
              r={entity.radius}
            />
          );
        if (entity.kind === 'text')
          return (
            <text
              key={i}
              className={`sheet-${entity.layer}`}
              x={entity.at[0]}
              y={y(entity.at[1])}
              fontSize={entity.height}
              textAnchor={entity.anchor}
              transform={entity.turned ? `rotate(-90 ${entity.at[0]} ${y(entity.at[1])})` : undefined}
            >
              {localised(entity.text)}
            </text>
          );
        const d =
          entity.points
            .map(([u, v], k) => `${k === 0 ? 'M' : 'L'}${u.toFixed(3)} ${y(v).toFixed(3)}`)
            .join('') + (entity.closed ? 'Z' : '');
        return (
          <g key={i}>
            {entity.width && <path className="sheet-pipe" d={d} strokeWidth={entity.width} />}
            <path className={`sheet-${entity.layer}`} d={d} />
          </g>
        );
      })}
    </g>
  );
}
