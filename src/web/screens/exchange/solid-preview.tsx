import type { Design } from '../../../core/document/index.ts';
import type { Vec2 } from '../../../core/numeric/index.ts';
import { useUnits } from '../../data/units.ts';
import { boundsOf, fitScale } from '../../drawing/bounds.ts';
import { pathOf } from '../../drawing/path.ts';
import { SideFigure } from '../../drawing/side-figure.tsx';
import { Loading } from '../../parts/states.tsx';
import type { Judged } from '../../workers/judge.worker.ts';

interface Props {
  readonly made: { readonly design: Design; readonly judged: Judged } | undefined;
  /** why it cannot be placed so; empty where it can */
  readonly reason: string;
}

/** The solid on its hook with what it comes to, or why it cannot be. */
export function Placed({ made, reason }: Props) {
  const { format } = useUnits();
  return (
    <>
      {made?.judged.ok ? (
        <>
          <Preview drawing={made.judged.drawing} />
          <p>
            {format(made.judged.readings['head.length']?.value ?? NaN, 'size')} long,{' '}
            {format(made.judged.readings['head.breadth']?.value ?? NaN, 'size')} broad,{' '}
            {format(made.judged.readings['head.height']?.value ?? NaN, 'size')} high;{' '}
            <b>{format(made.judged.readings['mass.metal']?.value ?? NaN, 'mass')}</b> in lead on a{' '}
            {made.design.hook.size}.
          </p>
        </>
      ) : (
        !reason && <Loading what="the drawing" />
      )}
      {reason && (
        <p className="field-said" role="alert">
          {reason}
        </p>
      )}
    </>
  );
}

const BOX = { width: 330, height: 210 };

function Preview({ drawing }: { readonly drawing: Parameters<typeof SideFigure>[0]['drawing'] }) {
  const points = [...drawing.side, ...drawing.hook, drawing.eye.at];
  const { left, right, low, high } = boundsOf(points, 2);
  const k = fitScale({ left, right, low, high }, BOX);
  const place = ([x, z]: Vec2): Vec2 => [(x - left) * k, (high - z) * k];
  return (
    <svg width={BOX.width} height={BOX.height} role="img" aria-label="The solid on its hook, from the side">
      <SideFigure drawing={drawing} place={place} k={k} metal="lead" />
      <path
        className="centre-line"
        d={pathOf(
          [
            [left, 0],
            [right, 0],
          ],
          place,
          false,
        )}
      />
    </svg>
  );
}
