import type { Vec2 } from '../../../core/numeric/index.ts';
import type { Drawing, DrawnSection } from '../../../core/plate/index.ts';
import { useUnits } from '../../data/units.ts';
import { pathOf } from '../../drawing/path.ts';
import { metalClass } from '../../drawing/side-figure.tsx';
import { Handle } from '../../parts/handle.tsx';
import type { PlateLayout } from './plate-layout.ts';

interface LineProps {
  readonly drawing: Drawing;
  readonly layout: PlateLayout;
  readonly share: number;
  readonly onStart: () => void;
  readonly onLive: (share: number) => void;
  readonly onEnd: () => void;
}

/** The line a section is cut along, to be pulled through the head. */
export function SectionLine({ drawing, layout: { side, k }, share, onStart, onLive, onEnd }: LineProps) {
  const { format } = useUnits();
  const x = share * drawing.length;
  const [u, upper] = side([x, drawing.rise + 4]);
  const [, lower] = side([x, -drawing.drop - 4]);
  return (
    <g className="section-line">
      <line x1={u} y1={upper} x2={u} y2={lower} />
      <path d={`M${u} ${upper}h-9m3 -3l-3 3l3 3`} />
      <path d={`M${u} ${lower}h-9m3 -3l-3 3l3 3`} />
      <Handle
        at={[u, upper - 4]}
        label="Section"
        valueText={`${format(x, 'size')} from the rear`}
        value={share}
        min={0.01}
        max={0.99}
        step={0.01}
        valueAt={(pointer, down) => down.value + (pointer[0] - down.pointer[0]) / (k * drawing.length)}
        onStart={onStart}
        onLive={onLive}
        onEnd={onEnd}
      />
    </g>
  );
}

interface InsetProps {
  readonly cut: DrawnSection;
  readonly layout: PlateLayout;
  readonly metal: string;
  readonly text: (value: number) => string;
}

/** The section itself, hatched, in the free corner of the sheet at the scale of the views. */
export function SectionInset({ cut, layout, metal, text }: InsetProps) {
  const { k, front, topBox } = layout;
  const [x] = front([0, 0]);
  const points = cut.outlines.flat();
  const low = Math.min(0, ...points.map(([, z]) => z));
  const high = Math.max(0, ...points.map(([, z]) => z));
  const y = (topBox.top + topBox.bottom) / 2 + ((high + low) / 2) * k;
  const place = ([u, v]: Vec2): Vec2 => [x + u * k, y - v * k];
  return (
    <g className="section-inset" aria-label={`Section ${text(cut.at)} from the rear`} role="img">
      {cut.outlines.map((outline, i) => (
        <path key={i} className={`fig-metal ${metalClass(metal)} fig-cut`} d={pathOf(outline, place)} />
      ))}
      {cut.wire > 0 && (
        <circle className="fig-cut-wire" cx={place([0, 0])[0]} cy={place([0, 0])[1]} r={(cut.wire / 2) * k} />
      )}
      <text className="view-name" x={x} y={y - high * k - 8} textAnchor="middle">
        Section at {text(cut.at)}
      </text>
    </g>
  );
}
