import type { Vec2 } from '../../core/numeric/index.ts';
import type { Plastic } from '../../core/plastic/index.ts';
import { plasticFigure } from '../../core/plastic/index.ts';
import { pathOf } from './path.ts';

/** A plastic by itself, its nose at the origin and its tail to the left, drawn to scale. */
export function PlasticFigure({
  plastic,
  view,
  place,
}: {
  readonly plastic: Plastic;
  readonly view: 'side' | 'top';
  readonly place: (point: Vec2) => Vec2;
}) {
  const { body, limbs } = plasticFigure(plastic, view);
  return (
    <g className="plastic-figure">
      {limbs.map((limb, i) => (
        <path key={i} className="plastic-limb" d={pathOf(limb, place)} />
      ))}
      <path className="plastic-edge" d={pathOf(body, place)} />
    </g>
  );
}
