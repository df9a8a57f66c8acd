import { useMemo } from 'react';
import type { Design, Surroundings } from '../../../core/index.ts';
import { useUnits } from '../../data/units.ts';
import { Heads, Sheet } from '../../parts/sheet.tsx';
import { Loading } from '../../parts/states.tsx';
import { judgeWorker, useJudged } from '../../workers/judge.ts';
import type { MetalFigure, MetalLine } from '../../workers/judge.worker.ts';

interface Props {
  readonly show: boolean;
  readonly design: Design;
  readonly surroundings: Surroundings;
  readonly onChoose: (key: string) => void;
  readonly onHide: () => void;
}

interface Job {
  readonly design: Design;
  readonly surroundings: Surroundings;
}
const run = ({ design, surroundings }: Job): Promise<MetalLine[]> =>
  judgeWorker('later').allMetals(design, surroundings);

/** The design in every metal of the stores: same weight and same size, with what follows from each. */
export function MetalsSheet({ show, design, surroundings, onChoose, onHide }: Props) {
  const job = useMemo<Job | undefined>(
    () => (show ? { design, surroundings } : undefined),
    [show, design, surroundings],
  );
  const { output: lines } = useJudged(job, run);
  return (
    <Sheet title={`${design.name} in every metal`} show={show} size="xl" onHide={onHide}>
      {lines ? (
        <>
          <MetalTable
            title="The same weight"
            lines={lines}
            of={({ sameWeight }) => sameWeight}
            own={design.head.metal}
            onChoose={onChoose}
          />
          <MetalTable
            title="The same size"
            lines={lines}
            of={({ sameSize }) => sameSize}
            own={design.head.metal}
            onChoose={onChoose}
          />
          <p className="stores-note">
            Hook, keeper and guard stay as they are. Cost is the metal alone at the price in the stores, in
            the shop’s own money, without sprue and loss.
          </p>
        </>
      ) : (
        <Loading what="the metals" />
      )}
    </Sheet>
  );
}

interface TableProps {
  readonly title: string;
  readonly lines: readonly MetalLine[];
  readonly of: (line: MetalLine) => MetalFigure;
  readonly own: string;
  readonly onChoose: (key: string) => void;
}

function MetalTable({ title, lines, of, own, onChoose }: TableProps) {
  const { format, say } = useUnits();
  return (
    <table className="metal-table">
      <caption>{title}</caption>
      <Heads
        of={[
          'Metal',
          'g/cm³',
          'Length',
          'Breadth',
          'Height',
          'Metal weighs',
          'As weighed',
          'In water',
          'Falls',
          'Cost',
          '',
        ]}
      />
      <tbody>
        {lines.map((line) => {
          const figure = of(line);
          return (
            <tr key={line.metal.key} data-own={line.metal.key === own}>
              <th scope="row">{line.metal.name}</th>
              <td>{line.density.toFixed(2)}</td>
              {figure.ok ? (
                <>
                  <td>{format(figure.length, 'size')}</td>
                  <td>{format(figure.breadth, 'size')}</td>
                  <td>{format(figure.height, 'size')}</td>
                  <td>{format(figure.metal, 'mass')}</td>
                  <td>{format(figure.total, 'mass')}</td>
                  <td>{format(figure.submerged, 'force')}</td>
                  <td>{format(figure.fall, 'speed')}</td>
                  <td>{format(figure.cost, 'money')}</td>
                  <td>
                    {line.metal.key === own ? (
                      '✓ this design'
                    ) : (
                      <button
                        type="button"
                        className="btn-link-brass"
                        onClick={() => onChoose(line.metal.key)}
                      >
                        Use it
                      </button>
                    )}
                    {figure.caution && <small>▲ {say(figure.caution)}</small>}
                  </td>
                </>
              ) : (
                <td colSpan={9}>{say(figure.reason)}</td>
              )}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
