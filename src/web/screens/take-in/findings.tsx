import { useUnits } from '../../data/units.ts';
import type { Found, Measured } from './use-measured.ts';

const VERDICTS: Readonly<Record<Found['metals'][number]['verdict'], readonly [look: string, words: string]>> =
  {
    agrees: ['state-good', '● agrees'],
    nearly: ['state-care', '◐ nearly'],
    'does not': ['state-bad', '✕ does not'],
  };

/** Which metal the measurements agree with, and the sizes that were found. */
export function Findings({
  of: { family, metalKey },
  found,
}: {
  readonly of: Measured;
  readonly found: Found;
}) {
  const { format, say } = useUnits();
  const sizes = found.design.head.dimensions;
  return (
    <>
      {found.says.map((text) => (
        <p key={text} role="status">
          {say(text)}
        </p>
      ))}
      <table className="shop-table">
        <thead>
          <tr>
            <th scope="col">Metal</th>
            <th scope="col">Agrees</th>
            <th scope="col" className="num">
              Sizes not measured, against the usual
            </th>
          </tr>
        </thead>
        <tbody>
          {found.metals.map(({ metal, verdict, factor }) => {
            const [look, words] = VERDICTS[verdict];
            return (
              <tr key={metal.key} aria-current={metal.key === metalKey}>
                <th scope="row">
                  {metal.name} <small>{format(metal.density, 'density')}</small>
                </th>
                <td>
                  <span className={look}>{words}</span>
                </td>
                <td className="num">{factor === undefined ? '–' : `${Math.round(100 * factor)}%`}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {found.found.length > 0 && (
        <p>
          Found:{' '}
          {found.found
            .map((key) => {
              const spec = family.dimensions.find((one) => one.key === key);
              return spec ? `${spec.name.toLowerCase()} ${format(sizes[key] ?? 0, spec.kind)}` : key;
            })
            .join(', ')}
          .
        </p>
      )}
    </>
  );
}
