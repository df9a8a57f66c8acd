import { fixed, localised } from '../../data/locale.ts';
import { useUnits } from '../../data/units.ts';
import type { CountKey, TrialRig } from '../../../core/document/index.ts';
import { COUNTS, TRIAL_RANGES } from '../../../core/document/index.ts';

const NAMES: Readonly<Record<CountKey, string>> = {
  casts: 'Cast',
  hangUps: 'Hung up',
  freed: 'Freed',
  lost: 'Lost',
  touches: 'Touch',
  hookUps: 'Hook-up',
  landed: 'Landed',
  thrown: 'Thrown',
};

/** One tap for whatever happens, and one back. */
export function Counters({
  rig,
  onCount,
}: {
  readonly rig: TrialRig;
  readonly onCount: (key: CountKey, by: 1 | -1) => void;
}) {
  return (
    <div className="counters" role="group" aria-label={`Counters of ${rig.head}`}>
      {COUNTS.map((key) => (
        <div key={key} className="counter">
          <button type="button" className="counter-more" onClick={() => onCount(key, 1)}>
            <span>{NAMES[key]}</span> <b>{rig[key]}</b>
            <span className="visually-hidden">, one more</span>
          </button>
          <button
            type="button"
            className="counter-less"
            aria-label={`${NAMES[key]}: one less`}
            disabled={rig[key] === 0}
            onClick={() => onCount(key, -1)}
          >
            −
          </button>
        </div>
      ))}
    </div>
  );
}

interface ClockProps {
  readonly rig: TrialRig;
  /** where the rig is fished */
  readonly place: string | undefined;
  readonly isRunning: boolean;
  readonly onPress: () => void;
  readonly onHours: (hours: number) => void;
  readonly onRemove: () => void;
}

/** Hours a rig is fished, by the clock or typed. */
export function Clock({ rig, place, isRunning, onPress, onHours, onRemove }: ClockProps) {
  const { read } = useUnits();
  return (
    <div className="shop-row">
      <button type="button" className="btn btn-quiet" onClick={onPress}>
        {isRunning ? '■ Stop the clock' : '▶ Fishing'}
      </button>
      <span>
        {fixed(rig.hours, 2)} h{place ? ` at ${place}` : ''}
      </span>
      <label>
        hours{' '}
        <input
          inputMode="decimal"
          aria-label="Hours fished"
          style={{ width: '5rem' }}
          key={rig.hours}
          defaultValue={localised(String(rig.hours))}
          onBlur={(event) => {
            const typed = read(event.currentTarget.value, 'number');
            const hours = typed.ok ? typed.value : NaN;
            const [least, most] = TRIAL_RANGES.hours;
            if (hours >= least && hours <= most && hours !== rig.hours) onHours(hours);
          }}
        />
      </label>
      <button type="button" className="btn btn-sm btn-quiet" onClick={onRemove}>
        Remove this rig
      </button>
    </div>
  );
}
