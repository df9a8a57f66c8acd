import type { Trial } from '../../../core/document/index.ts';
import { MOST_RIGS } from '../../../core/document/index.ts';
import { useUnits } from '../../data/units.ts';

interface Props {
  readonly trial: Trial;
  /** place of the rig in use */
  readonly at: number;
  readonly adding: boolean;
  readonly onChoose: (at: number) => void;
  readonly onAdd: () => void;
}

/** The day's rigs, of which one is on the line. */
export function RigBar({ trial, at, adding, onChoose, onAdd }: Props) {
  const { format } = useUnits();
  return (
    <div className="trial-rigs" role="group" aria-label="Rig in use">
      {trial.rigs.map((one, i) => (
        <button
          key={i}
          type="button"
          className="btn btn-quiet"
          aria-pressed={i === at}
          onClick={() => onChoose(i)}
        >
          {one.head}
          <small>
            {[one.plastic, trial.places[one.place]?.name, one.grams && format(one.grams, 'mass')]
              .filter(Boolean)
              .join(', ')}
          </small>
        </button>
      ))}
      <button
        type="button"
        className="btn btn-quiet"
        disabled={trial.rigs.length >= MOST_RIGS}
        aria-expanded={adding}
        onClick={onAdd}
      >
        + Rig
      </button>
    </div>
  );
}
