import { localised } from '../../data/locale.ts';
import { useUnits } from '../../data/units.ts';
import { Slider } from '../../parts/slider.tsx';
import type { WetHead } from './tank-kit.ts';
import { DASHES, readingOf } from './tank-kit.ts';
import type { RANGES, TankConditions } from './use-conditions.ts';

/**
 * What is pulled of a retrieve: its name, from where to where, and in which steps; narrower than what may be
 * typed.
 */
const PULLED = [
  ['speed', 'Speed', 'speed', 0, 2, 0.02],
  ['lineOut', 'Line out', 'depth', 2, 80, 0.5],
  ['test', 'Line test', 'lineTest', 0.5, 20, 0.1],
] as const;

interface ToolsProps {
  readonly first: WetHead | undefined;
  readonly conditions: TankConditions;
  readonly put: (key: keyof typeof RANGES, value: number) => void;
}

/** Speed, line and weight of the retrieve, pulled. */
export function LineTools({ first, conditions, put }: ToolsProps) {
  const { format } = useUnits();
  const { address, values } = conditions;
  return (
    <div className="tank-tools">
      {PULLED.map(([key, label, kind, min, max, step]) => (
        <Slider
          key={key}
          label={label}
          value={values[key]}
          min={min}
          max={max}
          step={step}
          text={format(values[key], kind)}
          onChange={(value) => put(key, value)}
        />
      ))}
      {first && (
        <Slider
          label={`Weight of ${first.name}`}
          value={conditions.grams ?? readingOf(first, 'mass.metal')}
          min={0.5}
          max={60}
          step={0.1}
          text={format(conditions.grams ?? readingOf(first, 'mass.metal'), 'mass')}
          onChange={(value) => address.set('grams', String(value))}
        />
      )}
      {conditions.grams !== undefined && (
        <button type="button" className="btn btn-sm btn-quiet" onClick={() => address.set('grams', '')}>
          Its own weight
        </button>
      )}
    </div>
  );
}

/** What each head does on the line, in figures. */
export function LineFigures({
  heads,
  depth,
}: {
  readonly heads: readonly WetHead[];
  readonly depth: number;
}) {
  const { format } = useUnits();
  return (
    <table className="tank-figures">
      <thead>
        <tr>
          <th scope="col">Head</th>
          <th scope="col">Keeps</th>
          <th scope="col">Span</th>
          <th scope="col">Fastest on the bottom</th>
          <th scope="col">Least weight</th>
          <th scope="col">For {localised('0.1 g')} more</th>
          <th scope="col">Snap and pause</th>
        </tr>
      </thead>
      <tbody>
        {heads.map((head, i) => {
          const span = head.readings['retrieve.depth']?.range;
          return (
            <tr key={`${head.name}${i}`}>
              <th scope="row">
                <svg width="30" height="8" aria-hidden="true">
                  <line
                    className={`curve curve-${i}`}
                    x1="0"
                    x2="30"
                    y1="4"
                    y2="4"
                    strokeDasharray={DASHES[i]}
                  />
                </svg>{' '}
                {head.name}
              </th>
              <td data-tank="retrieve.depth">
                {readingOf(head, 'retrieve.depth') >= depth
                  ? 'the bottom'
                  : format(readingOf(head, 'retrieve.depth'), 'depth')}
              </td>
              <td>
                {span && span[0] < depth
                  ? `${format(span[0], 'depth')} to ${span[1] < depth ? format(span[1], 'depth') : 'the bottom'}`
                  : '–'}
              </td>
              <td>{format(readingOf(head, 'retrieve.maxBottomSpeed'), 'speed')}</td>
              <td>{format(readingOf(head, 'retrieve.leastWeight'), 'mass')}</td>
              <td>{format(1000 * readingOf(head, 'retrieve.perGram'), 'size')}</td>
              <td>
                {format(readingOf(head, 'retrieve.snapRise'), 'depth')} up,{' '}
                {format(readingOf(head, 'retrieve.snapPause'), 'time')}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
