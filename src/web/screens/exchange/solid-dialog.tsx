import { messageOf } from '../../../core/kind/index.ts';
import { PlacementFields } from './placement-fields.tsx';
import { Placed } from './solid-preview.tsx';
import { useEffect, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import type { Placement, SolidReport } from '../../../core/exchange/import-solid.ts';
import { useCreate } from '../../data/queries.ts';
import { momentText } from '../../data/dates.ts';
import { fingerprint, importedAt, rememberImport } from '../../data/imported.ts';
import { useUnits } from '../../data/units.ts';
import { Sheet, TakeOrLeave } from '../../parts/sheet.tsx';
import { Loading } from '../../parts/states.tsx';
import { judgeWorker, useJudged } from '../../workers/judge.ts';

interface Props {
  readonly file: { readonly name: string; readonly bytes: Uint8Array };
  readonly onHide: () => void;
}

interface Job {
  readonly report: SolidReport;
  readonly placement: Placement;
  readonly name: string;
  readonly file: string;
}
const run = async ({ report, placement, name, file }: Job) =>
  report.mesh ? judgeWorker('now').placed(report.mesh, placement, name, file) : { reason: report.refused };

/** What is found in the bytes of a file, once it was looked through; or why it cannot be read. */
function useExamined(bytes: Uint8Array) {
  const [report, setReport] = useState<SolidReport | undefined>(undefined);
  const [unreadable, setUnreadable] = useState('');
  useEffect(() => {
    let alive = true;
    judgeWorker('later')
      .examine(bytes)
      .then(
        (found) => alive && setReport(found),
        (error: unknown) => alive && setUnreadable(messageOf(error)),
      );
    return () => {
      alive = false;
    };
  }, [bytes]);
  return { report, unreadable };
}

/** What a file is known again by, once that is worked out. */
function useFingerprint(bytes: Uint8Array): string {
  const [print, setPrint] = useState('');
  useEffect(() => {
    let alive = true;
    void fingerprint('solid', bytes).then((found) => alive && setPrint(found));
    return () => {
      alive = false;
    };
  }, [bytes]);
  return print;
}

/**
 * Brings a solid in from outside: tells what was found and mended, sets it on the shank, and makes a design
 * of it.
 */
export function SolidDialog({ file, onHide }: Props) {
  const { say } = useUnits();
  const navigate = useNavigate();
  const create = useCreate('designs');
  const [placement, setPlacement] = useState<Placement>({
    nose: '+x',
    up: '+z',
    unit: 'mm',
    level: 0.5,
    side: 0.5,
  });
  const [name, setName] = useState(file.name.replace(/\.\w+$/, '').slice(0, 120));
  const set = (change: Partial<Placement>) => setPlacement((now) => ({ ...now, ...change }));

  const { report, unreadable } = useExamined(file.bytes);
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
  const print = useFingerprint(file.bytes);
  const before = importedAt(print);
  const make = () => {
    if (!made) return;
    create.mutate(
      { ...made.design, name: name.trim() },
      {
        onSuccess: (kept) => {
          rememberImport(print);
          onHide();
          void navigate(`/designs/${kept.id}`);
        },
      },
    );
  };
  return (
    <Sheet
      title={`Import ${file.name}`}
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
          {before !== undefined && (
            <p className="import-again" role="alert">
              ▲ This file was imported before: {momentText(before)}. Importing it again makes a second head.
            </p>
          )}
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
              <PlacementFields placement={placement} onSet={set} />
            </div>
            <div className="solid-preview">
              <Placed made={made} reason={reason} />
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
