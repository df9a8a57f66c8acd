import type { HeadBuilt } from '../../../core/exchange/heads-table/index.ts';
import { familyOf } from '../../../core/head/index.ts';
import { useUnits } from '../../data/units.ts';
import { Heads, Scrolls } from '../../parts/sheet.tsx';
import { isTaken } from './use-heads-table.ts';

interface Props {
  readonly rows: readonly HeadBuilt[];
  readonly choices: ReadonlyMap<number, boolean>;
  readonly onChoose: (line: number, isOn: boolean) => void;
}

/**
 * The heads of the table as they will stand on the Rack, each with what was guessed, what is odd, and what it
 * doubles.
 */
export function RowTable({ rows, choices, onChoose }: Props) {
  const { format, say } = useUnits();
  return (
    <Scrolls label="Heads of the table">
      <table className="heads-rows">
        <Heads of={['Import', 'Line', 'Name', 'Weight', 'Shape', 'Hook', 'Look at']} />
        <tbody>
          {rows.map((row) => {
            const { line, name, grams, design, guessed, odd, problem, doubleOf } = row;
            return (
              <tr
                key={line}
                data-bad={problem !== undefined}
                data-odd={odd.length > 0 || doubleOf !== undefined}
              >
                <td>
                  <label>
                    <span className="visually-hidden">Import {name}</span>
                    <input
                      type="checkbox"
                      disabled={design === undefined}
                      checked={isTaken(row, choices)}
                      onChange={(event) => onChoose(line, event.currentTarget.checked)}
                    />
                  </label>
                </td>
                <td>{line}</td>
                <th scope="row">{name}</th>
                <td>{Number.isFinite(grams) ? format(grams, 'mass') : ''}</td>
                <td>{design ? (familyOf(design.head.family)?.name ?? design.head.family) : ''}</td>
                <td>{design?.hook.size}</td>
                <td>
                  {problem !== undefined && <p className="heads-problem">■ {say(problem)}</p>}
                  {doubleOf !== undefined && <p className="heads-odd">▲ Double of {doubleOf}</p>}
                  {odd.map((text) => (
                    <p key={text} className="heads-odd">
                      ▲ {say(text)}
                    </p>
                  ))}
                  {guessed.length > 0 && <p className="heads-guessed">Assumed: {guessed.join('; ')}</p>}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </Scrolls>
  );
}
