import type { Plastic } from '../../../core/plastic/index.ts';
import { plasticStations } from '../../../core/plastic/index.ts';
import { useUnits } from '../../data/units.ts';
import type { Stations } from './with-one-more.ts';
import { withOneMore } from './with-one-more.ts';

/** Stations an own outline may have. */
const LEAST_STATIONS = 3;
const MOST_STATIONS = 16;

/** The stations of an own outline: one more, or one less. */
export function PlasticStations({
  plastic,
  onChange,
}: {
  readonly plastic: Plastic;
  readonly onChange: (stations: Stations) => void;
}) {
  const { format } = useUnits();
  const stations = plasticStations(plastic).map(([at, height, breadth]) => ({ at, height, breadth }));
  return (
    <p className="plastic-stations">
      {stations.length} stations{' '}
      <button
        type="button"
        className="btn btn-sm btn-quiet"
        disabled={stations.length >= MOST_STATIONS}
        onClick={() => onChange(withOneMore(stations))}
      >
        + Station in the widest space
      </button>{' '}
      {stations.slice(1, -1).map(({ at }, i) => (
        <button
          key={at}
          type="button"
          className="btn-link-brass"
          disabled={stations.length <= LEAST_STATIONS}
          onClick={() => onChange(stations.filter((_, j) => j !== i + 1))}
        >
          Remove the station at {format(at * plastic.length, 'size')}
        </button>
      ))}
    </p>
  );
}
