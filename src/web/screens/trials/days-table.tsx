import { Link } from 'react-router';
import type { Kept } from '../../../contract/api.ts';
import type { Trial } from '../../../core/document/index.ts';
import { UNSENT } from '../../data/draft-backup.ts';
import { Scrolls } from '../../parts/sheet.tsx';

/** What of a day is summed over its rigs. */
const COUNTED = [
  ['casts', 'Casts'],
  ['hangUps', 'Hang-ups'],
  ['touches', 'Touches'],
  ['landed', 'Landed'],
] as const;

/** Days with what was counted on each; those that no server has yet say so. */
export function DaysTable({ days }: { readonly days: readonly Kept<Trial>[] }) {
  return (
    <Scrolls label="Days">
      <table className="shop-table">
        <thead>
          <tr>
            <th scope="col">Day</th>
            <th scope="col">Name</th>
            {COUNTED.map(([key, name]) => (
              <th key={key} scope="col" className="num">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {days.map(({ id, version, document }) => (
            <tr key={id}>
              <td>{document.day}</td>
              <th scope="row">
                <Link to={`/trials/${id}`}>{document.name}</Link>
                {version === UNSENT && <small className="trial-unsent"> not sent yet</small>}
              </th>
              {COUNTED.map(([key]) => (
                <td key={key} className="num">
                  {document.rigs.reduce((total, rig) => total + rig[key], 0)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </Scrolls>
  );
}
