import { fixed } from '../../data/locale.ts';
import { useMemo } from 'react';
import type { Columns } from '../../parts/data-table.tsx';
import { column, DataTable } from '../../parts/data-table.tsx';
import type { QuantityKind } from '../../../core/quantity/index.ts';
import type { Surroundings } from '../../../core/behaviour/index.ts';
import type { Design } from '../../../core/document/index.ts';
import { useUnits } from '../../data/units.ts';
import { Sheet } from '../../parts/sheet.tsx';
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
  const figure = (id: FigureId, head: string, kind: QuantityKind) =>
    column<MetalLine>(
      id,
      head,
      (line) => {
        const made = of(line);
        return made.ok ? format(made[id], kind) : '';
      },
      {
        by: (line) => {
          const made = of(line);
          return made.ok ? made[id] : Infinity;
        },
      },
    );
  const columns: Columns<MetalLine> = [
    column('metal', 'Metal', ({ metal }) => metal.name, { by: ({ metal }) => metal.name, isRowHead: true }),
    column('density', 'g/cm³', ({ density }) => fixed(density, 2), { by: ({ density }) => density }),
    figure('length', 'Length', 'size'),
    figure('breadth', 'Breadth', 'size'),
    figure('height', 'Height', 'size'),
    figure('metal', 'Metal weighs', 'mass'),
    figure('total', 'Total weight', 'mass'),
    figure('submerged', 'In water', 'force'),
    figure('fall', 'Falls', 'speed'),
    figure('cost', 'Cost', 'money'),
    column('use', '', (line) => (
      <UseMetal line={line} caution={cautionOf(of(line))} own={own} say={say} onChoose={onChoose} />
    )),
  ];
  return (
    <DataTable
      className="metal-table"
      caption={title}
      columns={columns}
      rows={lines}
      rowKey={({ metal }) => metal.key}
      rowProps={({ metal }) => ({ 'data-own': metal.key === own })}
      instead={(line) => {
        const made = of(line);
        return made.ok ? undefined : { from: 'length', words: say(made.reason) };
      }}
    />
  );
}

type FigureId = 'length' | 'breadth' | 'height' | 'metal' | 'total' | 'submerged' | 'fall' | 'cost';

const cautionOf = (figure: MetalFigure): string => (figure.ok ? figure.caution : '');

function UseMetal({
  line: { metal },
  caution,
  own,
  say,
  onChoose,
}: Pick<TableProps, 'own' | 'onChoose'> & {
  readonly line: MetalLine;
  readonly caution: string;
  readonly say: (text: string) => string;
}) {
  return (
    <>
      {metal.key === own ? (
        '✓ this design'
      ) : (
        <button type="button" className="btn-link-brass" onClick={() => onChoose(metal.key)}>
          Use this metal
        </button>
      )}
      {caution && <small>▲ {say(caution)}</small>}
    </>
  );
}
