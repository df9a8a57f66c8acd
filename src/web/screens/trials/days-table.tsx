import { Link } from 'react-router';
import type { Kept } from '../../../contract/api.ts';
import type { Trial } from '../../../core/document/index.ts';
import { UNSENT } from '../../data/draft-backup.ts';
import { Scrolls } from '../../parts/sheet.tsx';

/** Days with what was counted on each; those that no server has yet say so. */
export function DaysTable({ days }: { readonly days: readonly Kept<Trial>[] }) {
  return (
    <Scrolls label="Days">
      <table className="shop-table">
        <thead>
          <tr>
            <th scope="col">Day</th>
            <th scope="col">Name</th>
            <th scope="col" className="num">
              Casts
            </th>
            <th scope="col" className="num">
              Hang-ups
            </th>
            <th scope="col" className="num">
              Touches
            </th>
            <th scope="col" className="num">
              Landed
            </th>
          </tr>
        </thead>
        <tbody>
          {days.map(({ id, version, document }) => {
            const sum = (key: 'casts' | 'hangUps' | 'touches' | 'landed') =>
              document.rigs.reduce((total, rig) => total + rig[key], 0);
            return (
              <tr key={id}>
                <td>{document.day}</td>
                <th scope="row">
                  <Link to={`/trials/${id}`}>{document.name}</Link>
                  {version === UNSENT && <small className="trial-unsent"> not sent yet</small>}
                </th>
                <td className="num">{sum('casts')}</td>
                <td className="num">{sum('hangUps')}</td>
                <td className="num">{sum('touches')}</td>
                <td className="num">{sum('landed')}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </Scrolls>
  );
}
