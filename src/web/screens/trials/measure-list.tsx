import type { Trial } from '../../../core/document/index.ts';
import { useUnits } from '../../data/units.ts';

interface Props {
  readonly trial: Trial;
  readonly nameOf: (design: string) => string;
  readonly edit: (change: (trial: Trial) => Trial) => void;
}

/** What was measured on a day, each to be taken away again. */
export function MeasureList({ trial, nameOf, edit }: Props) {
  const { format } = useUnits();
  return (
    <ul>
      {trial.drops.map((drop, i) => (
        <li key={`drop ${i}`}>
          {nameOf(drop.design)}: {format(drop.depth, 'depth')} in {format(drop.seconds, 'time')}, {drop.water}{' '}
          <button
            type="button"
            className="btn-x"
            aria-label={`Delete drop ${i + 1}`}
            onClick={() => edit((now) => ({ ...now, drops: now.drops.filter((_, k) => k !== i) }))}
          >
            ×
          </button>
        </li>
      ))}
      {trial.tows.map((tow, i) => (
        <li key={`tow ${i}`}>
          {nameOf(tow.design)}: ran at {format(tow.depth, 'depth')} at {format(tow.speed, 'speed')},{' '}
          {format(tow.lineOut, 'depth')} of {format(tow.test, 'lineTest')} {tow.line}{' '}
          <button
            type="button"
            className="btn-x"
            aria-label={`Delete depth ${i + 1}`}
            onClick={() => edit((now) => ({ ...now, tows: now.tows.filter((_, k) => k !== i) }))}
          >
            ×
          </button>
        </li>
      ))}
    </ul>
  );
}
