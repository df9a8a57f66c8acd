import { fixed } from '../../data/locale.ts';
import type { ReadingId, Readings } from '../../../core/behaviour/index.ts';
import type { Design } from '../../../core/document/index.ts';
import type { Fit, GuardWays } from '../../../core/judge/index.ts';
import type { Remedy } from '../../../core/rigging/index.ts';
import { useUnits } from '../../data/units.ts';
import { RigChecks } from './rig-checks.tsx';

interface Props {
  readonly readings: Readings;
  readonly fit: Fit;
  readonly guard: GuardWays | undefined;
  /** the guard as the rig that was judged has it */
  readonly spec: Design['guard'];
  readonly water: string;
  readonly onApply: (remedy: Remedy) => void;
}

/**
 * Whether it fits, point by point, what it weighs, and what its guard takes, each with what would mend it.
 */
export function RigVerdict({ readings, fit, guard, spec, water, onApply }: Props) {
  const { format, say } = useUnits();
  const value = (id: ReadingId) => readings[id]?.value ?? NaN;
  const submerged = value('rig.submerged');
  return (
    <aside className="rig-verdict" aria-label="Does it fit">
      <RigChecks fit={fit} onApply={onApply} />
      <dl className="rig-facts">
        <div>
          <dt>Head and plastic</dt>
          <dd>{format(value('rig.mass'), 'mass')}</dd>
        </div>
        <div>
          <dt>In {water} water</dt>
          <dd>{submerged > 0 ? format(submerged, 'force') : 'it floats'}</dd>
        </div>
        <div>
          <dt>Fish it lasts (index)</dt>
          <dd>{fixed(value('rig.lasts'), 1)}</dd>
        </div>
      </dl>
      {guard && (
        <section className="rig-guard" aria-label="Guard">
          <h2>Guard</h2>
          <p>
            {guard.cut > 0
              ? `Trim it level with the point: ${format(guard.cut, 'size')} off as bought.`
              : 'Left as bought.'}{' '}
            It takes {format(guard.force, 'pull')} to lay it down.
          </p>
          <ul>
            {guard.ways.map(({ cover, fan, force, remedy }) => (
              <li key={cover}>
                For {cover}: {format(force, 'pull')}{' '}
                {spec.kind === 'fibre' && spec.fan === fan ? (
                  '✓ as it is'
                ) : (
                  <button type="button" className="btn-link-brass" onClick={() => onApply(remedy)}>
                    Apply: {say(remedy.says)}
                  </button>
                )}
              </li>
            ))}
          </ul>
        </section>
      )}
      <p className="rig-source">Limits are common practice, no source. Geometry follows from the shapes.</p>
    </aside>
  );
}
