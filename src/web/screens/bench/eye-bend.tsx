import type { Vec2 } from '../../../core/numeric/index.ts';
import type { Drawing } from '../../../core/plate/index.ts';
import { EYE_ANGLES } from '../../../core/hook/index.ts';
import { degrees, radians } from '../../../core/numeric/index.ts';
import { useUnits } from '../../data/units.ts';
import { Handle } from '../../parts/handle.tsx';

/** Angles the eye catches at while it is pulled: the bends hooks are sold with. */
const EYE_STOPS = [0, 30, 45, 60, 90];
/** Radius of the arc that shows the bend, px. */
const ARC = 22;

interface Props {
  readonly drawing: Drawing;
  readonly side: (point: Vec2) => Vec2;
  /** degrees */
  readonly angle: number;
}

/** The arc of the eye's bend with its figure. */
export function EyeBend({ drawing, side, k, angle }: Props & { readonly k: number }) {
  const { format } = useUnits();
  const { eye } = drawing;
  const kneeAt = side(drawing.knee);
  const arc = ARC;
  // The figure stands beside the eye, away from the head; it is broader than high, so further off sideways.
  const bend = radians(angle);
  const besideEye = (eye.radius + drawing.wire) * k + 14;
  return (
    <>
      <path
        className="dim-line"
        fill="none"
        d={
          `M${kneeAt[0] + arc} ${kneeAt[1]}A${arc} ${arc} 0 0 0 ${kneeAt[0] + arc * Math.cos(radians(angle))} ` +
          `${kneeAt[1] - arc * Math.sin(radians(angle))}`
        }
      />
      <text
        className="dim-text"
        textAnchor="middle"
        dominantBaseline="central"
        x={side(eye.at)[0] - Math.sin(bend) * besideEye * 1.2}
        y={side(eye.at)[1] - Math.cos(bend) * besideEye}
      >
        {format(angle, 'angle')}
      </text>
    </>
  );
}

/** The handle that turns the eye about its knee; it catches at the usual bends. */
export function EyeHandle({
  drawing,
  side,
  angle,
  onStart,
  onLive,
  onEnd,
}: Props & {
  readonly onStart: () => void;
  readonly onLive: (angle: number) => void;
  readonly onEnd: () => void;
}) {
  const { format } = useUnits();
  return (
    <Handle
      round
      at={side(drawing.eye.at)}
      label="Eye angle"
      valueText={format(angle, 'angle')}
      value={angle}
      min={EYE_ANGLES[0]}
      max={EYE_ANGLES[1]}
      step={1}
      valueAt={(pointer) => {
        const [kx, ky] = side(drawing.knee);
        const turned = degrees(Math.atan2(ky - pointer[1], pointer[0] - kx));
        const stop = EYE_STOPS.find((candidate) => Math.abs(candidate - turned) < 2.5);
        return stop ?? Math.round(turned);
      }}
      onStart={onStart}
      onLive={onLive}
      onEnd={onEnd}
    />
  );
}
