import { Link } from 'react-router';
import type { MethodKey } from '../../../core/rigging/index.ts';
import type { SaveState } from '../../data/draft-view.ts';
import { useUnits } from '../../data/units.ts';
import { SaveBadge } from '../../parts/save-badge.tsx';

interface Props {
  readonly id: string;
  readonly name: string;
  /** id of the plastic */
  readonly plastic: string;
  readonly method: MethodKey;
  /** how much the bait is cut short, mm */
  readonly cut: number;
  readonly state: SaveState;
}

/** Whose rig it is, and the sheets of it. */
export function RigHead({ id, name, plastic, method, cut, state }: Props) {
  const { system } = useUnits();
  const card = `/api/designs/${id}/card?plastic=${plastic}&method=${method}&cut=${cut}&units=${system}`;
  return (
    <div className="rig-head">
      <h1>
        <Link to={`/designs/${id}`}>{name}</Link> <small>rigged</small>
      </h1>
      <span className="rig-head-tools">
        <a className="btn btn-sm btn-quiet" href={card} download>
          Rigging card (PDF)
        </a>
        <a className="btn btn-sm btn-quiet" href={`${card}&sheet=true`} download>
          Spec sheet, rigged
        </a>
        <a
          className="btn btn-sm btn-quiet"
          href={`/api/designs/${id}/counter-card?plastic=${plastic}&method=${method}&units=${system}`}
          download
        >
          Counter card
        </a>
        <SaveBadge state={state} />
      </span>
    </div>
  );
}
