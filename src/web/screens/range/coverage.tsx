import type { Kept } from '../../../contract/api.ts';
import type { Brief } from '../../../core/document/index.ts';
import type { Serving } from '../../../core/range/index.ts';
import { coverageOf } from '../../../core/range/index.ts';
import { Scrolls } from '../../parts/sheet.tsx';
import type { HeadRow } from '../../workers/range.worker.ts';

const MARK = ['·', '◐', '●'] as const;
const WORD = ['does not serve', 'with care', 'serves'] as const;

interface Props {
  readonly heads: readonly HeadRow[];
  readonly wanted: readonly Kept<Brief>[];
  /** by brief, then by head */
  readonly serves: readonly (readonly Serving[])[];
  /** ids of the heads on the wall */
  readonly wall: readonly string[];
  readonly onToggle: (id: string) => void;
}

/** What the wall covers: in a sentence, and head by brief. */
export function Coverage({ heads, wanted, serves, wall, onToggle }: Props) {
  const taken = heads.flatMap(({ id }, i) => (wall.includes(id) ? [i] : []));
  const coverage = coverageOf(serves, taken);
  return (
    <section aria-label="Coverage">
      <h2>What the wall covers</h2>
      <p role="status">
        {wall.length === 0
          ? 'The wall is empty: tick heads, or find the smallest range.'
          : `${taken.length} heads for ${wanted.length} briefs: ${coverage.briefs.filter(({ well }) => well > 0).length} ` +
            `served well, ${coverage.care.length} with care, ${coverage.missed.length} missed, ` +
            `${coverage.doubled.length} by more than one.`}
      </p>
      {coverage.missed.length > 0 && wall.length > 0 && (
        <p className="shop-care">
          Missed: {coverage.missed.map((b) => wanted[b]?.document.name ?? '').join('; ')}.
        </p>
      )}
      <Matrix heads={heads} wanted={wanted} serves={serves} wall={wall} onToggle={onToggle} />
      <p className="shop-note">
        ● serves well, ◐ with care, · not there; at first, from readings kept at save, as the briefs’ own
        lists begin.
      </p>
    </section>
  );
}

/** Heads against briefs, with what hangs ticked. */
function Matrix({ heads, wanted, serves, wall, onToggle }: Props) {
  return (
    <Scrolls label="Heads and briefs">
      <table className="matrix">
        <thead>
          <tr>
            <th scope="col">On the wall</th>
            <th scope="col">Head</th>
            {wanted.map(({ id, document }) => (
              <th key={id} scope="col" title={document.name}>
                <span>{document.name}</span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {heads.map(({ id, design }, i) => (
            <tr key={id} data-hangs={wall.includes(id)}>
              <td>
                <input
                  type="checkbox"
                  aria-label={`${design.name} on the wall`}
                  checked={wall.includes(id)}
                  onChange={() => onToggle(id)}
                />
              </td>
              <th scope="row">{design.name}</th>
              {wanted.map(({ id: brief }, b) => {
                const service = serves[b]?.[i] ?? 0;
                return (
                  <td key={brief} data-serves={service}>
                    <span aria-hidden>{MARK[service]}</span>
                    <span className="visually-hidden">{WORD[service]}</span>
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </Scrolls>
  );
}
