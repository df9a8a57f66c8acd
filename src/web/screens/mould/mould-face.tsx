import type { PointerEvent } from 'react';
import type { Mould } from '../../../core/document/index.ts';
import { SheetEntities } from '../../drawing/sheet-entities.tsx';
import type { MouldFigures } from '../../workers/make.worker.ts';

interface Props {
  readonly figures: Extract<MouldFigures, { ok: true }>;
  readonly mould: Mould;
  readonly place: number;
  readonly aim: { readonly x: number; readonly z: number } | undefined;
  readonly onAim: (at: { x: number; z: number }) => void;
  readonly onPlace: (place: number) => void;
}

/** The parting face drawn to scale, with what binds, the cuts so far, and the place a cutter is aimed at. */
export function MouldFace({ figures, mould, place, aim, onAim, onPlace }: Props) {
  const { sheet, cavities, origin, face } = figures;
  const { width, height, entities } = sheet;
  const [left, low, wide, high] = face;
  /** A place of a cavity on the drawing: across is z, up is x. */
  const at = (i: number, x: number, z: number): readonly [number, number] => {
    const [dx, dz] = cavities[i]?.shift ?? [0, 0];
    return [origin[0] + z + dz, height - (origin[1] + x + dx)];
  };
  const point = (event: PointerEvent<SVGSVGElement>) => {
    const matrix = event.currentTarget.getScreenCTM();
    if (!matrix) return;
    const { x: u, y: v } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    // The cavity nearest to the hand is the one that is meant.
    let [nearest, least] = [place, Infinity];
    cavities.forEach(({ middle }, i) => {
      const [cu, cv] = at(i, middle.x, middle.z);
      const off = Math.hypot(cu - u, (cv - v) / 2);
      if (off < least) [nearest, least] = [i, off];
    });
    if (nearest !== place) {
      onPlace(nearest);
      return;
    }
    const [dx, dz] = cavities[nearest]?.shift ?? [0, 0];
    const round = (value: number) => Math.round(value * 10) / 10;
    onAim({ x: round(height - v - origin[1] - dx), z: round(u - origin[0] - dz) });
  };
  const own = cavities[place];
  const [ax, ay] = aim ? at(place, aim.x, aim.z) : [0, 0];
  return (
    <svg
      className="shop-svg mould-face"
      viewBox={`${left} ${height - low - high} ${wide} ${high}`}
      role="img"
      aria-label={`Parting face of ${mould.name}, ${cavities.length} ${cavities.length === 1 ? 'cavity' : 'cavities'}`}
      onPointerDown={point}
    >
      <rect data-face x={0} y={0} width={width} height={height} />
      {cavities.map(({ facets }, i) => {
        const d: string[] = [];
        for (let k = 0; k + 8 < facets.length; k += 9) {
          const corner = (n: number) => at(i, facets[k + 3 * n] ?? 0, facets[k + 3 * n + 2] ?? 0);
          const [a, b, c] = [corner(0), corner(1), corner(2)];
          // The two halves' facets lie over each other, turned the other way: turned alike, neither blots the
          // other out.
          const turn = (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);
          const [p, q] = turn > 0 ? [b, c] : [c, b];
          d.push(
            [a, p, q].map(([u, v], n) => `${n === 0 ? 'M' : 'L'}${u.toFixed(2)} ${v.toFixed(2)}`).join(''),
            'Z',
          );
        }
        return <path key={`binds ${i}`} className="mould-binds" d={d.join('')} />;
      })}
      <SheetEntities entities={entities} height={height} />
      {mould.cavities.flatMap(({ cuts }, i) =>
        cuts.map((cut, k) => {
          const [u, v] = at(i, cut.at.x, cut.at.z);
          const [u2, v2] = cut.to ? at(i, cut.to.x, cut.to.z) : [u, v];
          return cut.to ? (
            <line
              key={`${i} ${k}`}
              className="mould-cut"
              x1={u}
              y1={v}
              x2={u2}
              y2={v2}
              strokeWidth={cut.diameter}
              strokeLinecap="round"
              strokeOpacity={0.4}
            />
          ) : (
            <circle key={`${i} ${k}`} className="mould-cut" cx={u} cy={v} r={cut.diameter / 2} />
          );
        }),
      )}
      {aim && own && (
        <path className="mould-aim" d={`M${ax - 4} ${ay}h8M${ax} ${ay - 4}v8`} aria-label="Cutter’s place" />
      )}
    </svg>
  );
}
