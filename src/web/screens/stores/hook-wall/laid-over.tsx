import { useUnits } from '../../../data/units.ts';
import { Heads } from '../../../parts/sheet.tsx';
import { HookLines, placer } from './hook-drawing.tsx';
import type { WallHook } from './wall-hooks.ts';
import { boxOf } from './wall-hooks.ts';

/** Widest a drawing of hooks laid over each other becomes, px, and its largest scale. */
const [WIDEST, LARGEST] = [560, 8];
const MARGIN = 14;

/** Hooks laid over each other, their shanks’ rear ends in one place, with what each measures beside them. */
export function LaidOver({
  hooks,
  onDrop,
}: {
  readonly hooks: readonly WallHook[];
  readonly onDrop: (id: string) => void;
}) {
  const { format } = useUnits();
  const box = boxOf(hooks.map(({ picture }) => picture));
  const [low, high] = box;
  const k = Math.min(LARGEST, WIDEST / Math.max(1, high[0] - low[0]));
  const at = placer(box, k, MARGIN);
  const [wide, deep] = [(high[0] - low[0]) * k + 2 * MARGIN, (high[1] - low[1]) * k + 2 * MARGIN];
  const span = ([from, to]: WallHook['picture']['gap'], axis: 0 | 1) => format(to[axis] - from[axis], 'size');
  return (
    <section className="laid-over" aria-label="Hooks laid over each other">
      <svg
        viewBox={`0 0 ${wide} ${deep}`}
        style={{ maxWidth: wide }}
        role="img"
        aria-label={`Laid over each other: ${hooks.map(({ name }) => name).join(', ')}`}
      >
        {hooks.map(({ id, picture }, i) => (
          <HookLines key={id} picture={picture} at={at} k={k} className={`over-line over-${i}`} />
        ))}
      </svg>
      <table>
        <Heads of={['Hook', 'Gap', 'Straight shank', 'Bend', 'Wire', '']} />
        <tbody>
          {hooks.map(({ id, name, picture: { gap, shank, bend, wire } }, i) => (
            <tr key={id}>
              <th scope="row">
                <span className={`over-key over-${i}`} aria-hidden="true" /> {name}
              </th>
              <td>{span(gap, 1)}</td>
              <td>{span(shank, 0)}</td>
              <td>{span(bend, 0)}</td>
              <td>{format(wire, 'size')}</td>
              <td>
                <button
                  type="button"
                  className="btn btn-sm btn-quiet"
                  aria-label={`Take ${name} away`}
                  onClick={() => onDrop(id)}
                >
                  ×
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
