import { fixed } from '../../data/locale.ts';
import { memo } from 'react';
import { inUnits } from '../../../core/quantity/index.ts';
import type { Drawing } from '../../../core/plate/index.ts';
import type { MetalFigure, MetalLine } from '../../workers/judge.worker.ts';
import { useUnits } from '../../data/units.ts';
import { SideFigure } from '../../drawing/side-figure.tsx';
import { PX_PER_MM } from './plate-layout.ts';

interface Props {
  readonly lines: readonly MetalLine[] | undefined;
  readonly own: string;
  readonly onChoose: (key: string) => void;
}

const drawingsOf = (line: MetalLine) =>
  [line.sameWeight, line.sameSize].filter((figure) => figure.ok).map((figure) => figure.drawing);

/** Box of an outline, px. */
const BOX = { width: 92, height: 72 };

/** Where an outline is cut off behind head and keeper, mm. */
const rearOf = ({ collar, keeper }: Drawing): number =>
  Math.min(0, ...(collar ?? []).map(([x]) => x), ...keeper.flatMap(({ side }) => side.map(([x]) => x))) - 1.5;

/** Scale at which an outline fills its box, px per mm. */
function fit(drawing: Drawing): number {
  const up = Math.max(drawing.rise, drawing.eye.at[1] + drawing.eye.radius + drawing.wire);
  const wide =
    Math.max(drawing.length, drawing.eye.at[0] + drawing.eye.radius + drawing.wire) - rearOf(drawing);
  return Math.min((BOX.width - 4) / wide, (BOX.height - 4) / (up + drawing.drop));
}

/** The same weight, and the same size, in each metal: outlines to one scale with what follows from it. */
export const MetalStrip = memo(function MetalStrip({ lines, own, onChoose }: Props) {
  const { format, figure: bare, say } = useUnits();
  if (!lines) return <div className="strip strip-waiting">Working out the metals …</div>;
  // One scale for all: the largest head of the strip has to fit its box.
  const k = Math.min(PX_PER_MM * 2, ...lines.flatMap(drawingsOf).map(fit));
  const ratio = k / PX_PER_MM;
  return (
    <div className="strip" aria-label="The design in each metal">
      {lines.map((line) => (
        <section key={line.metal.key} className="strip-metal" data-own={line.metal.key === own}>
          <header>
            <h3>{line.metal.name}</h3>
            <span className="strip-density">{fixed(line.density, 2)} g/cm³</span>
            {line.metal.key === own ? (
              <span className="strip-own">✓ this design</span>
            ) : (
              <button type="button" className="btn-link-brass" onClick={() => onChoose(line.metal.key)}>
                Use this metal
              </button>
            )}
          </header>
          <div className="strip-cases">
            <Case title="Same weight" figure={line.sameWeight} metal={line.metal.key} k={k}>
              {(figure) => (
                <>
                  <b>
                    {bare(figure.breadth, 'size')} × {format(figure.length, 'size')}
                  </b>
                  <span>falls {format(figure.fall, 'speed')}</span>
                </>
              )}
            </Case>
            <Case title="Same size" figure={line.sameSize} metal={line.metal.key} k={k}>
              {(figure) => (
                <>
                  <b>{format(figure.metal, 'mass')}</b>
                  <span>falls {format(figure.fall, 'speed')}</span>
                </>
              )}
            </Case>
          </div>
          {line.sameWeight.ok && line.sameWeight.caution && (
            <p className="strip-caution">▲ {say(line.sameWeight.caution)}</p>
          )}
        </section>
      ))}
      <p className="strip-scale">Outlines {fixed(ratio, 1)}:1</p>
    </div>
  );
});

interface CaseProps {
  readonly title: string;
  readonly figure: MetalFigure;
  readonly metal: string;
  readonly k: number;
  readonly children: (figure: Extract<MetalFigure, { ok: true }>) => React.ReactNode;
}

function Case({ title, figure, metal, k, children }: CaseProps) {
  const { system } = useUnits();
  if (!figure.ok) {
    return (
      <div className="strip-case">
        <p className="strip-why">
          <b>{title}</b> {inUnits(figure.reason, system)}
        </p>
      </div>
    );
  }
  const { drawing } = figure;
  const right = Math.max(drawing.length, drawing.eye.at[0] + drawing.eye.radius + drawing.wire);
  return (
    <div className="strip-case">
      <svg width={BOX.width} height={BOX.height} aria-hidden="true" focusable="false">
        <SideFigure
          drawing={drawing}
          cutAt={rearOf(drawing)}
          k={k}
          metal={metal}
          place={([x, z]) => [BOX.width - 2 - (right - x) * k, BOX.height - 2 - (z + drawing.drop) * k]}
        />
      </svg>
      <p>
        <small>{title}</small>
        {children(figure)}
      </p>
    </div>
  );
}
