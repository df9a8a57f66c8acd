import { useEffect, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import type { Axis, Placement, SolidReport, SolidUnit } from '../../../core/exchange/import-solid.ts';
import type { Vec2 } from '../../../core/index.ts';
import { useCreate } from '../../data/queries.ts';
import { useUnits } from '../../data/units.ts';
import { pathOf } from '../../drawing/path.ts';
import { SideFigure } from '../../drawing/side-figure.tsx';
import { Choice, Segments } from '../../parts/choice.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';
import { Sheet, TakeOrLeave } from '../../parts/sheet.tsx';
import { Loading } from '../../parts/states.tsx';
import { judgeWorker, useJudged } from '../../workers/judge.ts';

interface Props {
  readonly file: { readonly name: string; readonly bytes: Uint8Array };
  readonly onHide: () => void;
}

const AXES: readonly Axis[] = ['+x', '-x', '+y', '-y', '+z', '-z'];
const UNITS: readonly SolidUnit[] = ['mm', 'cm', 'in', 'm'];

interface Job {
  readonly report: SolidReport;
  readonly placement: Placement;
  readonly name: string;
  readonly file: string;
}
const run = async ({ report, placement, name, file }: Job) =>
  report.mesh ? judgeWorker('now').placed(report.mesh, placement, name, file) : { reason: report.refused };

/** Brings a solid in from outside: tells what was found and mended, sets it on the shank, and makes a design of it. */
export function SolidDialog({ file, onHide }: Props) {
  const { format, say } = useUnits();
  const navigate = useNavigate();
  const create = useCreate('designs');
  const [report, setReport] = useState<SolidReport | undefined>(undefined);
  const [unreadable, setUnreadable] = useState('');
  const [placement, setPlacement] = useState<Placement>({
    nose: '+x',
    up: '+z',
    unit: 'mm',
    level: 0.5,
    side: 0.5,
  });
  const [name, setName] = useState(file.name.replace(/\.\w+$/, '').slice(0, 120));
  const set = (change: Partial<Placement>) => setPlacement((now) => ({ ...now, ...change }));

  useEffect(() => {
    let alive = true;
    judgeWorker('later')
      .examine(file.bytes)
      .then(
        (found) => alive && setReport(found),
        (error: unknown) => alive && setUnreadable((error as Error).message),
      );
    return () => {
      alive = false;
    };
  }, [file]);
  const job = useMemo<Job | undefined>(
    () =>
      report?.mesh && placement.nose[1] !== placement.up[1]
        ? { report, placement, name, file: file.name }
        : undefined,
    [report, placement, name, file],
  );
  const { output: placed } = useJudged(job, run);
  const refused = unreadable || report?.refused || '';
  const made = placed && 'design' in placed ? placed : undefined;
  const reason =
    placement.nose[1] === placement.up[1]
      ? 'Nose and up: they cannot lie on the same axis of the file. Choose two different ones.'
      : placed && 'reason' in placed
        ? placed.reason
        : made && !made.judged.ok
          ? say(made.judged.problems[0]?.message ?? '')
          : '';
  const make = () => {
    if (!made) return;
    create.mutate(
      { ...made.design, name: name.trim() },
      {
        onSuccess: (kept) => {
          onHide();
          void navigate(`/designs/${kept.id}`);
        },
      },
    );
  };
  return (
    <Sheet
      title={`Bring in ${file.name}`}
      onHide={onHide}
      footer={
        <TakeOrLeave
          take="Make a design of it"
          disabled={!made || create.isPending || name.trim() === '' || placement.nose[1] === placement.up[1]}
          onTake={make}
          onLeave={onHide}
        />
      }
    >
      {refused ? (
        <div className="solid-refused" role="alert">
          <p>
            <b>■ It cannot be taken.</b> {refused}
          </p>
          {report && report.repairs.length > 0 && <Repairs report={report} />}
        </div>
      ) : !report ? (
        <Loading what="the solid" />
      ) : (
        <>
          <p role="status">
            {report.triangles} facets, closed.{' '}
            {report.repairs.length === 0 ? 'Nothing had to be mended.' : ''}
          </p>
          <Repairs report={report} />
          <div className="solid-place">
            <div>
              <div className="qf">
                <label htmlFor="solid-name">Name</label>
                <span className="qf-box">
                  <input
                    id="solid-name"
                    value={name}
                    maxLength={120}
                    onChange={(event) => setName(event.currentTarget.value)}
                  />
                </span>
              </div>
              <Segments
                label="The file counts in"
                value={placement.unit}
                options={UNITS.map((unit) => [unit, unit] as const)}
                onChange={(unit) => set({ unit })}
              />
              <Choice
                label="Nose points to"
                value={placement.nose}
                options={AXES.map((axis) => [axis, axis] as const)}
                onChange={(nose) => set({ nose })}
              />
              <Choice
                label="Hook point is to"
                value={placement.up}
                options={AXES.map((axis) => [axis, axis] as const)}
                onChange={(up) => set({ up })}
              />
              <QuantityField
                label="Shank from the belly"
                kind="share"
                value={placement.level}
                min={0.05}
                max={0.95}
                step={0.01}
                note="Where the hook’s shank runs through it, as a share of its height."
                onLive={(level) => set({ level })}
                onCommit={(level) => set({ level })}
              />
              <QuantityField
                label="Shank from the right"
                kind="share"
                value={placement.side}
                min={0.05}
                max={0.95}
                step={0.01}
                note="As a share of its breadth; the middle for a head that is alike on both sides."
                onLive={(side) => set({ side })}
                onCommit={(side) => set({ side })}
              />
            </div>
            <div className="solid-preview">
              {made?.judged.ok ? (
                <>
                  <Preview drawing={made.judged.drawing} />
                  <p>
                    {format(made.judged.readings['head.length']?.value ?? NaN, 'size')} long,{' '}
                    {format(made.judged.readings['head.breadth']?.value ?? NaN, 'size')} broad,{' '}
                    {format(made.judged.readings['head.height']?.value ?? NaN, 'size')} high;{' '}
                    <b>{format(made.judged.readings['mass.metal']?.value ?? NaN, 'mass')}</b> in lead on a{' '}
                    {made.design.hook.size}.
                  </p>
                </>
              ) : (
                !reason && <Loading what="the drawing" />
              )}
              {reason && (
                <p className="field-said" role="alert">
                  {reason}
                </p>
              )}
            </div>
          </div>
        </>
      )}
    </Sheet>
  );
}

function Repairs({ report }: { readonly report: SolidReport }) {
  return (
    <ul className="solid-repairs">
      {report.repairs.map((repair) => (
        <li key={repair}>✓ {repair}</li>
      ))}
    </ul>
  );
}

const BOX = { width: 330, height: 210 };

function Preview({ drawing }: { readonly drawing: Parameters<typeof SideFigure>[0]['drawing'] }) {
  const points = [...drawing.side, ...drawing.hook, drawing.eye.at];
  const [x0, x1] = [Math.min(...points.map(([x]) => x)) - 2, Math.max(...points.map(([x]) => x)) + 2];
  const [z0, z1] = [Math.min(...points.map(([, z]) => z)) - 2, Math.max(...points.map(([, z]) => z)) + 3];
  const k = Math.min(BOX.width / (x1 - x0), BOX.height / (z1 - z0));
  const place = ([x, z]: Vec2): Vec2 => [(x - x0) * k, (z1 - z) * k];
  return (
    <svg width={BOX.width} height={BOX.height} role="img" aria-label="The solid on its hook, from the side">
      <SideFigure drawing={drawing} place={place} k={k} metal="lead" />
      <path
        className="centre-line"
        d={pathOf(
          [
            [x0, 0],
            [x1, 0],
          ],
          place,
          false,
        )}
      />
    </svg>
  );
}
